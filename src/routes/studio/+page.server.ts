import { fail, redirect } from '@sveltejs/kit';
import { candidateForm } from '$lib/schema/forms';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm } from '$lib/server/form/form';
import { allow, runAs, fieldsOf, formOf } from '$lib/server/http';
import { checkCall } from '$lib/server/usecase/call';
import { addCandidate, readStudio } from '$lib/server/usecase/studio';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => ({
  studio: runAs(event, readStudio, {}),
  zones: Intl.supportedValuesOf('timeZone'),
  form: await fillForm(candidateForm, { name: '', instruments: '', zone: '' })
});

export const actions: Actions = {
  add: async (event) => {
    allow(event, addCandidate, undefined);
    const form = await formOf(event, candidateForm);
    if (!form.valid) return fail(400, { form });
    const answer = await answerForm(form, () => addCandidate(theApp(), event.locals.who, form.data));
    if ('failed' in answer) return answer.failed;
    redirect(303, `/candidates/${answer.done}`);
  },
  checked: async (event) => {
    allow(event, checkCall, undefined);
    const auditionId = (await fieldsOf(event)).get('audition');
    return { checked: { auditionId, token: runAs(event, checkCall, { auditionId }) } };
  }
};
