/** What kept-form.ts is to large forms, for a small one of plain fields: what is typed in it is kept on this device until it is taken. */
import type { SubmitFunction } from '@sveltejs/kit';
import { writable } from 'svelte/store';
import { enhance } from '$app/forms';
import { draftOf } from './draft';
import { watchLeaving } from './on-the-way';
import { NOT_TAKEN, isToSignIn, sayWhy, sentOnce, trouble as pageTrouble } from './send';
import { typedOn } from './typed-on';

type Control = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;

const controlsOf = (form: HTMLFormElement) =>
  [...form.elements].filter(
    (one): one is Control =>
      one instanceof HTMLTextAreaElement ||
      one instanceof HTMLSelectElement ||
      (one instanceof HTMLInputElement && one.type !== 'file')
  );
const valuesOf = (form: HTMLFormElement) => controlsOf(form).map((one) => one.value);

type Options = {
  /** Empties the form when what was typed is taken. */
  readonly reset?: boolean;
};

/** Call while a component is being set up; put `action` on the form instead of `enhance`. `trouble` says why it was not taken. */
export function keepFields(key: string, { reset = false }: Options = {}) {
  const trouble = writable('');
  const draft = draftOf(key);
  const begin = sentOnce();
  /** What was typed in which field since it was sent. */
  const since = new Map<Control, string>();
  const putBack = () => since.forEach((value, control) => (control.value = value));

  const submit: SubmitFunction = (sent) => {
    const end = begin(sent);
    if (!end) return sent.cancel();
    trouble.set('');
    const isLeft = watchLeaving();
    const was = new Map(controlsOf(sent.formElement).map((control) => [control, control.value]));
    since.clear();
    return async ({ result, update, formElement }) => {
      end();
      const isTaken =
        result.type === 'success' || (result.type === 'redirect' && !isToSignIn(result.location));
      const keepRest = () => (since.size === 0 ? draft.forget() : draft.write(valuesOf(formElement)));
      if (isTaken) keepRest();
      if (await isLeft()) {
        if (!isTaken) pageTrouble.set(NOT_TAKEN);
      } else if (result.type === 'error') trouble.set(`${sayWhy(result)} What you typed is still here.`);
      else {
        // empties the fields at once, and fills them from the page's data when that has come
        const updated = update({ reset: reset && isTaken });
        since.forEach((now, control) => since.set(control, typedOn(was.get(control), now, control.value)));
        putBack();
        await updated;
        putBack();
        if (isTaken) keepRest();
      }
    };
  };

  function action(form: HTMLFormElement) {
    void draft.read().then((before) => {
      const [kept, controls] = [before as string[] | null, controlsOf(form)];
      if (kept?.length !== controls.length) return;
      controls.forEach((control, i) => {
        control.value = kept[i]!;
        // what hangs on a choice follows it
        if (control instanceof HTMLSelectElement) control.dispatchEvent(new Event('change'));
      });
    });
    const keep = ({ target }: Event) => {
      draft.write(valuesOf(form));
      const control = controlsOf(form).find((one) => one === target);
      if (control) since.set(control, control.value);
    };
    form.addEventListener('input', keep);
    const enhanced = enhance(form, submit);
    return {
      destroy() {
        form.removeEventListener('input', keep);
        enhanced.destroy();
      }
    };
  }
  return { action, trouble };
}
