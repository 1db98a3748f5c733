/**
 * A form that loses nothing: what is typed is kept on this device until it is saved, a dropped connection or a refusal
 * is said above the form, and the fields stay as they are.
 */
import { browser } from '$app/environment';
import { superForm, type SuperValidated } from 'sveltekit-superforms';
import { get, writable } from 'svelte/store';
import { draftOf, keepDraft } from './draft';
import { allTypedOn } from './typed-on';
import { watchLeaving } from './on-the-way';
import { NOT_TAKEN, isToSignIn, sayWhy, trouble as pageTrouble } from './send';

type Options = {
  /** Begins anew, whatever was typed before. */
  readonly isFresh?: boolean;
  /** Holds what nobody else may read. */
  readonly isPrivate?: boolean;
  /** It sends plain fields instead of its whole state. */
  readonly isPlain?: boolean;
};

/** Call while a component is being set up. `trouble` says what went wrong, `isBack` that a draft was put back. */
export function keptForm<T extends Record<string, unknown>>(
  initial: SuperValidated<T>,
  key: string,
  { isFresh = false, isPrivate = false, isPlain = false }: Options = {}
) {
  const trouble = writable('');
  const isBack = writable(false);
  const draft = draftOf(key, isPrivate);
  /** Not the page's own: what another form of the page brings along with its answer must not fill this one, only its own answer does. */
  const id = `${initial.id} kept`;
  let isTaken = false;
  let isLeft: ReturnType<typeof watchLeaving>;
  let sent: T;
  let answer: T;
  let stop = () => {};
  const superform = superForm(initial, {
    dataType: isPlain ? 'form' : 'json',
    resetForm: false,
    taintedMessage: null,
    onSubmit: () => {
      trouble.set('');
      isLeft = watchLeaving();
      sent = structuredClone(get(superform.form));
    },
    onResult: async ({ result, cancel }) => {
      // a preview saved nothing: what is typed stays a draft; so it does where the session has ended
      const isSaved = result.type === 'success' && !result.data?.isPreview;
      const isLed = result.type === 'redirect' && !isToSignIn(result.location);
      isTaken = isLed || isSaved;
      const answered =
        'data' in result ? (result.data as { form?: { id: string } } | undefined)?.form : undefined;
      if (answered) answered.id = id;
      if (isTaken) draft.keepBeyond(sent, get(superform.form));
      if (!(await isLeft())) return;
      cancel();
      if (!isLed && result.type !== 'success') pageTrouble.set(NOT_TAKEN);
    },
    onUpdate: ({ form: { data } }) => {
      answer = structuredClone(data);
      stop = superform.form.subscribe((now) => Object.assign(data, allTypedOn(sent, now, answer)));
    },
    // what the form is filled with after saving is not typed
    onUpdated: () => {
      stop();
      if (isTaken) draft.keepBeyond(answer, get(superform.form));
    },
    onError: ({ result }) => trouble.set(`Not saved. ${sayWhy(result)} What you typed is still here.`)
  });
  keepDraft(draft, superform, { onBack: () => isBack.set(true), isFresh });
  if (browser) superform.formId.set(id);
  return { ...superform, trouble, isBack, forget: () => draft.forget() };
}
