import { BY_STUDIO } from '$lib/schema/kept-pages';
import { runAs } from '$lib/server/http';
import { readToday } from '$lib/server/usecase/desk';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readToday, { auditionId: event.params.audition }),
  answeredBy: BY_STUDIO
});
