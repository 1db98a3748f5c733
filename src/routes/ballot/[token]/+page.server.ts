import { runAsHolder } from '$lib/server/http';
import { readBallot } from '$lib/server/usecase/ballot';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAsHolder(event, 'juror', event.params.token, readBallot, {})
});
