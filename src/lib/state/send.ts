/**
 * Small forms that are sent with one tap: where nothing was done (no line, a refusal, a studio that does not answer), the page stays as
 * it is and the reason is said on it. What somebody types at length is kept as a draft besides (kept-form.ts, kept-fields.ts).
 */
import type { ActionResult, SubmitFunction } from '@sveltejs/kit';
import { writable } from 'svelte/store';
import { enhance } from '$app/forms';
import { watchLeaving } from './on-the-way';

/** Why what was sent last was not done; empty where it was. The page's frame shows it. */
export const trouble = writable('');

/** Of what was sent from a page that is left, where the reason would have been said. */
export const NOT_TAKEN = 'What you sent from the page before was not taken: look there once more.';

type Options = {
  /** Whether its fields become empty when it was taken. */
  readonly reset?: boolean;
  /** Awaited before it is sent; it is not sent where that comes to false. */
  readonly isReady?: () => Promise<boolean>;
  /** Called when it is sent; what it returns is called with the answer. */
  readonly onSend?: () => (result: ActionResult) => void;
};

/** Put on a form as an action. */
export function send(form: HTMLFormElement, options: Options = {}) {
  let now = options;
  const submit: SubmitFunction = async ({ cancel }) => {
    trouble.set('');
    if (now.isReady && !(await now.isReady())) return cancel();
    const isLeft = watchLeaving();
    const onAnswer = now.onSend?.();
    return async ({ result, update }) => {
      onAnswer?.(result);
      if (result.type === 'error') trouble.set(`Nothing was done. ${sayWhy(result)}`);
      else if (!(await isLeft())) await update({ reset: now.reset ?? true });
      else if (result.type === 'failure') trouble.set(NOT_TAKEN);
    };
  };
  const enhanced = enhance(form, submit);
  return { update: (next: Options = {}) => (now = next), destroy: enhanced.destroy };
}

/** The studio's own sentence; where it was not reached, what was thrown here is none. */
export function sayWhy({ error }: { readonly error: unknown }): string {
  const says = error instanceof Error ? undefined : (error as { readonly message?: string } | null)?.message;
  return says ?? 'The studio did not answer: try again in a moment.';
}

/** Whether an answer leads to the door: the session has ended, so that nothing was taken. */
export const isToSignIn = (location: string) => location.startsWith('/sign-in');
