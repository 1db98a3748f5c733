import { json } from '@sveltejs/kit';
import { deskEvents, readDeskEvents } from '$lib/schema/desk';
import { allow, jsonOf, runAs } from '$lib/server/http';
import { keepDeskEvents } from '$lib/server/usecase/desk';
import type { RequestHandler } from './$types';

/** What a desk sends: kept, each event once, and answered with what is kept. */
export const POST: RequestHandler = async (event) => {
  const { candidate: candidateId } = event.params;
  allow(event, keepDeskEvents, { candidateId });
  const { events, refused } = readDeskEvents((await jsonOf(event, deskEvents)).events);
  const answer = runAs(event, keepDeskEvents, { candidateId, events });
  return json({ ...answer, refused: [...refused, ...answer.refused] });
};
