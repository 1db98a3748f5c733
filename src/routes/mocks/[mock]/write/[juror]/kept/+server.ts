import { ballotSent } from '$lib/schema/mock';
import { allow, jsonOf, runAs } from '$lib/server/http';
import { putBallotByHand } from '$lib/server/usecase/ballot';
import type { RequestHandler } from './$types';

/** What is written in by hand of one item, as it is written; sent again until it has come. */
export const POST: RequestHandler = async (event) => {
  const { mock: mockId, juror: jurorId } = event.params;
  allow(event, putBallotByHand, { mockId });
  const { ballot } = await jsonOf(event, ballotSent);
  runAs(event, putBallotByHand, { mockId, jurorId, ballot });
  return new Response(null, { status: 204 });
};
