type Held = { readonly element: HTMLElement; readonly focusVisible: boolean; readonly path: string };

/**
 * Whoever works by keys goes on where they were. When a form is answered the frame puts the focus at the page's beginning, as for a new page: on the
 * same page it goes back to what had it.
 *
 * @returns what ends it.
 */
export function keepFocus(): () => void {
  let held: Held | null = null;

  const onFocus = ({ target, relatedTarget }: FocusEvent) => {
    if (!(target instanceof HTMLElement)) return;
    if (target !== document.body)
      held = {
        element: target,
        focusVisible: target.matches(':focus-visible'),
        path: location.pathname
      };
    else if (held?.element === relatedTarget && held.path === location.pathname)
      held.element.focus({ preventScroll: true, focusVisible: held.focusVisible });
  };
  document.addEventListener('focusin', onFocus);
  return () => document.removeEventListener('focusin', onFocus);
}
