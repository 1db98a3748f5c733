import { fail } from '@sveltejs/kit';
import { readAfterForm, readRoundDayForm } from '$lib/schema/round-day';
import type { Undo } from '$lib/schema/view';
import { allow, fieldsOf, runAs } from '$lib/server/http';
import { readRoundDay, setRoundDay, tellRound } from '$lib/server/usecase/round-day';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readRoundDay, {
    auditionId: event.params.audition,
    roundId: event.url.searchParams.get('round') ?? undefined
  })
});

export const actions: Actions = {
  set: async (event) => {
    const { audition: auditionId } = event.params;
    allow(event, readRoundDay, { auditionId });
    const roundId = event.url.searchParams.get('round') ?? '';
    const read = readRoundDayForm(roundId, (await fieldsOf(event)).record());
    if ('faults' in read) return fail(400, { faults: read.faults });
    const token = runAs(event, setRoundDay, { auditionId, ...read });
    const undo: Undo = { says: 'The day is set.', token };
    return { undo };
  },
  tell: async (event) => {
    const { audition: auditionId } = event.params;
    allow(event, readRoundDay, { auditionId });
    const roundId = event.url.searchParams.get('round') ?? '';
    const read = readAfterForm((await fieldsOf(event)).record());
    if ('faults' in read) return fail(400, { faults: read.faults });
    const undo: Undo = {
      says: 'It is kept.',
      token: runAs(event, tellRound, { auditionId, roundId, after: read.after })
    };
    return { undo };
  }
};
