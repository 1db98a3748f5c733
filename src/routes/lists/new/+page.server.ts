import { fail, redirect } from '@sveltejs/kit';
import { blankRound, callFaults, callForm, readCallForm } from '$lib/schema/call-form';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm, refuseForm } from '$lib/server/form/form';
import { allow, formOf, runAs } from '$lib/server/http';
import { addCall, prepareCall } from '$lib/server/usecase/untaken';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const { zone } = runAs(event, prepareCall, {});
  const form = await fillForm(callForm, { name: '', rounds: [blankRound('first round', zone)] });
  return { zone, zones: Intl.supportedValuesOf('timeZone'), form };
};

export const actions: Actions = {
  save: async (event) => {
    allow(event, addCall, undefined);
    const form = await formOf(event, callForm);
    if (!form.valid) return fail(400, { form });
    const faults = callFaults(form.data, runAs(event, prepareCall, {}).today);
    if (faults.length > 0) return refuseForm(form, faults);
    const answer = await answerForm(
      form,
      () => addCall(theApp(), event.locals.who, readCallForm(form.data)),
      { 'list-name-taken': 'name' }
    );
    if ('failed' in answer) return answer.failed;
    redirect(303, `/lists/${answer.done}`);
  }
};
