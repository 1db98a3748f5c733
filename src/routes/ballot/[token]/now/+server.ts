import { json } from '@sveltejs/kit';
import { runAsHolder } from '$lib/server/http';
import { readBallots } from '$lib/server/usecase/ballot';
import type { RequestHandler } from './$types';

/** Where the run stands, and whether the ballot is still written on the device that asks, for who hears it. */
export const GET: RequestHandler = (event) => {
  const device = event.url.searchParams.get('device') ?? undefined;
  return json(runAsHolder(event, 'juror', event.params.token, readBallots, { device }));
};
