import { ballotSent } from '$lib/schema/mock';
import { jsonOf, runAsHolder } from '$lib/server/http';
import { putBallot, readBallots } from '$lib/server/usecase/ballot';
import type { RequestHandler } from './$types';

/** What a juror writes of one item, as it is written; sent again until it has come. */
export const POST: RequestHandler = async (event) => {
  const { token } = event.params;
  // a link that opens nothing lets nothing in
  runAsHolder(event, 'juror', token, readBallots, {});
  const { juror: jurorId, ballot, device } = await jsonOf(event, ballotSent);
  runAsHolder(event, 'juror', token, putBallot, { jurorId, ballot, device });
  return new Response(null, { status: 204 });
};
