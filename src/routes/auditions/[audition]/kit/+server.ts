import { createHash } from 'node:crypto';
import { runAs } from '$lib/server/http';
import { readKit } from '$lib/server/usecase/kit';
import type { RequestHandler } from './$types';

/** What a device keeps of an audition; 304 where it has it as it is. */
export const GET: RequestHandler = (event) => {
  const body = JSON.stringify(runAs(event, readKit, { auditionId: event.params.audition }));
  const etag = `"${createHash('sha256').update(body).digest('base64url')}"`;
  if (event.request.headers.get('if-none-match') === etag)
    return new Response(null, { status: 304, headers: { etag } });
  return new Response(body, { headers: { 'content-type': 'application/json', etag } });
};
