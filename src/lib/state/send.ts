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

type Sent = Pick<Parameters<SubmitFunction>[0], 'action' | 'formData'>;
type Options = {
  /** Whether its fields become empty when it was taken. */
  readonly reset?: boolean;
  /** Awaited before it is sent; it is not sent where that comes to false. */
  readonly isReady?: () => Promise<boolean>;
  /** Called when it is sent; what it returns is called with the answer. */
  readonly onSend?: () => (result: ActionResult) => void;
};

/**
 * Of one form. A button that is pressed twice sends once: what the function is given is taken unless it was sent just before and has no answer yet.
 *
 * @returns to be called with the answer; null where it is not sent again.
 */
export function sentOnce(): (sent: Sent) => (() => void) | null {
  let last: string | null = null;
  return ({ action, formData }) => {
    const said = JSON.stringify([action.href, ...formData]);
    if (said === last) return null;
    last = said;
    return () => {
      if (last === said) last = null;
    };
  };
}

/** Put on a form as an action. */
export function send(form: HTMLFormElement, options: Options = {}) {
  let now = options;
  const begin = sentOnce();
  const submit: SubmitFunction = async (sent) => {
    const end = begin(sent);
    if (!end) return sent.cancel();
    trouble.set('');
    if (now.isReady && !(await now.isReady())) {
      end();
      return sent.cancel();
    }
    const isLeft = watchLeaving();
    const onAnswer = now.onSend?.();
    return async ({ result, update }) => {
      end();
      onAnswer?.(result);
      const hasLeft = await isLeft();
      if (result.type === 'error') trouble.set(`Nothing was done. ${sayWhy(result)}`);
      else if (!hasLeft) await update({ reset: now.reset ?? true });
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
