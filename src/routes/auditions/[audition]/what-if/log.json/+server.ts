import { json } from '@sveltejs/kit';
import { ask } from '$lib/server/http';
import { readScratch } from '$lib/server/usecase/what-if';
import type { RequestHandler } from './$types';

/** The log a scratch plan is laid from, asked by the worker itself: years of touches would weigh the page down. */
export const GET: RequestHandler = (event) =>
  json(ask(event, readScratch, { auditionId: event.params.audition }).request.log);
