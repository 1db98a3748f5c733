import { fail, redirect } from '@sveltejs/kit';
import { blankRound, callFaults, callForm, readCallForm } from '$lib/schema/call-form';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm, refuseForm } from '$lib/server/form/form';
import { allow, runAs, fieldsOf, formOf } from '$lib/server/http';
import { addAudition, prepareAudition, takeCall } from '$lib/server/usecase/call';
import { readCandidate } from '$lib/server/usecase/studio';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const candidate = runAs(event, prepareAudition, { candidateId: event.params.candidate });
  return {
    candidate,
    zones: Intl.supportedValuesOf('timeZone'),
    form: await fillForm(callForm, { name: '', rounds: [blankRound('first round', candidate.zone)] })
  };
};

export const actions: Actions = {
  take: async (event) => {
    allow(event, takeCall, undefined);
    const callId = (await fieldsOf(event)).get('call');
    const candidateId = event.params.candidate;
    redirect(303, `/auditions/${runAs(event, takeCall, { candidateId, callId })}`);
  },
  save: async (event) => {
    allow(event, addAudition, undefined);
    const candidateId = event.params.candidate;
    const form = await formOf(event, callForm);
    if (!form.valid) return fail(400, { form });
    const faults = callFaults(form.data, runAs(event, readCandidate, { candidateId }).today);
    if (faults.length > 0) return refuseForm(form, faults);
    const answer = await answerForm(
      form,
      () => addAudition(theApp(), event.locals.who, { ...readCallForm(form.data), candidateId }),
      { 'list-name-taken': 'name' }
    );
    if ('failed' in answer) return answer.failed;
    redirect(303, `/auditions/${answer.done}`);
  }
};
