import { fail, redirect } from '@sveltejs/kit';
import type { SeasonRequest } from '$lib/core/season';
import { changesText } from '$lib/schema/changes';
import { allow, runAs, fieldsOf, sayRefusal } from '$lib/server/http';
import { readCountback } from '$lib/server/usecase/countback';
import { proposedByWish } from '$lib/server/usecase/wish';
import { keepChanges, readScratch } from '$lib/server/usecase/what-if';
import type { Actions, PageServerLoad } from './$types';

const withoutLog = ({ log: _, ...facts }: SeasonRequest) => facts;

export const load: PageServerLoad = (event) => {
  const { audition: auditionId } = event.params;
  const wishId = event.url.searchParams.get('wish');
  const proposed = wishId ? runAs(event, proposedByWish, { wishId }) : null;
  // what it is about may stand on another of the candidate's lists
  if (proposed && proposed.auditionId !== auditionId && 'items' in proposed.changes)
    redirect(303, `/auditions/${proposed.auditionId}/what-if?wish=${wishId}`);
  const { request, parts, plan } = runAs(event, readScratch, { auditionId });
  const facts = withoutLog(request);
  // the page writes the same facts once
  const slim = parts.map(({ request: own, ...part }) => ({
    ...part,
    facts: own === request ? facts : withoutLog(own)
  }));
  return {
    /** What a wish asks for, to begin with. */
    proposed: proposed?.changes ?? null,
    scratch: { facts, parts: slim, plan },
    view: runAs(event, readCountback, { auditionId })
  };
};

export const actions: Actions = {
  keep: async (event) => {
    const { audition: auditionId } = event.params;
    allow(event, keepChanges, { auditionId });
    const read = changesText.safeParse((await fieldsOf(event)).get('changes'));
    if (!read.success) return fail(400, { says: read.error.issues[0]!.message });
    let token: string;
    try {
      token = runAs(event, keepChanges, { auditionId, changes: read.data });
    } catch (thrown) {
      return fail(400, { says: sayRefusal(thrown) });
    }
    redirect(303, `/auditions/${auditionId}?undo=${token}`);
  }
};
