import { redirect } from '@sveltejs/kit';
import { superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { type CallForm, blankRound, callFaults, callForm, readCallForm } from '$lib/schema/call-form';
import { theApp } from '$lib/server/context';
import { answerForm, ask, putFaults } from '$lib/server/http';
import { addAudition, prepareAudition, takeCall } from '$lib/server/usecase/call';
import { readCandidate } from '$lib/server/usecase/studio';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const candidate = ask(event, prepareAudition, { candidateId: event.params.candidate });
  const blank: CallForm = {
    version: 0,
    name: '',
    rounds: [blankRound('first round', candidate.zone)],
    dates: []
  };
  return {
    candidate,
    zones: Intl.supportedValuesOf('timeZone'),
    form: await superValidate(blank, zod4(callForm), { errors: false })
  };
};

export const actions: Actions = {
  take: async (event) => {
    const callId = String((await event.request.formData()).get('call') ?? '');
    const candidateId = event.params.candidate;
    redirect(303, `/auditions/${ask(event, takeCall, { candidateId, callId })}`);
  },
  save: async (event) => {
    const candidateId = event.params.candidate;
    const form = await superValidate(event.request, zod4(callForm));
    const { today } = ask(event, readCandidate, { candidateId });
    const faults = callFaults(form.data, today);
    if (!form.valid || faults.length > 0) return putFaults(form, faults);
    const answer = await answerForm(
      form,
      () => addAudition(theApp(), event.locals.who, { ...readCallForm(form.data), candidateId }),
      'name'
    );
    if ('failed' in answer) return answer.failed;
    redirect(303, `/auditions/${answer.done}`);
  }
};
