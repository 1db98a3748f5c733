import { json } from '@sveltejs/kit';
import { runAs } from '$lib/server/http';
import { readScratch } from '$lib/server/usecase/what-if';
import type { RequestHandler } from './$types';

/** The logs a scratch plan is laid from, asked by the worker itself: years of touches would weigh the page down. */
export const GET: RequestHandler = (event) => {
  const { parts } = runAs(event, readScratch, { auditionId: event.params.audition });
  return json(parts.map((part) => part.request.log));
};
