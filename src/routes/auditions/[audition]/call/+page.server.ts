import { fail, isHttpError, redirect } from '@sveltejs/kit';
import { superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import {
  callFaults,
  callForm,
  fillCallForm,
  ownDatesForm,
  ownDatesText,
  readCallForm
} from '$lib/schema/call-form';
import { theApp } from '$lib/server/context';
import { answerForm, ask, putFaults } from '$lib/server/http';
import { slotForm } from '$lib/schema/forms';
import { previewCall, readCall, saveCall, saveOwnDates, saveSlot } from '$lib/server/usecase/call';
import type { Undo } from '$lib/schema/view';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const call = ask(event, readCall, { auditionId: event.params.audition });
  const { ownDates: dates, ownVersion: version } = call.audition;
  return {
    call,
    own: await superValidate({ dates: [...dates], version }, zod4(ownDatesForm), {
      errors: false,
      id: 'own'
    }),
    zones: Intl.supportedValuesOf('timeZone'),
    form: await superValidate(fillCallForm(call.audition.call), zod4(callForm), { errors: false })
  };
};

const putBack = (says: string, action: string, fields: Undo['fields']): Undo => ({ says, action, fields });

export const actions: Actions = {
  preview: async (event) => {
    const auditionId = event.params.audition;
    const form = await superValidate(event.request, zod4(callForm));
    const faults = callFaults(form.data, ask(event, readCall, { auditionId }).today);
    if (!form.valid || faults.length > 0) return putFaults(form, faults);
    return {
      form,
      isPreview: true,
      effects: ask(event, previewCall, { ...readCallForm(form.data), auditionId })
    };
  },
  own: async (event) => {
    const auditionId = event.params.audition;
    const form = await superValidate(event.request, zod4(ownDatesForm), { id: 'own' });
    if (!form.valid) return fail(400, { form });
    const answer = await answerForm(form, () =>
      saveOwnDates(theApp(), event.locals.who, { auditionId, ...form.data })
    );
    form.data.version = ask(event, readCall, { auditionId }).audition.ownVersion;
    if ('failed' in answer) return answer.failed;
    return { form, undo: putBack('The dates are saved.', 'ownBack', { dates: JSON.stringify(answer.done) }) };
  },
  ownBack: async (event) => {
    const auditionId = event.params.audition;
    const dates = ownDatesText.safeParse((await event.request.formData()).get('dates'));
    if (!dates.success) return fail(400, { slotFault: 'What was there before could not be read.' });
    const { ownVersion: version } = ask(event, readCall, { auditionId }).audition;
    ask(event, saveOwnDates, { auditionId, dates: dates.data, version });
  },
  slot: async (event) => {
    const slot = await superValidate(event.request, zod4(slotForm), { id: 'slot' });
    if (!slot.valid)
      return fail(400, { slotFault: slot.errors.date?.[0] ?? slot.errors.time?.[0] ?? 'Check the slot.' });
    const { roundId, date, time } = slot.data;
    const input = { roundId, date: date || null, time: time || undefined };
    try {
      const before = ask(event, saveSlot, { auditionId: event.params.audition, ...input });
      const fields = { roundId, date: before?.date ?? '', time: before?.time ?? '' };
      return { slotSaved: roundId, undo: putBack('The slot is changed.', 'slot', fields) };
    } catch (thrown) {
      if (isHttpError(thrown, 400)) return fail(400, { slotFault: thrown.body.message });
      throw thrown;
    }
  },
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
      form.data.version = ask(event, readCall, { auditionId }).audition.call.version;
      return answer.failed;
    }
    redirect(303, `/auditions/${auditionId}?undo=${answer.done}`);
  }
};
