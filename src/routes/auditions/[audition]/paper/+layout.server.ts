import { runAs } from '$lib/server/http';
import { readHead, readPaper } from '$lib/server/usecase/countback';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = (event) => {
  const { audition } = event.params;
  return {
    head: runAs(event, readHead, { auditionId: audition }),
    paper: runAs(event, readPaper, { auditionId: audition })
  };
};
