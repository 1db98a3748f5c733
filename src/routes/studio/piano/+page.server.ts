import { runAs } from '$lib/server/http';
import { readPianoSheets } from '$lib/server/usecase/piano';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({ sheets: runAs(event, readPianoSheets, {}) });
