import { runAs } from '$lib/server/http';
import { readCalls } from '$lib/server/usecase/call';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({ calls: runAs(event, readCalls, {}) });
