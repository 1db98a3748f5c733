/** Small forms of a page that has several: read, checked and carried out, with a fault or a refusal said where it belongs. */
import { type RequestEvent, fail } from '@sveltejs/kit';
import type { z } from 'zod';
import type { SharedLink, Undo } from '../schema/view';
import { fieldsOf, sayRefusal } from './http';

export type SmallAnswer = {
  readonly undo?: Undo;
  readonly link?: SharedLink;
  /** Id of what the link is about. */
  readonly of?: string;
  /** To be handed out, each to whom it is for. */
  readonly links?: readonly { readonly name: string; readonly link: SharedLink }[];
};

/** `what` names the form on its page. Call after `allow`. */
export async function smallForm<T extends z.ZodType>(
  event: RequestEvent,
  what: string,
  form: T,
  run: (read: z.infer<T>) => SmallAnswer | void
) {
  const read = form.safeParse((await fieldsOf(event)).record());
  if (!read.success) return fail(400, { what, fault: read.error.issues[0]!.message });
  try {
    return run(read.data) ?? {};
  } catch (thrown) {
    return fail(400, { what, fault: sayRefusal(thrown) });
  }
}

/** The same for all forms of a page that the same people may send: `check` refuses who may not, before anything is read. */
export const smallForms =
  <E extends RequestEvent>(check: (event: E) => void) =>
  <T extends z.ZodType>(event: E, what: string, form: T, run: (read: z.infer<T>) => SmallAnswer | void) => {
    check(event);
    return smallForm(event, what, form, run);
  };

export const undoable = (says: string, token: string): SmallAnswer => ({ undo: { says, token } });
