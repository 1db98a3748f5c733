import { runAs } from '$lib/server/http';
import { readPair } from '$lib/server/usecase/takes';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readPair, { auditionId: event.params.audition, itemId: event.params.item })
});
