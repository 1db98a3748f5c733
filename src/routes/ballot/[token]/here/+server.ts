import { json } from '@sveltejs/kit';
import { ballotHere } from '$lib/schema/mock';
import { jsonOf, runAsHolder } from '$lib/server/http';
import { readBallots, takeBallotHere } from '$lib/server/usecase/ballot';
import type { RequestHandler } from './$types';

/** The ballot goes on on the device that asks; what is written of it so far comes along. */
export const POST: RequestHandler = async (event) => {
  const { token } = event.params;
  // a link that opens nothing lets nothing in
  runAsHolder(event, 'juror', token, readBallots, {});
  const { device } = await jsonOf(event, ballotHere);
  const { wasElsewhere } = runAsHolder(event, 'juror', token, takeBallotHere, { device });
  return json({ wasElsewhere, view: runAsHolder(event, 'juror', token, readBallots, { device }) });
};
