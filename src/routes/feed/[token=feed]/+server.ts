import { runAsHolder } from '$lib/server/http';
import { readFeed } from '$lib/server/usecase/calendar';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) => {
  const token = event.params.token.replace(/\.ics$/, '');
  const text = runAsHolder(event, 'feed', token, readFeed, {
    by: event.url.searchParams.get('by') === 'block' ? 'block' : 'day'
  });
  return new Response(text, { headers: { 'content-type': 'text/calendar; charset=utf-8' } });
};
