import { error, json } from '@sveltejs/kit';
import { deskEvents } from '$lib/schema/desk';
import { ERRORS } from '$lib/server/errors';
import { allow, runAs } from '$lib/server/http';
import { STATUS } from '$lib/server/status';
import { keepDeskEvents } from '$lib/server/usecase/desk';
import type { RequestHandler } from './$types';

/** What a desk sends: kept, each event once, and answered with what is kept. */
export const POST: RequestHandler = async (event) => {
  const { candidate: candidateId } = event.params;
  allow(event, keepDeskEvents, { candidateId });
  // a kind that no other site can send without asking first
  const isJson = event.request.headers.get('content-type')?.startsWith('application/json') === true;
  const read = deskEvents.safeParse(isJson ? await event.request.json().catch(() => null) : null);
  if (!read.success) error(STATUS['form-unreadable'], { message: ERRORS['form-unreadable'] });
  return json(runAs(event, keepDeskEvents, { candidateId, events: read.data.events }));
};
