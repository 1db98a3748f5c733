/** Every request: who asks, a few headers, and unknown errors logged under the id the page shows. */
import type { Handle, HandleServerError, RequestEvent, ServerInit } from '@sveltejs/kit';
import { NOBODY } from '$lib/server/app';
import { theApp } from '$lib/server/context';
import { SESSION_COOKIE } from '$lib/server/http';
import { serverLog } from '$lib/server/log';
import { readSession } from '$lib/server/usecase/sign-in';

export const init: ServerInit = () => void theApp();

const MOST_BYTES = 2 * 1024 * 1024;
/** The one page that takes a large file answers for it itself. */
const TAKES_FILES = '/studio/archive';

/** What a body may have; null where it is no more. */
function refuseBody({ request, url }: RequestEvent): Response | null {
  if (!request.body || url.pathname === TAKES_FILES) return null;
  const length = request.headers.get('content-length');
  if (length === null) return new Response('Say how long the request is.', { status: 411 });
  if (Number(length) <= MOST_BYTES) return null;
  return new Response('That is more than 2 MB of text. Nothing was saved; send less at once.', {
    status: 413
  });
}

export const handle: Handle = async ({ event, resolve }) => {
  const refused = refuseBody(event);
  if (refused) return refused;
  const token = event.cookies.get(SESSION_COOKIE);
  event.locals.who = token ? readSession(theApp(), NOBODY, { token }) : NOBODY;
  const response = await resolve(event);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  if (event.locals.who.kind !== 'nobody') response.headers.set('cache-control', 'private, no-store');
  return response;
};

export const handleError: HandleServerError = ({ error, status, event }) => {
  if (status === 404) return { message: 'There is no such page.' };
  const id = theApp().newId().slice(0, 8);
  serverLog.error({ id, route: event.route.id, err: error }, 'unknown error');
  return { message: 'Something went wrong here. What you sent may not be saved; go back and try again.', id };
};
