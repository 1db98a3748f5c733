/** Somebody who asks a studio without a browser: with a cookie or none, a request at a time; and what there is to be asked. */
import { once } from 'node:events';
import { readFileSync, readdirSync } from 'node:fs';
import { type IncomingMessage, request as begin } from 'node:http';
import { join } from 'node:path';

/** Longer than any answer takes, however busy the machine: who hears nothing by then is kept waiting for ever. */
const WOULD_NOT_END_MS = 60_000;

export type Answer = {
  readonly status: number;
  readonly text: string;
  readonly headers: Headers;
  readonly ms: number;
};

/** A studio that is told to read it there believes each request to come from an address of its own. */
export const ADDRESS_HEADER = 'x-from';
let asked = 0;
const nextAddress = () => `10.${(asked >> 16) & 255}.${(asked >> 8) & 255}.${(asked += 1) & 255}`;

async function answerTo(
  { url, method }: Request,
  headers: Record<string, string>,
  bytes: Buffer | null
): Promise<Omit<Answer, 'ms'>> {
  const length = bytes && { 'content-length': bytes.length };
  const asking = begin(url, {
    method,
    agent: false,
    headers: { ...headers, ...length },
    signal: AbortSignal.timeout(WOULD_NOT_END_MS)
  });
  // what breaks before the answer is thrown below, what breaks in it by its reading
  asking.on('error', () => undefined);
  asking.end(bytes);
  const [answer] = (await once(asking, 'response')) as [IncomingMessage];
  const parts: Buffer[] = [];
  for await (const part of answer) parts.push(part as Buffer);
  const said = new Headers();
  for (let i = 0; i < answer.rawHeaders.length; i += 2)
    said.append(answer.rawHeaders[i]!, answer.rawHeaders[i + 1]!);
  return { status: answer.statusCode!, text: Buffer.concat(parts).toString('latin1'), headers: said };
}

export class Visitor {
  constructor(
    readonly name: string,
    private readonly origin: string,
    readonly cookie = ''
  ) {}

  /** Each over a connection of its own: one that breaks has been broken by the studio. */
  async ask(path: string, init: RequestInit = {}): Promise<Answer> {
    const began = performance.now();
    const own = { cookie: this.cookie, origin: this.origin, [ADDRESS_HEADER]: nextAddress() };
    const { method, headers, body } = init;
    const asked = new Request(this.origin + path, { method: method!, body: body! });
    const type = asked.headers.get('content-type');
    const all = { ...(type && { 'content-type': type }), ...own, ...(headers as Record<string, string>) };
    const bytes = body === undefined ? null : Buffer.from(await asked.arrayBuffer());
    try {
      return { ...(await answerTo(asked, all, bytes)), ms: performance.now() - began };
    } catch (thrown) {
      const sent = String(body).slice(0, 300);
      throw new Error(`no answer to ${this.name} asking ${path} with ${sent}`, { cause: thrown });
    }
  }

  /** As a page that runs sends a form. */
  send(path: string, body: RequestInit['body'], headers: Record<string, string> = {}): Promise<Answer> {
    const asAction = { accept: 'application/json', 'x-sveltekit-action': 'true' };
    return this.ask(path, { method: 'POST', body: body!, headers: { ...asAction, ...headers } });
  }
}

/** Enters a demo as its teacher, or as one of its candidates. */
export async function enter(origin: string, name: string, candidateId = ''): Promise<Visitor> {
  const nobody = new Visitor('nobody', origin);
  const answer = await nobody.ask('/enter', {
    method: 'POST',
    body: new URLSearchParams({ as: candidateId })
  });
  return new Visitor(name, origin, answer.headers.getSetCookie()[0]!.split(';')[0]!);
}

export type Route = {
  /** With its parameters in square brackets. */
  readonly path: string;
  /** Names of a page's form actions; "" where it takes posts itself. */
  readonly actions: readonly string[];
  readonly isRead: boolean;
  /** Whether what is behind the question mark is looked at there. */
  readonly readsQuery: boolean;
};

/** Every route of the application and its form actions, as its files say. */
export function routesOf(directory = 'src/routes', path = ''): Route[] {
  const entries = readdirSync(directory, { withFileTypes: true });
  const textOf = (name: string) => readFileSync(join(directory, name), 'utf8');
  const readsQuery = entries.some(({ name }) => /\.ts$/.test(name) && textOf(name).includes('searchParams'));
  return entries.flatMap((entry): Route[] => {
    const { name } = entry;
    if (entry.isDirectory()) return routesOf(join(directory, name), `${path}/${name}`);
    const of = { path, readsQuery };
    if (name === '+page.svelte') return [{ ...of, actions: [], isRead: true }];
    if (name === '+page.server.ts') return [{ ...of, actions: actionsIn(textOf(name)), isRead: false }];
    if (name !== '+server.ts') return [];
    const text = textOf(name);
    return [{ ...of, actions: /const POST\b/.test(text) ? [''] : [], isRead: /const GET\b/.test(text) }];
  });
}

function actionsIn(text: string): string[] {
  const at = text.indexOf('export const actions');
  if (at < 0) return [];
  return [...text.slice(at).matchAll(/^ {2}(\w+)[:(]/gm)].map(([, name]) => name!);
}

/** The path with its parameters filled in, and an action behind it. */
export function pathOf({ path }: Route, parameters: Record<string, string>, action = ''): string {
  const filled = path.replace(/\[(\w+)(?:=\w+)?\]/g, (_, name: string) => parameters[name] ?? '1') || '/';
  return action === '' || action === 'default' ? filled : `${filled}?/${action}`;
}
