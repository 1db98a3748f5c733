import { fail } from '@sveltejs/kit';
import { stepForm } from '$lib/schema/mock';
import { allow, fieldsOf, runAs } from '$lib/server/http';
import { readMock, stepMock } from '$lib/server/usecase/mocks';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readMock, { mockId: event.params.mock })
});

export const actions: Actions = {
  step: async (event) => {
    const about = { mockId: event.params.mock };
    allow(event, stepMock, about);
    const read = stepForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { fault: read.error.issues[0]!.message });
    const { to, isBroken, bpm, take: takeId } = read.data;
    runAs(event, stepMock, { ...about, to, until: { isBroken: isBroken !== '', bpm, takeId } });
  }
};
