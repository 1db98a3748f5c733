import { runAs } from '$lib/server/http';
import { readComparison } from '$lib/server/usecase/countback';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => {
  const number = (name: string) => Number(event.url.searchParams.get(name));
  return {
    view: runAs(event, readComparison, { auditionId: event.params.audition, a: number('a'), b: number('b') })
  };
};
