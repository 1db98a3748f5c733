import { fail, redirect } from '@sveltejs/kit';
import { paperForm } from '$lib/schema/mock';
import { allow, fieldsOf, runAs, sayRefusal } from '$lib/server/http';
import { readPaperMock, writeInMock } from '$lib/server/usecase/mock-by-hand';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readPaperMock, { auditionId: event.params.audition })
});

export const actions: Actions = {
  default: async (event) => {
    const about = { auditionId: event.params.audition };
    allow(event, readPaperMock, about);
    const read = paperForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { fault: read.error.issues[0]!.message });
    const { id, heard, jurors, ...booked } = read.data;
    let token: string;
    try {
      token = runAs(event, writeInMock, { ...about, id, booked, heard, jurors });
    } catch (thrown) {
      return fail(400, { fault: sayRefusal(thrown) });
    }
    redirect(303, `/auditions/${about.auditionId}/mocks?undo=${token}`);
  }
};
