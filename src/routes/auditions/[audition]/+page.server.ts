import { type ActionFailure, type RequestEvent, fail } from '@sveltejs/kit';
import type { z } from 'zod';
import { pinBlockForm, pinRungForm, unpinBlockForm, unpinRungForm } from '$lib/schema/pin-form';
import { awayForm } from '$lib/schema/forms';
import { allow, runAs, fieldsOf, sayRefusal } from '$lib/server/http';
import { dropFeed, makeFeed } from '$lib/server/usecase/calendar';
import { readCountback } from '$lib/server/usecase/countback';
import { addAway, readOwner } from '$lib/server/usecase/studio';
import { pinBlock, pinRung, unpinBlock, unpinRung } from '$lib/server/usecase/pin';
import type { Undo } from '$lib/schema/view';
import { linkFor } from '$lib/server/reach';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readCountback, { auditionId: event.params.audition })
});

/** Answers a pin button: what is wrong comes back as a sentence, and nothing is pinned. */
function answer<T extends z.ZodType>(form: T, useCase: Parameters<typeof runAs<z.output<T>, void>>[1]) {
  return async (event: RequestEvent): Promise<ActionFailure<{ says: string }> | void> => {
    allow(event, pinBlock, undefined);
    const read = form.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { says: read.error.issues[0]!.message });
    try {
      runAs(event, useCase, read.data);
    } catch (thrown) {
      return fail(400, { says: sayRefusal(thrown) });
    }
  };
}

function candidateOf(event: RequestEvent): string {
  return runAs(event, readOwner, { auditionId: event.params.audition! });
}

export const actions: Actions = {
  pinBlock: answer(pinBlockForm, pinBlock),
  unpinBlock: answer(unpinBlockForm, unpinBlock),
  pinRung: answer(pinRungForm, pinRung),
  unpinRung: answer(unpinRungForm, unpinRung),
  feed: (event) => {
    const token = runAs(event, makeFeed, { auditionId: event.params.audition });
    return { feed: linkFor(event.url, `/feed/${token}.ics`) };
  },
  endFeed: (event) => {
    runAs(event, dropFeed, { auditionId: event.params.audition });
  },
  away: async (event) => {
    const candidateId = candidateOf(event);
    allow(event, addAway, { candidateId });
    const read = awayForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { awayFault: read.error.issues[0]!.message });
    try {
      const token = runAs(event, addAway, { candidateId, ...read.data });
      const undo: Undo = { says: 'The days away are entered and the plan is laid again.', token };
      return { undo };
    } catch (thrown) {
      return fail(400, { awayFault: sayRefusal(thrown) });
    }
  }
};
