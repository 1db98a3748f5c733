import { json } from '@sveltejs/kit';
import { runAsHolder } from '$lib/server/http';
import { readBallots } from '$lib/server/usecase/ballot';
import type { RequestHandler } from './$types';

/** Where the run stands, for who hears it. */
export const GET: RequestHandler = (event) =>
  json(runAsHolder(event, 'juror', event.params.token, readBallots, {}));
