/** A device on its way through histories nobody wrote, a change of the program, and a week away. */
import { createServer } from 'node:http';
import { type BrowserContext, expect, test } from '@playwright/test';
import { dice } from '../fixtures/dice';
import { enterOnDevice, inStudio, onDevice, waiting } from './device';
import { Studio, alive } from './studio';

test.use({ serviceWorkers: 'allow' });

const [PORT, PROXY] = [3415, 3416];
const studio = new Studio(PORT, true);
const MORNING = '2026-11-24T08:30:00Z';
test.beforeAll(async () => void (await studio.at(MORNING)));
test.afterAll(() => studio.close());
const signIn = (context: BrowserContext, name: RegExp) => enterOnDevice(studio, context, name);

test('20 histories of a device whose line, page and studio go when they like', async ({ browser }) => {
  // on a machine that is much slower than ours too
  test.setTimeout(1_800_000);
  await studio.at(MORNING);
  const context = await browser.newContext();
  let page = await signIn(context, /^Noor/);
  const today = page.url();
  const roll = dice(20);
  /** What was seen to lie on the device: none of it may be gone. */
  const seen = new Set<string>();
  const idsHere = async () => (await onDevice(page)).map(({ event }) => event.id);
  /** How the page of the day shows it. */
  const shown = async () => {
    await page.goto(today);
    await page.locator('.wide .slot .block').first().waitFor();
    return page.locator('.wide .slot').allInnerTexts();
  };
  for (let n = 1; n <= 20; n += 1) {
    await page.goto(today);
    for (let act = 0; act < 3; act += 1) {
      const what = roll(10);
      if (what < 5) {
        // something is done, and half of the time the page dies before anything else
        const blocks = page.locator('.wide .slot .block');
        await blocks.first().waitFor();
        const block = blocks.nth(roll(await blocks.count()));
        const longer = page.locator('.wide').getByRole('button', { name: 'longer' });
        // what is tapped before the page is alive is not heard
        await expect(async () => {
          if (!(await longer.isVisible())) await block.click();
          await expect(longer).toBeVisible({ timeout: 1000 });
        }).toPass();
        await longer.click();
        for (const id of await idsHere()) seen.add(id);
        if (roll(2)) {
          const dead = page;
          await dead.goto('chrome://crash').catch(() => {});
          page = await context.newPage();
          await dead.close();
          await page.goto(today);
        }
      } else if (what < 9) await context.setOffline(roll(2) === 0);
      else {
        studio.kill();
        await studio.at(MORNING);
      }
    }
    await context.setOffline(false);
    await page.goto(today);
    await expect.poll(() => waiting(page), `history ${n}`).toEqual([]);
    expect(await idsHere(), `history ${n}`).toEqual(expect.arrayContaining([...seen]));
    expect(new Set(await inStudio(page, today)), `history ${n}`).toEqual(new Set([1]));
  }
  expect(seen.size).toBeGreaterThan(10);
  const inTheStudio = await shown();
  await context.setOffline(true);
  await page.close();
  page = await context.newPage();
  expect(await shown()).toEqual(inTheStudio);
  await context.close();
});

test('a newer program takes over when nobody sits at a desk, and not before', async ({ browser }) => {
  await studio.at(MORNING);
  // what stands before the studio gives out another build's worker when it is told to
  let build = 'one';
  const before = createServer((request, response) => {
    const headers = { cookie: request.headers.cookie ?? '' };
    fetch(studio.origin + request.url, { headers, method: request.method!, redirect: 'manual' })
      .then(async (answer) => {
        const body = Buffer.from(await answer.arrayBuffer());
        const type = answer.headers.get('content-type');
        response.writeHead(answer.status, { ...(type && { 'content-type': type }) });
        const isWorker = request.url === '/service-worker.js';
        response.end(isWorker ? `${body.toString()}\n// build ${build}` : body);
      })
      // what is still asked when the studio ends has no answer
      .catch(() => response.destroy());
  });
  await new Promise<void>((resolve) => before.listen(PROXY, '127.0.0.1', resolve));
  const context = await browser.newContext();
  const first = await signIn(context, /^Jorre/);
  const today = first.url().replace(studio.origin, `http://127.0.0.1:${PROXY}`);
  await first.close();
  const atDesk = await context.newPage();
  await atDesk.goto(`${today.replace(/today$/, 'desk')}`);
  await expect.poll(() => atDesk.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  build = 'two';
  const other = await context.newPage();
  await other.goto(today);
  const waits = () =>
    other.evaluate(async () => {
      const registration = await navigator.serviceWorker.ready;
      await registration.update();
      return registration.waiting !== null;
    });
  await expect.poll(waits).toBe(true);
  await other.reload();
  await alive(other);
  expect(await waits()).toBe(true);
  await atDesk.close();
  // a page that is opened while the desk is still closing leaves it to the next
  await expect(async () => {
    await other.reload();
    await alive(other);
    expect(await waits()).toBe(false);
  }).toPass();
  await context.close();
  before.close();
});

test('a thousand answers of a week away are sent at once, and counted once', async ({ browser }) => {
  await studio.at(MORNING);
  const context = await browser.newContext();
  const page = await signIn(context, /^Teo/);
  const today = page.url();
  await context.setOffline(true);
  await page
    .getByRole('button', { name: /^Begin/ })
    .first()
    .click();
  await expect(page.getByText(/kept\s+on this device, \d+ to send/)).toBeVisible();
  // many more of what was just done
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const opening = indexedDB.open('irvot-desk');
        opening.onsuccess = () => {
          const events = opening.result.transaction('events', 'readwrite').objectStore('events');
          const all = events.getAll();
          all.onsuccess = () => {
            const kept = all.result as { key?: number; event: { id: string; kind: string; seq: number } }[];
            const { key: _, ...one } = kept.find(({ event }) => event.kind === 'begin')!;
            for (let n = 0; n < 1000; n += 1)
              events.add({ ...one, event: { ...one.event, id: crypto.randomUUID(), seq: 1000 + n } });
            events.transaction.oncomplete = () => (opening.result.close(), resolve());
          };
        };
      })
  );
  expect(await waiting(page)).toHaveLength(1002);
  await context.setOffline(false);
  await page.goto(today);
  await expect.poll(() => waiting(page)).toEqual([]);
  const counts = await inStudio(page, today);
  expect(counts).toHaveLength(1002);
  expect(new Set(counts)).toEqual(new Set([1]));
  await context.close();
});
