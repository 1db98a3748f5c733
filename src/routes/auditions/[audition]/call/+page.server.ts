import { fail, redirect } from '@sveltejs/kit';
import { callFaults, callForm, fillCallForm, readCallForm, readOwnForm } from '$lib/schema/call-form';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm, refuseForm } from '$lib/server/form/form';
import { allow, runAs, formOf } from '$lib/server/http';
import type { Undo } from '$lib/schema/view';
import { checkCall, previewCall, readCall, saveCall } from '$lib/server/usecase/call';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const call = runAs(event, readCall, { auditionId: event.params.audition });
  return {
    call,
    zones: Intl.supportedValuesOf('timeZone'),
    form: await fillForm(callForm, fillCallForm(call.audition.call, call.audition))
  };
};

export const actions: Actions = {
  checked: (event) => {
    const token = runAs(event, checkCall, { auditionId: event.params.audition });
    const undo: Undo = { says: 'Noted: looked at today.', token };
    return { undo };
  },
  preview: async (event) => {
    allow(event, previewCall, undefined);
    const auditionId = event.params.audition;
    const form = await formOf(event, callForm);
    if (!form.valid) return fail(400, { form });
    const faults = callFaults(form.data, runAs(event, readCall, { auditionId }).today);
    if (faults.length > 0) return refuseForm(form, faults);
    const asked = { ...readCallForm(form.data), auditionId };
    const answer = await answerForm(form, () => previewCall(theApp(), event.locals.who, asked));
    return 'failed' in answer ? answer.failed : { form, isPreview: true, effects: answer.done };
  },
  save: async (event) => {
    allow(event, saveCall, undefined);
    const auditionId = event.params.audition;
    const form = await formOf(event, callForm);
    if (!form.valid) return fail(400, { form });
    const faults = callFaults(form.data, runAs(event, readCall, { auditionId }).today);
    if (faults.length > 0) return refuseForm(form, faults);
    const { version } = form.data;
    const own = readOwnForm(form.data);
    const answer = await answerForm(form, () =>
      saveCall(theApp(), event.locals.who, { ...readCallForm(form.data), auditionId, version, own })
    );
    if ('failed' in answer) {
      const { call, ownVersion } = runAs(event, readCall, { auditionId }).audition;
      form.data.version = call.version;
      form.data.ownVersion = ownVersion;
      return answer.failed;
    }
    redirect(303, `/auditions/${auditionId}?undo=${answer.done}`);
  }
};
