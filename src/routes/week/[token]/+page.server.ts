import { runAsHolder } from '$lib/server/http';
import { readGuardianWeek } from '$lib/server/usecase/visit';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  week: runAsHolder(event, 'guardian', event.params.token, readGuardianWeek, {})
});
