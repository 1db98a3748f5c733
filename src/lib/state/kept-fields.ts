/** What kept-form.ts is to large forms, for a small one of plain fields: what is typed in it is kept on this device until it is taken. */
import type { SubmitFunction } from '@sveltejs/kit';
import { writable } from 'svelte/store';
import { enhance } from '$app/forms';
import { draftOf } from './draft';
import { watchLeaving } from './on-the-way';
import { NOT_TAKEN, isToSignIn, sayWhy, sentOnce, trouble as pageTrouble } from './send';

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

  const submit: SubmitFunction = (sent) => {
    const end = begin(sent);
    if (!end) return sent.cancel();
    trouble.set('');
    const isLeft = watchLeaving();
    return async ({ result, update }) => {
      end();
      const isTaken =
        result.type === 'success' || (result.type === 'redirect' && !isToSignIn(result.location));
      if (isTaken) draft.forget();
      if (await isLeft()) {
        if (!isTaken) pageTrouble.set(NOT_TAKEN);
      } else if (result.type === 'error') trouble.set(`${sayWhy(result)} What you typed is still here.`);
      else await update({ reset: reset && isTaken });
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
    const keep = () => draft.write(valuesOf(form));
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
