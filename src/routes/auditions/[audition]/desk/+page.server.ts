import { runAs } from '$lib/server/http';
import { readToday } from '$lib/server/usecase/desk';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readToday, { auditionId: event.params.audition })
});
