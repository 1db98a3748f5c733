import { runAs } from '$lib/server/http';
import { readBallotByHand } from '$lib/server/usecase/ballot';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) =>
  runAs(event, readBallotByHand, { mockId: event.params.mock, jurorId: event.params.juror });
