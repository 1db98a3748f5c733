import { json } from '@sveltejs/kit';
import { runAs } from '$lib/server/http';
import { readMock } from '$lib/server/usecase/mocks';
import type { RequestHandler } from './$types';

/** Where the run stands, for its screens. */
export const GET: RequestHandler = (event) =>
  json(runAs(event, readMock, { mockId: event.params.mock }).mock);
