import { peaksSent } from '$lib/schema/take';
import { allow, jsonOf, runAs } from '$lib/server/http';
import { putPeaks } from '$lib/server/usecase/takes';
import type { RequestHandler } from './$types';

/** The outline of a take's sound, from the device that first played it. */
export const POST: RequestHandler = async (event) => {
  const about = { takeId: event.params.take };
  allow(event, putPeaks, about);
  runAs(event, putPeaks, { ...about, ...(await jsonOf(event, peaksSent)) });
  return new Response(null, { status: 204 });
};
