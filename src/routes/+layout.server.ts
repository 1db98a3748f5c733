import { theApp } from '$lib/server/context';
import { runAs } from '$lib/server/http';
import { readDraftKey } from '$lib/server/usecase/sign-in';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = (event) => {
  const { who } = event.locals;
  return {
    who:
      who.kind === 'nobody'
        ? null
        : {
            kind: who.kind,
            name: who.name,
            /** Teacher and candidate in one. */
            isAlone: who.kind === 'teacher' && who.plays !== undefined,
            isPutAway: who.kind === 'candidate' && who.isPutAway,
            drafts: { accountId: who.accountId, key: runAs(event, readDraftKey, {}) }
          },
    isDemo: theApp().isDemo
  };
};
