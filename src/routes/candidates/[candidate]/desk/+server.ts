import { json } from '@sveltejs/kit';
import { deskEvents } from '$lib/schema/desk';
import { allow, jsonOf, runAs } from '$lib/server/http';
import { keepDeskEvents } from '$lib/server/usecase/desk';
import type { RequestHandler } from './$types';

/** What a desk sends: kept, each event once, and answered with what is kept. */
export const POST: RequestHandler = async (event) => {
  const { candidate: candidateId } = event.params;
  allow(event, keepDeskEvents, { candidateId });
  const { events } = await jsonOf(event, deskEvents);
  return json(runAs(event, keepDeskEvents, { candidateId, events }));
};
