import { fail, redirect } from '@sveltejs/kit';
import { superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { factsForm } from '$lib/schema/forms';
import { wishForm } from '$lib/schema/lesson-form';
import { theApp } from '$lib/server/context';
import { ERRORS } from '$lib/server/errors';
import { answerForm, ask } from '$lib/server/http';
import { addWish, dropWish, readHome } from '$lib/server/usecase/lesson';
import { makeJoinLink } from '$lib/server/usecase/sign-in';
import {
  archiveCandidate,
  eraseCandidate,
  readCandidate,
  readFacts,
  saveFacts
} from '$lib/server/usecase/studio';
import type { Undo } from '$lib/schema/view';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const { candidate: candidateId } = event.params;
  const view = { ...ask(event, readCandidate, { candidateId }), home: ask(event, readHome, { candidateId }) };
  if (event.locals.who.kind !== 'teacher') return { ...view, facts: null, zones: [] };
  const { candidate, privateNote } = ask(event, readFacts, { candidateId });
  const { name, instruments, zone, isMinor, guardian, consentOn, factsVersion: version } = candidate;
  const filled = {
    name,
    instruments,
    zone,
    isMinor,
    guardian,
    privateNote,
    version,
    consentOn: consentOn ?? ''
  };
  return {
    ...view,
    zones: Intl.supportedValuesOf('timeZone'),
    facts: await superValidate(filled, zod4(factsForm), { errors: false })
  };
};

export const actions: Actions = {
  link: (event) => {
    const token = ask(event, makeJoinLink, { candidateId: event.params.candidate });
    return { link: `${event.url.origin}/join/${token}` };
  },
  facts: async (event) => {
    const form = await superValidate(event.request, zod4(factsForm));
    if (!form.valid) return fail(400, { form });
    const candidateId = event.params.candidate;
    const { version, consentOn, ...facts } = form.data;
    const answer = await answerForm(form, () =>
      saveFacts(theApp(), event.locals.who, {
        candidateId,
        facts: { ...facts, consentOn: consentOn || null },
        version
      })
    );
    const { factsVersion } = ask(event, readFacts, { candidateId }).candidate;
    form.data.version = factsVersion;
    return 'failed' in answer ? answer.failed : { form, saved: answer.done };
  },
  wish: async (event) => {
    const read = wishForm.safeParse(Object.fromEntries(await event.request.formData()));
    if (!read.success) return fail(400, { wishFault: read.error.issues[0]!.message });
    const wishId = ask(event, addWish, { candidateId: event.params.candidate, says: read.data.says });
    const undo: Undo = { says: 'The wish waits for your teacher.', action: 'dropWish', fields: { wishId } };
    return { undo };
  },
  dropWish: async (event) => {
    const wishId = String((await event.request.formData()).get('wishId') ?? '');
    ask(event, dropWish, { wishId });
  },
  archive: async (event) => {
    const isBack = (await event.request.formData()).get('back') === '1';
    ask(event, archiveCandidate, { candidateId: event.params.candidate, isBack });
  },
  erase: async (event) => {
    const typed = String((await event.request.formData()).get('typed') ?? '');
    const candidateId = event.params.candidate;
    const { candidate } = ask(event, readFacts, { candidateId });
    if (typed.trim() !== candidate.name) return fail(400, { eraseFault: ERRORS['name-not-typed'] });
    ask(event, eraseCandidate, { candidateId, typed });
    redirect(303, '/studio');
  }
};
