/** Every request: how large it may be, who asks, that the plan it is about is of today, a few headers, and unknown errors logged under the id the page shows. */
import type { Handle, HandleServerError, RequestEvent, ServerInit } from '@sveltejs/kit';
import type { Who } from '$lib/server/app';
import { planReady, theApp } from '$lib/server/context';
import { Door } from '$lib/server/door';
import { ERRORS } from '$lib/server/errors';
import { MOST_FORM_BYTES } from '$lib/server/form/fields';
import { whoAsks } from '$lib/server/http';
import { MOST_LIST_BYTES } from '$lib/server/list-file';
import { serverLog } from '$lib/server/log';
import { STATUS } from '$lib/server/status';

export const init: ServerInit = () => void theApp();

const NO_SUCH_PAGE = 'There is no such page.';
/** A name, a sign-in name and a password. */
const MOST_BYTES_OF_NOBODY = 8 * 1024;
/** What a route takes that is no form, in bytes; one that counts for itself while it comes has no end here. */
const MOST_BYTES: Readonly<Record<string, number>> = {
  '/auditions/[audition]/list/import': MOST_FORM_BYTES + MOST_LIST_BYTES,
  '/studio/archive/take-in': Infinity,
  '/takes/[take]/sending': Infinity
};

/** A refusal before anything is read, in the shape in which the one who asks can show it. */
function refuse({ request }: RequestEvent, status: number, message: string): Response {
  const headers = { 'retry-after': '30' };
  if (request.headers.get('x-sveltekit-action') !== 'true')
    return new Response(message, {
      status,
      headers: { ...headers, 'content-type': 'text/plain; charset=utf-8' }
    });
  return Response.json({ type: 'error', error: { message } }, { status, headers });
}

/** What a body may have, by who sends it and where; null where it is no more. */
function refuseBody(event: RequestEvent, who: Who): Response | null {
  const { request, route } = event;
  const most = who.kind === 'nobody' ? MOST_BYTES_OF_NOBODY : (MOST_BYTES[route.id ?? ''] ?? MOST_FORM_BYTES);
  if (!request.body || most === Infinity) return null;
  const length = request.headers.get('content-length');
  if (length === null) return refuse(event, 411, 'Say how long the request is.');
  return Number(length) <= most ? null : refuse(event, STATUS['form-too-large'], ERRORS['form-too-large']);
}

/** Names that every object answers to, and the one the framework keeps for itself: no form of ours has them. */
function refuseAction(event: RequestEvent): Response | null {
  const name = [...event.url.searchParams.keys()].find((key) => key.startsWith('/'))?.slice(1);
  const isNone = name === 'default' || (name !== undefined && name in Object.prototype);
  return isNone ? refuse(event, 404, NO_SUCH_PAGE) : null;
}

/** Where a password is asked, and what is tried there costs much. By route: an address can be spelt in many ways. */
const DOORS: readonly (string | null)[] = ['/sign-in', '/new-studio', '/account', '/join/[token]'];
const door = new Door(Date.now, (ms) => new Promise((resolve) => setTimeout(resolve, ms)));

async function refuseCrowd(event: RequestEvent): Promise<Response | null> {
  if (event.request.method !== 'POST' || !DOORS.includes(event.route.id)) return null;
  const isIn = await door.enter(event.getClientAddress());
  return isIn ? null : refuse(event, STATUS['too-busy'], ERRORS['too-busy']);
}

export const handle: Handle = async ({ event, resolve }) => {
  event.locals.who = whoAsks(event);
  const refused = refuseBody(event, event.locals.who) ?? refuseAction(event) ?? (await refuseCrowd(event));
  const { audition } = event.params;
  if (!refused && audition && event.locals.who.kind !== 'nobody') await planReady(audition);
  const response = refused ?? (await resolve(event));
  response.headers.set('cache-control', 'private, no-store');
  if (response.headers.get('content-type') === 'text/html')
    response.headers.set('content-type', 'text/html; charset=utf-8');
  return response;
};

export const handleError: HandleServerError = ({ error, status, event }) => {
  if (status < 500) return { message: status === 404 ? NO_SUCH_PAGE : 'That cannot be read.' };
  const id = theApp().newId().slice(0, 8);
  serverLog.error({ id, route: event.route.id, err: error }, 'unknown error');
  return { message: 'Something went wrong here. What you sent may not be saved; go back and try again.', id };
};
