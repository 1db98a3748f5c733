import { runAs } from '$lib/server/http';
import { readHead } from '$lib/server/usecase/countback';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = (event) => ({
  head: runAs(event, readHead, { auditionId: event.params.audition })
});
