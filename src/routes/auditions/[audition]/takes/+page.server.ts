import { fail } from '@sveltejs/kit';
import { goneForm } from '$lib/schema/take';
import { fieldsOf, runAs } from '$lib/server/http';
import { readTakes, setTake } from '$lib/server/usecase/takes';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readTakes, { auditionId: event.params.audition })
});

export const actions: Actions = {
  remove: async (event) => {
    runAs(event, readTakes, { auditionId: event.params.audition });
    const read = goneForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { fault: read.error.issues[0]!.message });
    const { id, back } = read.data;
    runAs(event, setTake, { takeId: id, set: { isGone: back === '' } });
    return { removed: back === '' ? id : null };
  }
};
