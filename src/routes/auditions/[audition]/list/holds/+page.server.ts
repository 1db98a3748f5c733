import { fail, redirect } from '@sveltejs/kit';
import { holdsForm, sayHoldsFault } from '$lib/schema/holds-form';
import { isTeaching } from '$lib/server/app';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm, refuseForm } from '$lib/server/form/form';
import { allow, formOf, runAs } from '$lib/server/http';
import { readLastTimes } from '$lib/server/usecase/before';
import { prepareHolds, sayHolds } from '$lib/server/usecase/list';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const { audition: auditionId } = event.params;
  const asked = runAs(event, prepareHolds, { auditionId });
  const rows = asked.map(({ itemId, sectionId }) => ({ itemId, sectionId, bpm: null }));
  return {
    asked,
    times: runAs(event, readLastTimes, { auditionId }),
    form: await fillForm(holdsForm, { rows, heardBy: isTeaching(event.locals.who) ? 'teacher' : 'self' })
  };
};

export const actions: Actions = {
  save: async (event) => {
    allow(event, sayHolds, undefined);
    const auditionId = event.params.audition;
    const form = await formOf(event, holdsForm);
    if (!form.valid) return fail(400, { form });
    const asked = runAs(event, prepareHolds, { auditionId });
    const faults = form.data.rows.flatMap(({ itemId, sectionId, bpm }, i) => {
      const one = asked.find((section) => section.itemId === itemId && section.sectionId === sectionId);
      const says = one ? sayHoldsFault(bpm, one.target.unit) : 'This section is no longer on the list.';
      return says ? [{ path: ['rows', i, 'bpm'], says }] : [];
    });
    if (faults.length > 0) return refuseForm(form, faults);
    const holds = form.data.rows.flatMap(({ bpm, ...row }) => (bpm === null ? [] : [{ ...row, bpm }]));
    const input = { auditionId, evidence: form.data.heardBy, holds };
    const answer = await answerForm(form, () => sayHolds(theApp(), event.locals.who, input));
    if ('failed' in answer) return answer.failed;
    redirect(303, `/auditions/${auditionId}${answer.done ? `?undo=${answer.done}` : ''}`);
  }
};
