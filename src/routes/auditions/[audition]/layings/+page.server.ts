import { ask } from '$lib/server/http';
import { readVersions } from '$lib/server/usecase/countback';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: ask(event, readVersions, { auditionId: event.params.audition })
});
