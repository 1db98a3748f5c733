import { type ActionFailure, type RequestEvent, fail, isHttpError } from '@sveltejs/kit';
import type { z } from 'zod';
import { pinBlockForm, pinRungForm, unpinBlockForm, unpinRungForm } from '$lib/schema/pin-form';
import { awayForm } from '$lib/schema/forms';
import { exceptionsText } from '$lib/schema/time';
import { ask } from '$lib/server/http';
import { dropFeed, makeFeed } from '$lib/server/usecase/calendar';
import { readCountback } from '$lib/server/usecase/countback';
import { addAway, takeBackAway } from '$lib/server/usecase/studio';
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

function candidateOf(event: RequestEvent): string {
  return ask(event, readCountback, { auditionId: event.params.audition! }).candidate.id;
}

export const actions: Actions = {
  pinBlock: answer(pinBlockForm, pinBlock),
  unpinBlock: answer(unpinBlockForm, unpinBlock),
  pinRung: answer(pinRungForm, pinRung),
  unpinRung: answer(unpinRungForm, unpinRung),
  feed: (event) => {
    const token = ask(event, makeFeed, { auditionId: event.params.audition });
    return { feed: `${event.url.origin}/feed/${token}.ics` };
  },
  endFeed: (event) => {
    ask(event, dropFeed, { auditionId: event.params.audition });
  },
  away: async (event) => {
    const read = awayForm.safeParse(Object.fromEntries(await event.request.formData()));
    if (!read.success) return fail(400, { awayFault: read.error.issues[0]!.message });
    const before = ask(event, addAway, { candidateId: candidateOf(event), ...read.data });
    return { before: JSON.stringify(before) };
  },
  awayBack: async (event) => {
    const text = String((await event.request.formData()).get('exceptions') ?? '');
    const exceptions = exceptionsText.safeParse(text);
    if (!exceptions.success) return fail(400, { awayFault: 'What was there before could not be read.' });
    ask(event, takeBackAway, { candidateId: candidateOf(event), exceptions: exceptions.data });
  }
};
