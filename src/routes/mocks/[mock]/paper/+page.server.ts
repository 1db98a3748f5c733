import { runAs } from '$lib/server/http';
import { readPaperBallots } from '$lib/server/usecase/ballot';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => {
  const { auditionId, ballots } = runAs(event, readPaperBallots, { mockId: event.params.mock });
  return { ballots, home: `/auditions/${auditionId}/mocks` };
};
