import { ask } from '$lib/server/http';
import { makeJoinLink } from '$lib/server/usecase/sign-in';
import { readCandidate } from '$lib/server/usecase/studio';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) =>
  ask(event, readCandidate, { candidateId: event.params.candidate });

export const actions: Actions = {
  link: (event) => {
    const token = ask(event, makeJoinLink, { candidateId: event.params.candidate });
    return { link: `${event.url.origin}/join/${token}` };
  }
};
