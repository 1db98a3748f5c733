/**
 * Whoever works by keys goes on where they were. When a form is answered the frame puts the focus at the page's beginning, as for a new page: there it
 * goes back to what had it. A link that was followed has it no more by then.
 *
 * @returns what ends it.
 */
export function keepFocus(): () => void {
  let held: { readonly element: HTMLElement; readonly focusVisible: boolean } | null = null;

  const onFocus = ({ target, relatedTarget }: FocusEvent) => {
    if (!(target instanceof HTMLElement)) return;
    if (target !== document.body) held = { element: target, focusVisible: target.matches(':focus-visible') };
    else if (held?.element === relatedTarget)
      held.element.focus({ preventScroll: true, focusVisible: held.focusVisible });
  };
  document.addEventListener('focusin', onFocus);
  return () => document.removeEventListener('focusin', onFocus);
}
