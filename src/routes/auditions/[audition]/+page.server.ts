import { type ActionFailure, type RequestEvent, fail, isHttpError } from '@sveltejs/kit';
import type { z } from 'zod';
import { pinBlockForm, pinRungForm, unpinBlockForm, unpinRungForm } from '$lib/schema/pin-form';
import { ask } from '$lib/server/http';
import { readCountback } from '$lib/server/usecase/countback';
import { pinBlock, pinRung, unpinBlock, unpinRung } from '$lib/server/usecase/pin';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: ask(event, readCountback, { auditionId: event.params.audition })
});

/** Answers a pin button: what is wrong comes back as a sentence, and nothing is pinned. */
function answer<T extends z.ZodType>(form: T, useCase: Parameters<typeof ask<z.output<T>, void>>[1]) {
  return async (event: RequestEvent): Promise<ActionFailure<{ says: string }> | void> => {
    const read = form.safeParse(Object.fromEntries(await event.request.formData()));
    if (!read.success) return fail(400, { says: read.error.issues[0]!.message });
    try {
      ask(event, useCase, read.data);
    } catch (thrown) {
      if (isHttpError(thrown, 400)) return fail(400, { says: thrown.body.message });
      throw thrown;
    }
  };
}

export const actions: Actions = {
  pinBlock: answer(pinBlockForm, pinBlock),
  unpinBlock: answer(unpinBlockForm, unpinBlock),
  pinRung: answer(pinRungForm, pinRung),
  unpinRung: answer(unpinRungForm, unpinRung)
};
