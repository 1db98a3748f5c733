/// <reference types="@sveltejs/kit" />
/// <reference lib="webworker" />
/**
 * Answers for the studio where there is no line: with the program, which is kept whole, and with the data of pages that were kept on the device
 * (state/device/kept-pages.ts). What is not kept leads to the page that says so. Where there is a line, all but the program comes from the studio.
 */
import { build, files, version } from '$service-worker';
import { AWAY, BY_DEVICE, BY_STUDIO, TAKE_OVER, dataOf, pagesOf, programOf } from '$lib/schema/kept-pages';

const worker = self as unknown as ServiceWorkerGlobalScope;
const PROGRAM = new Set([...build, ...files]);
/** A line that says nothing for so long is none, where there is something to show instead. */
const DEAD_MS = 6000;
const DATA = '/__data.json';

worker.addEventListener('install', (event) => {
  event.waitUntil(
    (async () => {
      const program = await caches.open(programOf(version));
      // as it is for nobody: whoever is signed in is kept beside it
      const ofNobody = [AWAY, dataOf(AWAY)].map((path) => new Request(path, { credentials: 'omit' }));
      await program.addAll([...PROGRAM, ...ofNobody]);
    })()
  );
});

worker.addEventListener('activate', (event) => {
  const own = [programOf(version), pagesOf(version)];
  event.waitUntil(
    (async () => {
      for (const name of await caches.keys()) if (!own.includes(name)) await caches.delete(name);
      await worker.clients.claim();
    })()
  );
});

worker.addEventListener('message', ({ data }) => {
  if (data === TAKE_OVER) void worker.skipWaiting();
});

worker.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname, search } = new URL(request.url);
  if (request.method !== 'GET' || origin !== worker.location.origin) return;
  if (PROGRAM.has(pathname)) event.respondWith(fromProgram(request, pathname));
  else if (request.mode === 'navigate') event.respondWith(pageFor(request, pathname, search));
  else if (pathname.endsWith(DATA)) event.respondWith(dataFor(request, pathname));
});

const fromProgram = async (request: Request, path: string) =>
  (await (await caches.open(programOf(version))).match(path)) ?? fetch(request);

const keptData = async (path: string) =>
  (await (await caches.open(pagesOf(version))).match(path, { ignoreSearch: true })) ??
  (path === dataOf(AWAY) ? (await caches.open(programOf(version))).match(path) : undefined);

/** From the studio; undefined where there is no line. What can be shown instead does not wait for a dead one. */
async function fromStudio(request: Request, hasInstead: boolean): Promise<Response | undefined> {
  const answer = fetch(request).catch(() => undefined);
  if (!hasInstead) return answer;
  const dead = new Promise<undefined>((resolve) => setTimeout(() => resolve(undefined), DEAD_MS));
  return Promise.race([answer, dead]);
}

/** The empty page, in which the program asks for the data of where it is. */
async function pageFor(request: Request, path: string, search: string): Promise<Response> {
  const isKept = path === AWAY || (await keptData(dataOf(path))) !== undefined;
  const answer = await fromStudio(request, isKept);
  if (answer) return answer;
  if (!isKept) return Response.redirect(awayFrom(path + search), 302);
  return (await (await caches.open(programOf(version))).match(AWAY)) ?? Response.error();
}

async function dataFor(request: Request, path: string): Promise<Response> {
  const kept = await keptData(path);
  const answer = await fromStudio(request, kept !== undefined);
  if (answer) return answer;
  if (!kept) return Response.json({ type: 'redirect', location: awayFrom(path.slice(0, -DATA.length)) });
  const text = (await kept.text()).replaceAll(BY_STUDIO, BY_DEVICE);
  return new Response(text, { headers: { 'content-type': 'application/json' } });
}

const awayFrom = (path: string) => `${AWAY}?from=${encodeURIComponent(path || '/')}`;
