import { runAs } from '$lib/server/http';
import { readMock } from '$lib/server/usecase/mocks';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readMock, { mockId: event.params.mock })
});
