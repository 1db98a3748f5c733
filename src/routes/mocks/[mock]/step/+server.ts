import { stepSent } from '$lib/schema/mock';
import { allow, jsonOf, runAs } from '$lib/server/http';
import { stepMock } from '$lib/server/usecase/mocks';
import type { RequestHandler } from './$types';

/** A step of a run that a device records, sent again until it has come. */
export const POST: RequestHandler = async (event) => {
  const mockId = event.params.mock;
  allow(event, stepMock, { mockId });
  const { to, takeId } = await jsonOf(event, stepSent);
  runAs(event, stepMock, { mockId, to, until: { takeId } });
  return new Response(null, { status: 204 });
};
