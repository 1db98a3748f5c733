/** The only place where error codes become HTTP, and where a request finds out who asks. */
import { error, fail, redirect } from '@sveltejs/kit';
import type { ActionFailure, Cookies, RequestEvent } from '@sveltejs/kit';
import { setError, type SuperValidated } from 'sveltekit-superforms';
import { type App, type Who } from './app';
import { theApp } from './context';
import { CodedError, ERRORS } from './errors';
import { STATUS } from './status';
import { SESSION_MS } from './usecase/sign-in';

export const SESSION_COOKIE = 'irvot_session';

export function putSession(cookies: Cookies, url: URL, token: string): void {
  cookies.set(SESSION_COOKIE, token, {
    path: '/',
    httpOnly: true,
    sameSite: 'lax',
    secure: url.protocol === 'https:',
    maxAge: SESSION_MS / 1000
  });
}

/** Calls a use case for a page: coded errors become the page's status, and who is not signed in is sent to do so. */
export function ask<Input, Output>(
  event: Pick<RequestEvent, 'locals' | 'url'>,
  useCase: (app: App, who: Who, input: Input) => Output,
  input: Input
): Output {
  try {
    return useCase(theApp(), event.locals.who, input);
  } catch (thrown) {
    if (!(thrown instanceof CodedError)) throw thrown;
    if (thrown.code === 'not-signed-in')
      redirect(303, `/sign-in?to=${encodeURIComponent(event.url.pathname)}`);
    error(STATUS[thrown.code], { message: thrown.message });
  }
}

/** A zip to be saved under a name. */
export function sendZip(bytes: Uint8Array, fileName: string): Response {
  return new Response(bytes as Uint8Array<ArrayBuffer>, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(fileName)}`
    }
  });
}

/** Runs what a form asks for; a coded error comes back to the form (at `field`, or above it), with all that was typed. */
export async function answerForm<T extends Record<string, unknown>, Output>(
  form: SuperValidated<T>,
  run: () => Output | Promise<Output>,
  field = ''
): Promise<{ done: Output } | { failed: ActionFailure<{ form: SuperValidated<T> }> }> {
  try {
    return { done: await run() };
  } catch (thrown) {
    if (!(thrown instanceof CodedError)) throw thrown;
    const status = STATUS[thrown.code] as 400;
    setError(form, field as never, ERRORS[thrown.code], { status });
    return { failed: fail(status, { form }) };
  }
}

/** Puts faults at their fields, path by path, and answers with the form as it was typed. */
export function putFaults<T extends Record<string, unknown>>(
  form: SuperValidated<T>,
  faults: readonly { readonly path: readonly (string | number)[]; readonly says: string }[]
) {
  for (const { path, says } of faults) setError(form, fieldPath(path) as never, says);
  return fail(400, { form });
}

/** rounds, 0, date becomes rounds[0].date; a fault of a whole list lies on the list itself. */
function fieldPath(path: readonly (string | number)[]): string {
  const text = path.reduce<string>(
    (before, part) => (typeof part === 'number' ? `${before}[${part}]` : before ? `${before}.${part}` : part),
    ''
  );
  return path.length === 1 && (path[0] === 'sections' || path[0] === 'rounds') ? `${text}._errors` : text;
}
