import { fail } from '@sveltejs/kit';
import { fillUsual, schoolsOfUsual, usualForm } from '$lib/schema/usual-form';
import { allow, fieldsOf, runAs } from '$lib/server/http';
import { readCalls } from '$lib/server/usecase/call';
import { readUsual, saveUsual } from '$lib/server/usecase/usual';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  calls: runAs(event, readCalls, {}),
  usual: fillUsual(runAs(event, readUsual, {}))
});

export const actions: Actions = {
  usual: async (event) => {
    allow(event, saveUsual, undefined);
    const read = usualForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { fault: read.error.issues[0]!.message });
    runAs(event, saveUsual, { schools: schoolsOfUsual(read.data) });
    return { isSaved: true };
  }
};
