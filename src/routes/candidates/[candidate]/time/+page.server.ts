import { fail, redirect } from '@sveltejs/kit';
import { fillTimeForm, readTimeForm, timeForm } from '$lib/schema/time-form';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm } from '$lib/server/form/form';
import { allow, runAs, formOf } from '$lib/server/http';
import { readHead } from '$lib/server/usecase/countback';
import { readCandidate, saveTime } from '$lib/server/usecase/studio';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const { candidate, auditions } = runAs(event, readCandidate, { candidateId: event.params.candidate });
  const from = auditions.find((a) => a.id === event.url.searchParams.get('from')) ?? null;
  return {
    candidate,
    head: from && runAs(event, readHead, { auditionId: from.id }),
    form: await fillForm(timeForm, fillTimeForm(candidate.time, candidate.timeVersion))
  };
};

export const actions: Actions = {
  save: async (event) => {
    const candidateId = event.params.candidate;
    allow(event, saveTime, { candidateId });
    const form = await formOf(event, timeForm);
    if (!form.valid) return fail(400, { form });
    const answer = await answerForm(form, () =>
      saveTime(theApp(), event.locals.who, {
        candidateId,
        time: readTimeForm(form.data),
        version: form.data.version
      })
    );
    if ('failed' in answer) {
      form.data.version = runAs(event, readCandidate, { candidateId }).candidate.timeVersion;
      return answer.failed;
    }
    const { auditions } = runAs(event, readCandidate, { candidateId });
    const from = auditions.find((a) => a.id === event.url.searchParams.get('from'));
    const to = from ? `/auditions/${from.id}` : `/candidates/${candidateId}`;
    redirect(303, `${to}?undo=${answer.done}`);
  }
};
