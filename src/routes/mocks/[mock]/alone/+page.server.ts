import { runAs } from '$lib/server/http';
import { readAlone } from '$lib/server/usecase/mocks';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readAlone, { mockId: event.params.mock })
});
