import { runAs } from '$lib/server/http';
import { readNoteSheets } from '$lib/server/usecase/lesson';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({ sheets: runAs(event, readNoteSheets, {}) });
