/** The only place where error codes become HTTP, where a request finds out who asks, and where what it sends is let in. */
import { error, isHttpError, redirect } from '@sveltejs/kit';
import type { RequestEvent } from '@sveltejs/kit';
import type { z } from 'zod';
import { type App, NOBODY, type Person, type Who } from './app';
import { theApp } from './context';
import { CodedError } from './errors';
import { readFields } from './form/fields';
import { readForm } from './form/form';
import { type GrantKind, readHolder } from './grant/grant';
import { STATUS } from './status';
import { DEVICE_MS, SESSION_MS, noteSession, readSession } from './usecase/sign-in';
import type { UseCase } from './usecase/use-case';

type Answering = Pick<RequestEvent, 'cookies' | 'url'>;

/** Over https a cookie's name says that it is this host's alone and came the safe way. */
const prefixed = (name: string, { url }: Answering) => (url.protocol === 'https:' ? `__Host-${name}` : name);
const SESSION_COOKIE = 'irvot_session';

/** By which a device that has signed in before is known again. */
const DEVICE_COOKIE = 'irvot_device';

function putCookie(event: Answering, name: string, value: string, seconds: number): void {
  const secure = event.url.protocol === 'https:';
  const options = { path: '/', httpOnly: true, sameSite: 'lax' as const, secure, maxAge: seconds };
  event.cookies.set(prefixed(name, event), value, options);
}
const readCookie = (event: Answering, name: string) => event.cookies.get(prefixed(name, event));

export const putSession = (event: Answering, token: string) =>
  putCookie(event, SESSION_COOKIE, token, SESSION_MS / 1000);
/** The session's token; empty where there is none. */
export const sessionOf = (event: Answering) => readCookie(event, SESSION_COOKIE) ?? '';
export const endSessionHere = (event: Answering) =>
  event.cookies.delete(prefixed(SESSION_COOKIE, event), { path: '/' });
export const knownDeviceOf = (event: Answering) => readCookie(event, DEVICE_COOKIE);
export const putDevice = (event: Answering, secret: string) =>
  putCookie(event, DEVICE_COOKIE, secret, DEVICE_MS / 1000);

/** Who asks; their session is noted as used. */
export function whoAsks(event: Answering): Person {
  const token = sessionOf(event);
  const who = token ? readSession(theApp(), NOBODY, { token }) : NOBODY;
  try {
    if (who !== NOBODY) noteSession(theApp(), NOBODY, { token });
  } catch (thrown) {
    // where nothing more can be written, what is there can still be read
    if (!(thrown instanceof CodedError)) throw thrown;
  }
  return who;
}

/** Browser and system of who asks, in two words; for the list of where one is signed in. */
export function deviceOf({ request }: Pick<RequestEvent, 'request'>): string {
  const agent = (request.headers.get('user-agent') ?? '').slice(0, 400);
  const browser = ['Firefox', 'Edg', 'Chrome', 'Safari'].find((name) => agent.includes(`${name}/`));
  const system = ['iPhone', 'iPad', 'Android', 'Windows', 'Mac', 'Linux'].find((name) =>
    agent.includes(name)
  );
  return [browser?.replace('Edg', 'Edge') ?? 'a browser', system].filter(Boolean).join(' on ');
}

type Asking = Pick<RequestEvent, 'locals' | 'url'>;

/** Calls a use case for a page: coded errors become the page's status, and who is not signed in is sent to do so. */
export function runAs<Input, Output>(
  event: Asking,
  useCase: (app: App, who: Who, input: Input) => Output,
  input: Input
): Output {
  try {
    return useCase(theApp(), event.locals.who, input);
  } catch (thrown) {
    throw asHttp(event, thrown);
  }
}

/** The same for one that waits. */
export async function runWaiting<Input, Output>(
  event: Asking,
  useCase: (app: App, who: Who, input: Input) => Promise<Output>,
  input: Input
): Promise<Output> {
  try {
    return await useCase(theApp(), event.locals.who, input);
  } catch (thrown) {
    throw asHttp(event, thrown);
  }
}

/** The same for who holds a link or a secret address. */
export function runAsHolder<Input, Output>(
  event: Pick<RequestEvent, 'url'>,
  grant: GrantKind,
  token: string,
  useCase: (app: App, who: Who, input: Input) => Output,
  input: Input
): Output {
  try {
    return useCase(theApp(), readHolder(theApp(), grant, token), input);
  } catch (thrown) {
    throw asHttp(event, thrown);
  }
}

/** Refuses who may not, before anything of what they send is read. */
export function allow<About>(
  event: Asking,
  useCase: Pick<UseCase<never, unknown, About>, 'may'>,
  about: About
): void {
  runAs(event, useCase.may, about);
}

/** What a form of a page sent, checked. Call after `allow`. */
export async function formOf<S extends z.ZodObject>(event: RequestEvent, schema: S, id?: string) {
  return readForm(event.request, schema, id).catch((thrown: unknown) => {
    throw asHttp(event, thrown);
  });
}

/** The fields of a small form. Call after `allow`. */
export async function fieldsOf(event: RequestEvent, limits?: Parameters<typeof readFields>[1]) {
  return readFields(event.request, limits).catch((thrown: unknown) => {
    throw asHttp(event, thrown);
  });
}

/** What a script of a page sent as JSON, a kind that no other site can send without asking first. Call after `allow`. */
export async function jsonOf<S extends z.ZodType>(event: RequestEvent, schema: S): Promise<z.infer<S>> {
  const isJson = event.request.headers.get('content-type')?.startsWith('application/json') === true;
  const read = schema.safeParse(isJson ? await event.request.json().catch(() => null) : null);
  if (!read.success) throw asHttp(event, new CodedError('form-unreadable'));
  return read.data;
}

function asHttp({ url }: Pick<RequestEvent, 'url'>, thrown: unknown): unknown {
  if (!(thrown instanceof CodedError)) return thrown;
  try {
    if (thrown.code === 'not-signed-in') redirect(303, `/sign-in?to=${encodeURIComponent(url.pathname)}`);
    error(STATUS[thrown.code], { message: thrown.message });
  } catch (answer) {
    return answer;
  }
}

/** The sentence of a refusal a form can show in its place; anything else goes on its way. */
export function sayRefusal(thrown: unknown): string {
  if (isHttpError(thrown)) return thrown.body.message;
  throw thrown;
}

/** A path of this studio and nothing else; what leads elsewhere leads to the first page. */
export function ownPath(to: string, { url }: Pick<RequestEvent, 'url'>): string {
  if (!URL.canParse(to, url)) return '/';
  const { origin, pathname } = new URL(to, url);
  return origin === url.origin && !pathname.startsWith('//') ? pathname : '/';
}

/** A zip to be saved under a name, made as it is sent. */
export function sendZip(chunks: Generator<Uint8Array>, fileName: string): Response {
  const body = new ReadableStream<Uint8Array>({
    pull(stream) {
      const { done, value } = chunks.next();
      if (done) stream.close();
      else stream.enqueue(value);
    },
    cancel: () => void chunks.return(undefined)
  });
  return new Response(body, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(fileName)}`
    }
  });
}
