import { fail, redirect } from '@sveltejs/kit';
import { factsForm, visitForm } from '$lib/schema/forms';
import { asksOf, wishForm } from '$lib/schema/lesson-form';
import { theApp } from '$lib/server/context';
import { ERRORS } from '$lib/server/errors';
import { answerForm, fillForm } from '$lib/server/form/form';
import { allow, runAs, fieldsOf, formOf, sayRefusal } from '$lib/server/http';
import { readHome } from '$lib/server/usecase/lesson';
import { addWish } from '$lib/server/usecase/wish';
import { endVisit, makeVisit } from '$lib/server/usecase/visit';
import { linkFor } from '$lib/server/reach';
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
  const view = {
    ...runAs(event, readCandidate, { candidateId }),
    home: runAs(event, readHome, { candidateId })
  };
  if (event.locals.who.kind !== 'teacher')
    return { ...view, facts: null, zones: [], joinUntil: null, visits: null };
  const { candidate, privateNote, joinUntil, visits } = runAs(event, readFacts, { candidateId });
  const {
    name,
    instruments,
    zone,
    isMinor,
    guardian,
    consentOn,
    sharingOn,
    factsVersion: version
  } = candidate;
  const filled = {
    name,
    instruments,
    zone,
    isMinor,
    guardian,
    privateNote,
    version,
    consentOn: consentOn ?? '',
    sharingOn: sharingOn ?? ''
  };
  return {
    ...view,
    joinUntil,
    visits,
    zones: Intl.supportedValuesOf('timeZone'),
    facts: await fillForm(factsForm, filled)
  };
};

/** Another kind of wish than there is was not typed. */
const sayWishFault = ({ issues }: { issues: readonly { code?: string; message: string }[] }) =>
  issues[0]!.code === 'invalid_union' ? 'Choose what you wish for.' : issues[0]!.message;

export const actions: Actions = {
  link: (event) => {
    const token = runAs(event, makeJoinLink, { candidateId: event.params.candidate });
    return { link: linkFor(event.url, `/join/${token}`) };
  },
  visit: async (event) => {
    allow(event, makeVisit, undefined);
    const read = visitForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { visitFault: read.error.issues[0]!.message });
    const { kind, until } = read.data;
    try {
      const asked = { candidateId: event.params.candidate, kind, until: until || undefined };
      const token = runAs(event, makeVisit, asked);
      const path = kind === 'guardian' ? `/week/${token}` : `/substitute/${token}`;
      return { visit: { kind, link: linkFor(event.url, path) } };
    } catch (thrown) {
      return fail(400, { visitFault: sayRefusal(thrown) });
    }
  },
  endVisit: async (event) => {
    allow(event, endVisit, undefined);
    const read = visitForm.safeParse({ ...(await fieldsOf(event)).record(), until: '' });
    if (!read.success) return fail(400, { visitFault: read.error.issues[0]!.message });
    runAs(event, endVisit, { candidateId: event.params.candidate, kind: read.data.kind });
  },
  facts: async (event) => {
    allow(event, saveFacts, undefined);
    const form = await formOf(event, factsForm);
    if (!form.valid) return fail(400, { form });
    const candidateId = event.params.candidate;
    const { version, consentOn, sharingOn, ...facts } = form.data;
    const answer = await answerForm(form, () =>
      saveFacts(theApp(), event.locals.who, {
        candidateId,
        facts: { ...facts, consentOn: consentOn || null, sharingOn: sharingOn || null },
        version
      })
    );
    const { factsVersion } = runAs(event, readFacts, { candidateId }).candidate;
    form.data.version = factsVersion;
    return 'failed' in answer ? answer.failed : { form, saved: answer.done };
  },
  wish: async (event) => {
    const { candidate: candidateId } = event.params;
    allow(event, addWish, { candidateId });
    const read = wishForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { wishFault: sayWishFault(read.error) });
    try {
      const token = runAs(event, addWish, { candidateId, says: read.data.says, asks: asksOf(read.data) });
      const undo: Undo = { says: 'The wish waits for your teacher.', token };
      return { undo };
    } catch (thrown) {
      return fail(400, { wishFault: sayRefusal(thrown) });
    }
  },
  archive: async (event) => {
    allow(event, archiveCandidate, undefined);
    const isBack = (await fieldsOf(event)).get('back') === '1';
    runAs(event, archiveCandidate, { candidateId: event.params.candidate, isBack });
  },
  erase: async (event) => {
    const candidateId = event.params.candidate;
    const { candidate } = runAs(event, readFacts, { candidateId });
    const typed = (await fieldsOf(event)).get('typed');
    if (typed.trim() !== candidate.name) return fail(400, { eraseFault: ERRORS['name-not-typed'] });
    runAs(event, eraseCandidate, { candidateId, typed });
    redirect(303, '/studio');
  }
};
