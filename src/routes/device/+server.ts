import { json } from '@sveltejs/kit';
import { runAs } from '$lib/server/http';
import { hearDevice } from '$lib/server/usecase/kit';
import type { RequestHandler } from './$types';

/** What a device of whoever is signed in is to keep; that it asked is noted. */
export const POST: RequestHandler = (event) => json(runAs(event, hearDevice, {}));
