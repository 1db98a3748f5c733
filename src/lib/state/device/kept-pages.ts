/**
 * Keeps on the device what is needed to play without a line: of each audition the data of its day and its desk, and the facts from which days
 * are made here; the program is kept by the worker. Done anew on each visit. What is another account's goes first.
 */
import { version } from '$app/environment';
import { AWAY, BY_STUDIO, dataOf, pagesOf } from '$lib/schema/kept-pages';
import { dropKits, keepKit } from './kits';
import { askStudio } from './line';
import { changeOwner, whileOwner } from './owner';
import { hasSafeLine } from './safe-line';

/** `audition` is the one that is open at its day or desk, null where none is. Nothing where this browser keeps no pages. */
export async function keepPages(owner: string, audition: string | null): Promise<void> {
  if (!hasSafeLine() || !('serviceWorker' in navigator)) return;
  await navigator.serviceWorker.ready;
  await forgetPages(owner);
  const here = await askStudio();
  if (!here) return;
  const all = new Set([...here.auditions, ...(audition === null ? [] : [audition])]);
  await keepData(owner, AWAY, () => true);
  await keepData(owner, '/', leadsToDay);
  for (const id of all) {
    if (!(await keepKit(owner, id))) continue;
    for (const page of ['today', 'desk'])
      await keepData(owner, `/auditions/${id}/${page}`, (text) => text.includes(BY_STUDIO));
  }
}

/** Only what the studio itself has answered, and as it is meant. */
async function keepData(owner: string, path: string, isMeant: (text: string) => boolean): Promise<void> {
  const response = await fetch(dataOf(path));
  const text = await response.text();
  if (!response.ok || response.redirected || !isMeant(text)) return;
  const kept = new Response(text, { headers: { 'content-type': 'application/json' } });
  await whileOwner(owner, async () => (await caches.open(pagesOf(version))).put(dataOf(path), kept));
}

const leadsToDay = (text: string) => {
  const { type, location } = JSON.parse(text) as { type: string; location?: string };
  return type === 'redirect' && location?.startsWith('/auditions/') === true;
};

/** Takes off the device what was kept for anybody but `owner`, for everybody where that is null. What was not sent stays, for who played it. */
export const forgetPages = (owner: string | null): Promise<void> =>
  changeOwner(owner, async () => {
    for (const name of await caches.keys()) if (name.startsWith(pagesOf(''))) await caches.delete(name);
    await dropKits(owner);
  });
