import { runAs } from '$lib/server/http';
import { readPianoSheet } from '$lib/server/usecase/piano';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  sheet: runAs(event, readPianoSheet, { auditionId: event.params.audition })
});
