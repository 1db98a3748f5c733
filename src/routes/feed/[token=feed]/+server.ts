import { runAs } from '$lib/server/http';
import { readFeed } from '$lib/server/usecase/calendar';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) => {
  const text = runAs(event, readFeed, { token: event.params.token.replace(/\.ics$/, '') });
  return new Response(text, {
    headers: { 'content-type': 'text/calendar; charset=utf-8', 'cache-control': 'private, no-store' }
  });
};
