/** Every request: who asks, a few headers, and unknown errors logged under the id the page shows. */
import type { Handle, HandleServerError, ServerInit } from '@sveltejs/kit';
import { NOBODY } from '$lib/server/app';
import { theApp } from '$lib/server/context';
import { SESSION_COOKIE } from '$lib/server/http';
import { serverLog } from '$lib/server/log';
import { readSession } from '$lib/server/usecase/sign-in';

export const init: ServerInit = () => void theApp();

export const handle: Handle = async ({ event, resolve }) => {
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
