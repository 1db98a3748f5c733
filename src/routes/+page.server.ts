import { redirect } from '@sveltejs/kit';
import { runAs } from '$lib/server/http';
import { findFirstAudition } from '$lib/server/usecase/desk';
import { isNewStudio } from '$lib/server/usecase/sign-in';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => {
  const { who } = event.locals;
  const candidateId =
    who.kind === 'candidate' ? who.candidateId : who.kind === 'teacher' ? who.plays : undefined;
  if (candidateId !== undefined) {
    const first = runAs(event, findFirstAudition, { candidateId });
    redirect(303, first ? `/auditions/${first}/today` : `/candidates/${candidateId}`);
  }
  if (who.kind === 'teacher') redirect(303, '/studio');
  redirect(303, runAs(event, isNewStudio, undefined as void) ? '/new-studio' : '/sign-in');
};
