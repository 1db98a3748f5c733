import { randomUUID } from 'node:crypto';
import { fail, redirect } from '@sveltejs/kit';
import { type StoredTime, fillTimeForm, readTimeForm, timeForm } from '$lib/schema/time-form';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm } from '$lib/server/form/form';
import { allow, runAs, formOf } from '$lib/server/http';
import { readHead } from '$lib/server/usecase/countback';
import { readCandidate, saveTime } from '$lib/server/usecase/studio';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const { candidate, today, auditions } = runAs(event, readCandidate, {
    candidateId: event.params.candidate
  });
  const from = auditions.find((a) => a.id === event.url.searchParams.get('from')) ?? null;
  return {
    candidate,
    today,
    head: from && runAs(event, readHead, { auditionId: from.id }),
    form: await fillForm(timeForm, fillTimeForm(candidate.time, candidate.timeVersion))
  };
};

/** Fundamentals that are new get an id, and so does one whose id another has. */
function withIds(time: StoredTime): StoredTime {
  const seen = new Set<string>();
  const rotation = time.rotation?.map((one) => {
    const isNew = one.id === '' || one.id.startsWith('new-') || seen.size === seen.add(one.id).size;
    return isNew ? { ...one, id: randomUUID() } : one;
  });
  return { ...time, ...(rotation ? { rotation } : {}) };
}

export const actions: Actions = {
  save: async (event) => {
    const candidateId = event.params.candidate;
    allow(event, saveTime, { candidateId });
    const form = await formOf(event, timeForm);
    if (!form.valid) return fail(400, { form });
    const answer = await answerForm(form, () =>
      saveTime(theApp(), event.locals.who, {
        candidateId,
        time: withIds(readTimeForm(form.data)),
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
