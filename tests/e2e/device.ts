/** A device that is to go without a line: entered, kept, and read. */
import { type BrowserContext, type Page, expect } from '@playwright/test';
import { type Studio, alive } from './studio';

/** Signs in on a fresh device, and waits until it keeps what it is to keep. */
export async function enterOnDevice(studio: Studio, context: BrowserContext, name: RegExp): Promise<Page> {
  const page = await context.newPage();
  await page.goto(`${studio.origin}/sign-in`);
  await alive(page);
  await page.getByRole('button', { name }).click();
  await page.waitForURL('**/auditions/*/today');
  await expect.poll(() => keptDesks(page)).toBeGreaterThan(0);
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  return page;
}
export const keptDesks = (page: Page) =>
  page.evaluate(async () => {
    const names = (await caches.keys()).filter((name) => name.startsWith('irvot pages'));
    const all = await Promise.all(names.map(async (name) => (await caches.open(name)).keys()));
    return all.flat().filter(({ url }) => url.includes('/desk/')).length;
  });
type OnDevice = { readonly isSent: boolean; readonly event: { readonly id: string; readonly date: string } };
/** What was done at desks, as it lies on the device. */
export const onDevice = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<OnDevice[]>((resolve) => {
        const opening = indexedDB.open('irvot-desk');
        opening.onsuccess = () => {
          const all = opening.result.transaction('events').objectStore('events').getAll();
          all.onsuccess = () => {
            opening.result.close();
            resolve(all.result as OnDevice[]);
          };
        };
      })
  );
/** The dates of what waits there. */
export const waiting = async (page: Page) =>
  (await onDevice(page)).filter(({ isSent }) => !isSent).map(({ event }) => event.date);
/** How often the studio has each of what lies on the device. */
export async function inStudio(page: Page, today: string): Promise<number[]> {
  // a connection that was kept may just be closed
  const answer = await page.request.get(today.replace(/today$/, 'kit'), { maxRetries: 2 });
  const { facts } = (await answer.json()) as { facts: { events: { id: string }[] } };
  const there = facts.events.map(({ id }) => id);
  return (await onDevice(page)).map(({ event }) => there.filter((id) => id === event.id).length);
}
