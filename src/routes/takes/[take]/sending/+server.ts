import { theReceiver } from '$lib/server/context';
import { runAs } from '$lib/server/http';
import { maySend } from '$lib/server/usecase/takes';
import type { RequestHandler } from './$types';

/** A take's sound, in pieces that go on where the line broke (tus): how far it is, begun, and gone on with. */
const receive: RequestHandler = (event) => {
  const bytes = Number(event.request.headers.get('upload-length') ?? 0);
  runAs(event, maySend, { takeId: event.params.take, bytes });
  return theReceiver().handleWeb(event.request);
};
export const HEAD = receive;
export const POST = receive;
export const PATCH = receive;
