import { fail, redirect } from '@sveltejs/kit';
import { callFaults, callForm, fillCallForm, readCallForm } from '$lib/schema/call-form';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm, refuseForm } from '$lib/server/form/form';
import { allow, formOf, runAs } from '$lib/server/http';
import { readUntaken, saveUntakenCall } from '$lib/server/usecase/untaken';
import type { Actions, PageServerLoad } from './$types';

/** What one candidate would have of it by themselves. */
const NOTHING_OWN = { ownDates: [], ownVersion: 0, slots: [] };

export const load: PageServerLoad = async (event) => {
  const { call } = runAs(event, readUntaken, { callId: event.params.call });
  return {
    zones: Intl.supportedValuesOf('timeZone'),
    form: await fillForm(callForm, fillCallForm(call, NOTHING_OWN))
  };
};

export const actions: Actions = {
  save: async (event) => {
    allow(event, saveUntakenCall, undefined);
    const callId = event.params.call;
    const form = await formOf(event, callForm);
    if (!form.valid) return fail(400, { form });
    const faults = callFaults(form.data, runAs(event, readUntaken, { callId }).today);
    if (faults.length > 0) return refuseForm(form, faults);
    const { version } = form.data;
    const answer = await answerForm(
      form,
      () => saveUntakenCall(theApp(), event.locals.who, { ...readCallForm(form.data), callId, version }),
      { 'list-name-taken': 'name' }
    );
    if ('failed' in answer) {
      form.data.version = runAs(event, readUntaken, { callId }).call.version;
      return answer.failed;
    }
    redirect(303, `/lists/${callId}`);
  }
};
