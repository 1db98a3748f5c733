/** Somebody who asks a studio without a browser: with a cookie or none, a request at a time; and what there is to be asked. */
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';

/** Longer than any answer takes, however busy the machine: who hears nothing by then is kept waiting for ever. */
const WOULD_NOT_END_MS = 10_000;

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

/** Closed by the other end: while it was read, or while it was written to. */
const wasReset = (thrown: unknown) =>
  ['ECONNRESET', 'EPIPE'].includes(((thrown as Error).cause as { code?: string } | undefined)?.code ?? '');

export class Visitor {
  constructor(
    readonly name: string,
    private readonly origin: string,
    readonly cookie = ''
  ) {}

  async ask(path: string, init: RequestInit = {}, isAgain = false): Promise<Answer> {
    const began = performance.now();
    const own = { cookie: this.cookie, origin: this.origin, [ADDRESS_HEADER]: nextAddress() };
    const headers = { ...own, ...(init.headers as Record<string, string>) };
    const signal = AbortSignal.timeout(WOULD_NOT_END_MS);
    try {
      const answer = await fetch(this.origin + path, { redirect: 'manual', ...init, headers, signal });
      const text = Buffer.from(await answer.arrayBuffer()).toString('latin1');
      return { status: answer.status, text, headers: answer.headers, ms: performance.now() - began };
    } catch (thrown) {
      // a connection that was idle may have been closed just then
      if (!isAgain && wasReset(thrown)) return this.ask(path, init, true);
      const sent = String(init.body).slice(0, 300);
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
