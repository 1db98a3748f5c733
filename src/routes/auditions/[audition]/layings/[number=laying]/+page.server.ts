import { ask } from '$lib/server/http';
import { readCountback } from '$lib/server/usecase/countback';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: ask(event, readCountback, { auditionId: event.params.audition, number: Number(event.params.number) })
});
