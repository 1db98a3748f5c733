/**
 * A form that loses nothing: what is typed is kept on this device until it is saved, a dropped connection or a refusal
 * is said above the form, and the fields stay as they are.
 */
import { superForm, type SuperValidated } from 'sveltekit-superforms';
import { writable } from 'svelte/store';
import { keepDraft } from './draft';

type Options = {
  /** Empties the form after it was saved, for forms that are filled in again and again. */
  readonly resetForm?: boolean;
};

/** Call while a component is being set up. `trouble` says what went wrong, `isBack` that a draft was put back. */
export function keptForm<T extends Record<string, unknown>>(
  initial: SuperValidated<T>,
  key: string,
  options: Options = {}
) {
  const trouble = writable('');
  const isBack = writable(false);
  const superform = superForm(initial, {
    dataType: 'json',
    resetForm: options.resetForm ?? false,
    taintedMessage: null,
    onSubmit: () => trouble.set(''),
    onResult: ({ result }) => {
      // a preview saved nothing: what is typed stays a draft
      const isSaved = result.type === 'success' && !result.data?.isPreview;
      if (result.type === 'redirect' || isSaved) draft.forget();
    },
    onError: ({ result }) => trouble.set(sayTrouble(result))
  });
  const draft = keepDraft(key, superform, () => isBack.set(true));
  return { ...superform, trouble, isBack, forget: draft.forget };
}

function sayTrouble(result: { status?: number | undefined; error: { message: string } | Error }): string {
  if (result.status && result.status < 500)
    return `${result.error.message} Nothing was saved; what you typed is still here.`;
  return 'Not saved: the studio did not answer. What you typed is still here; try again in a moment.';
}
