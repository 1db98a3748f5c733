import { runAsHolder } from '$lib/server/http';
import { readSubstitute } from '$lib/server/usecase/visit';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  lesson: runAsHolder(event, 'substitute', event.params.token, readSubstitute, {})
});
