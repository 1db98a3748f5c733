/** Every request: how large it may be, who asks, a few headers, and unknown errors logged under the id the page shows. */
import type { Handle, HandleServerError, RequestEvent, ServerInit } from '@sveltejs/kit';
import { type Who, NOBODY } from '$lib/server/app';
import { theApp } from '$lib/server/context';
import { MOST_FORM_BYTES } from '$lib/server/form/fields';
import { SESSION_COOKIE } from '$lib/server/http';
import { MOST_LIST_BYTES } from '$lib/server/list-file';
import { serverLog } from '$lib/server/log';
import { readSession } from '$lib/server/usecase/sign-in';

export const init: ServerInit = () => void theApp();

/** A name, a sign-in name and a password. */
const MOST_BYTES_OF_NOBODY = 8 * 1024;
/** The one address that takes a large file counts it while it comes. */
const TAKES_FILES = '/studio/archive/take-in';

/** What a body may have, by who sends it; null where it is no more. */
function refuseBody({ request, url }: RequestEvent, who: Who): Response | null {
  if (!request.body || (url.pathname === TAKES_FILES && who.kind === 'teacher')) return null;
  const length = request.headers.get('content-length');
  if (length === null) return new Response('Say how long the request is.', { status: 411 });
  const most = who.kind === 'nobody' ? MOST_BYTES_OF_NOBODY : MOST_FORM_BYTES + MOST_LIST_BYTES;
  if (Number(length) <= most) return null;
  return new Response('That is more than is taken here. Nothing was saved; send less at once.', {
    status: 413
  });
}

export const handle: Handle = async ({ event, resolve }) => {
  const token = event.cookies.get(SESSION_COOKIE);
  event.locals.who = token ? readSession(theApp(), NOBODY, { token }) : NOBODY;
  const response = refuseBody(event, event.locals.who) ?? (await resolve(event));
  response.headers.set('cache-control', 'private, no-store');
  if (response.headers.get('content-type') === 'text/html')
    response.headers.set('content-type', 'text/html; charset=utf-8');
  return response;
};

export const handleError: HandleServerError = ({ error, status, event }) => {
  if (status < 500) return { message: status === 404 ? 'There is no such page.' : 'That cannot be read.' };
  const id = theApp().newId().slice(0, 8);
  serverLog.error({ id, route: event.route.id, err: error }, 'unknown error');
  return { message: 'Something went wrong here. What you sent may not be saved; go back and try again.', id };
};
