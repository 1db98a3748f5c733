import { marksSent } from '$lib/schema/take';
import { allow, jsonOf, runAs } from '$lib/server/http';
import { putMarks } from '$lib/server/usecase/takes';
import type { RequestHandler } from './$types';

/** Marks of whoever listens, as they are made. */
export const POST: RequestHandler = async (event) => {
  const about = { takeId: event.params.take };
  allow(event, putMarks, about);
  runAs(event, putMarks, { ...about, ...(await jsonOf(event, marksSent)) });
  return new Response(null, { status: 204 });
};
