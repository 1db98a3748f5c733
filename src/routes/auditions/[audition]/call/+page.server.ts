import { redirect } from '@sveltejs/kit';
import { superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { callFaults, callForm, fillCallForm, readCallForm } from '$lib/schema/call-form';
import { theApp } from '$lib/server/context';
import { answerForm, ask, putFaults } from '$lib/server/http';
import { readCall, saveCall } from '$lib/server/usecase/list';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const call = ask(event, readCall, { auditionId: event.params.audition });
  return {
    call,
    zones: Intl.supportedValuesOf('timeZone'),
    form: await superValidate(fillCallForm(call.audition), zod4(callForm), { errors: false })
  };
};

export const actions: Actions = {
  save: async (event) => {
    const auditionId = event.params.audition;
    const form = await superValidate(event.request, zod4(callForm));
    const { today } = ask(event, readCall, { auditionId });
    const faults = callFaults(form.data, today);
    if (!form.valid || faults.length > 0) return putFaults(form, faults);
    const answer = await answerForm(form, () =>
      saveCall(theApp(), event.locals.who, {
        ...readCallForm(form.data),
        auditionId,
        version: form.data.version
      })
    );
    if ('failed' in answer) {
      form.data.version = ask(event, readCall, { auditionId }).audition.callVersion;
      return answer.failed;
    }
    redirect(303, `/auditions/${auditionId}`);
  }
};
