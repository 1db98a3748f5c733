import { runAs } from '$lib/server/http';
import { readCountback } from '$lib/server/usecase/countback';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readCountback, {
    auditionId: event.params.audition,
    number: Number(event.params.number)
  })
});
