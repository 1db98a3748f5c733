import { runAs } from '$lib/server/http';
import { readVersions } from '$lib/server/usecase/countback';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => {
  const before = Number(event.url.searchParams.get('before')) || undefined;
  return { view: runAs(event, readVersions, { auditionId: event.params.audition, before }) };
};
