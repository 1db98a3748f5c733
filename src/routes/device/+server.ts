import { json } from '@sveltejs/kit';
import { runAs } from '$lib/server/http';
import { readKeptHere } from '$lib/server/usecase/kit';
import type { RequestHandler } from './$types';

/** What a device of whoever is signed in keeps. */
export const GET: RequestHandler = (event) => json(runAs(event, readKeptHere, {}));
