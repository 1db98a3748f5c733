import { runAs } from '$lib/server/http';
import { readEveningPaper } from '$lib/server/usecase/evening';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  ballots: runAs(event, readEveningPaper, { evening: event.params.evening }),
  home: `/studio/evening/${event.params.evening}`
});
