import { ask } from '$lib/server/http';
import { readHead, readPaper } from '$lib/server/usecase/countback';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = (event) => {
  const { audition } = event.params;
  return {
    head: ask(event, readHead, { auditionId: audition }),
    paper: ask(event, readPaper, { auditionId: audition })
  };
};
