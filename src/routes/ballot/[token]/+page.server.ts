import { runAsHolder } from '$lib/server/http';
import { readBallots } from '$lib/server/usecase/ballot';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAsHolder(event, 'juror', event.params.token, readBallots, {})
});
