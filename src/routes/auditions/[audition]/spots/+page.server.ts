import { randomUUID } from 'node:crypto';
import { fail } from '@sveltejs/kit';
import { spotRemoveForm } from '$lib/schema/spot-form';
import { keepSpotLine } from '$lib/server/form/spot-line';
import { fieldsOf, runAs } from '$lib/server/http';
import { readSpotPage, setSpot } from '$lib/server/usecase/spots';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readSpotPage, { auditionId: event.params.audition }),
  newId: randomUUID()
});

export const actions: Actions = {
  spot: keepSpotLine,
  remove: async (event) => {
    const { candidate } = runAs(event, readSpotPage, { auditionId: event.params.audition });
    const read = spotRemoveForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { fault: read.error.issues[0]!.message });
    const { id, back } = read.data;
    runAs(event, setSpot, { candidateId: candidate.id, spotId: id, set: { isGone: back === '' } });
    return { removed: back === '' ? id : null };
  }
};
