/**
 * The desk's other faces, as one player meets them on a day: scales key by key, the tuner before a simulated microphone, reading at sight, and
 * a probe; by keys, a pedal and touch.
 */
import { writeFileSync } from 'node:fs';
import { type Page, chromium, expect, test } from '@playwright/test';
import { launchOf } from '../../scripts/parts/prepare.mjs';
import { tonesWav } from '../../src/lib/server/demo/tones-wav';
import { face, right } from './face';
import { Studio, addBlock, alive, leaveBlocksUntil, step } from './studio';

const studio = new Studio(3392, true);
/** Where nothing has been played yet. */
const fresh = new Studio(3393, true);
test.afterAll(() => Promise.all([studio.close(), fresh.close()]));

/** Leaves blocks until one is in hand. */
const leadTo = (page: Page, heading: RegExp) =>
  leaveBlocksUntil(page, face(page).getByRole('heading', { name: heading }));

test('scales, the tuner, fresh pages and a probe, each on its face', async () => {
  await studio.at('2026-11-24T08:00:00Z');
  const wav = test.info().outputPath('tones.wav');
  // an A of 445 Hz, again and again: 20 cents over 440
  const beep = [
    { frequency: 445, seconds: 0.7 },
    { frequency: 0, seconds: 0.4 }
  ];
  writeFileSync(wav, tonesWav(Array.from({ length: 6 }, () => beep).flat()));
  const browser = await chromium.launch(
    launchOf(
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-audio-capture=${wav}`
    )
  );
  const context = await browser.newContext({
    baseURL: studio.origin,
    viewport: { width: 1024, height: 768 },
    locale: 'en-GB'
  });
  const page = await context.newPage();
  await page.goto('/sign-in');
  await page.getByRole('button', { name: /Noor/ }).click();
  await page.waitForURL('**/today');
  await alive(page);

  await step(
    'a block for sight-reading and a probe of what is nearly ready are put into the day',
    async () => {
      await addBlock(page, /^Sight-reading$/);
      await addBlock(page, /^Concertino, exposition, probe at 120/);
      await expect(page.getByRole('button', { name: /probe at 120: which bars break/ })).toHaveCount(1);
    }
  );

  await step('a key is drawn; answers by pedal lead it on, and undo takes one back', async () => {
    await page.goto(page.url().replace('/today', '/desk?begin'));
    await leadTo(page, / major$/);
    const first = await face(page).getByRole('heading', { level: 1 }).innerText();
    await page.keyboard.press('PageDown');
    await expect(face(page).getByRole('img', { name: /^1 keys? in/ })).toBeVisible();
    await expect(face(page).getByRole('heading', { level: 1 })).not.toHaveText(first);
    await page.keyboard.press('PageUp');
    await expect(face(page).getByRole('img', { name: /^2 keys in/ })).toBeVisible();
    await page.keyboard.press('u');
    await page.keyboard.press('u');
    await expect(face(page).getByRole('heading', { level: 1 })).toHaveText(first);
    await page.keyboard.press('PageDown');
    await face(page).getByRole('button', { name: 'next', exact: true }).click();
    await expect(face(page).getByText(/^1 key in /)).toBeVisible();
    await expect(face(page).getByRole('listitem').filter({ hasText: first })).toBeVisible();
    await right(page);
  });

  await step('the tuner says where a note lies, and remembers it', async () => {
    await face(page).getByRole('button', { name: 'pitch' }).click();
    const tuner = page.getByRole('dialog', { name: 'Pitch' });
    await expect(tuner.getByRole('status')).toContainText(/A\s*20 high/);
    // it has lasted three times
    await expect(tuner.getByRole('status')).toContainText(/Here it lies (19 to )?20( to 21)? high\./);
    await tuner.getByLabel('Written for').selectOption('B flat');
    await expect(tuner.getByRole('status')).toContainText(/B\s*20 high/);
    await tuner.getByLabel('A, in Hz').fill('500');
    await page.keyboard.press('Tab');
    await expect(tuner.getByRole('alert')).toHaveText('A lies between 415 and 466 Hz.');
    await tuner.getByLabel('A, in Hz').fill('445');
    await page.keyboard.press('Tab');
    await expect(tuner.getByRole('status')).toContainText(/B\s*in tune/);
    await tuner.getByRole('button', { name: /^drone/ }).click();
    await expect(tuner.getByRole('button', { name: /^drone/ })).toHaveAttribute('aria-pressed', 'true');
    await tuner.getByRole('button', { name: 'back to the desk' }).click();
    await expect(tuner).toBeHidden();
    await expect(face(page).getByText(/^all sent/)).toBeVisible();
  });

  await step('fresh pages are looked at, played and counted', async () => {
    await leadTo(page, /^Look$/);
    await right(page);
    await expect(face(page).getByRole('heading', { name: 'Play, and keep going' })).toBeVisible();
    await right(page);
    await expect(face(page).getByText('page 2')).toBeVisible();
    await right(page);
    await page.keyboard.press('ArrowLeft');
    await expect(face(page).getByText(/kept going in 1 of 2/)).toBeVisible();
    await face(page).getByRole('button', { name: 'next', exact: true }).click();
    await expect(face(page).getByText('2 pages, kept going in 1')).toBeVisible();
    await right(page);
  });

  await step('the bars that broke in a probe are tapped, and become spots', async () => {
    await leadTo(page, /^Once, straight through$/);
    await right(page);
    const bars = face(page).getByRole('group', { name: 'Bars' });
    for (const bar of ['3', '4', '9']) await bars.getByRole('button', { name: bar, exact: true }).click();
    await expect(face(page).getByRole('status').filter({ hasText: '3 of' })).toContainText(
      'They become spots.'
    );
    await face(page).getByRole('button', { name: 'that was all' }).click();
    await expect(face(page).getByText('broke at 120')).toHaveCount(2);
    await right(page);
    await alive(page);
    await expect(face(page).getByText(/^all sent/)).toBeVisible();
  });

  await step('the spots stand on their page, the pages in the log', async () => {
    const home = page.url().replace(/\/desk.*/, '');
    await page.goto(`${home}/spots`);
    await expect(page.getByText('from the probe')).toHaveCount(2);
    await page.goto(`${home}/log`);
    const read = page.getByRole('row', { name: /Sight-reading/ }).first();
    await expect(read.getByRole('img', { name: 'clean, not yet' })).toBeVisible();
  });
  await browser.close();
});

test('a microphone that is refused is said, and the drone sounds without it', async ({ browser }) => {
  await studio.at('2026-11-24T08:00:00Z');
  const context = await browser.newContext({ baseURL: studio.origin, permissions: [] });
  const page = await context.newPage();
  await page.goto('/sign-in');
  await page.getByRole('button', { name: /Ilka/ }).click();
  await page.waitForURL('**/today');
  await page.goto(page.url().replace('/today', '/desk?begin'));
  await expect(face(page).getByRole('timer')).toBeVisible();
  await page.keyboard.press('p');
  const tuner = page.getByRole('dialog', { name: 'Pitch' });
  await expect(tuner.getByRole('status')).toContainText(/microphone.*The drone sounds without it/);
  await tuner.getByRole('button', { name: /^drone/ }).click();
  await expect(tuner.getByRole('button', { name: /^drone/ })).toHaveAttribute('aria-pressed', 'true');
});

test('a day is put in another order by dragging; a click goes through two tempos, and a probe marks bars in passing', async ({
  browser
}) => {
  await fresh.at('2026-11-24T08:00:00Z');
  const context = await browser.newContext({
    baseURL: fresh.origin,
    viewport: { width: 1280, height: 800 }
  });
  const page = await context.newPage();
  await page.goto('/sign-in');
  await page.getByRole('button', { name: /Noor/ }).click();
  await page.waitForURL('**/today');
  await alive(page);
  const slots = page.locator('.wide .slot');
  const order = () =>
    slots.evaluateAll((all) => all.map((one) => one.querySelector('.block')!.getAttribute('aria-label')));

  await step('dragged by its handle, and by the handle with arrows; each is taken back', async () => {
    const before = await order();
    const last = before.length - 1;
    const middleOf = async (n: number) => {
      const box = (await slots.nth(n).boundingBox())!;
      return box.x + box.width / 2;
    };
    const grip = (await slots.nth(last).locator('.handle').boundingBox())!;
    await page.mouse.move(grip.x + 12, grip.y + 12);
    await page.mouse.down();
    await page.mouse.move(grip.x, grip.y + 12, { steps: 4 });
    await page.mouse.move((await middleOf(3)) + 10, grip.y + 12, { steps: 15 });
    await expect.poll(async () => (await order()).indexOf(before[last]!)).toBeLessThan(last);
    await page.mouse.up();
    await expect(page.getByRole('button', { name: /^undo: .* moved$/ })).toBeVisible();
    const after = await order();
    expect(after).not.toEqual(before);
    expect([...after].sort()).toEqual([...before].sort());
    await page.getByRole('button', { name: /^undo/ }).click();
    await expect.poll(order).toEqual(before);
    await slots.nth(3).locator('.handle').focus();
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    await expect.poll(order).toEqual([...before.slice(0, 3), before[4], before[3], ...before.slice(5)]);
    await page.reload();
    await alive(page);
    await expect.poll(order).toEqual([...before.slice(0, 3), before[4], before[3], ...before.slice(5)]);
  });

  await step('what is of no item can be added, and is taken back', async () => {
    const before = await order();
    await addBlock(page, /^Something you like$/);
    await expect.poll(async () => (await order()).length).toBe(before.length + 1);
    await slots.last().locator('.block').click();
    const words = page.locator('.wide').getByRole('group');
    await words.getByRole('button', { name: 'longer' }).click();
    // it lasts five minutes at most
    await expect(words).toContainText('Something you like, 5 min');
    await words.getByRole('button', { name: 'drop' }).click();
    await page.getByRole('button', { name: /^undo: Something you like dropped/ }).click();
    await expect.poll(async () => (await order()).length).toBe(before.length + 1);
    await addBlock(page, /^Scales in thirds, probe at/);
  });

  await page.goto(page.url().replace('/today', '/desk?begin'));
  await step('the click of a march with its trio', async () => {
    await leadTo(page, /^Breakwater March$/);
    await expect(face(page).getByRole('img', { name: '52, then 44' })).toBeVisible();
    await page.keyboard.press(' ');
    await expect(face(page).locator('.through .now')).toContainText('52');
    await page.keyboard.press(' ');
    await expect(face(page).locator('.through .now')).toHaveCount(0);
  });

  await step('a probe at the faster setting; “not yet” marks the bar that is clicked', async () => {
    await leadTo(page, /^Once, straight through$/);
    const faster = face(page).getByRole('group', { name: 'How fast' }).getByRole('button').last();
    const at = await faster.innerText();
    await faster.click();
    await page.keyboard.press(' ');
    // behind the count of four lies the first bar
    await expect(face(page).getByText('count', { exact: true })).toBeVisible();
    await expect(face(page).getByText('count', { exact: true })).toBeHidden();
    await page.keyboard.press('PageUp');
    await expect(face(page).getByText('Bar 1.')).toBeVisible();
    await right(page);
    const bars = face(page).getByRole('group', { name: 'Bars' });
    await expect(bars.getByRole('button', { name: '1', exact: true })).toHaveAttribute(
      'aria-pressed',
      'true'
    );
    await bars.getByRole('button', { name: '4', exact: true }).click();
    await right(page);
    // each of them at the tempo that was taken
    await expect(face(page).getByText(`broke at ${at.trim()}`)).toHaveCount(2);
  });
});

test('a chain is joined link by link, and a drill comes before the bars', async ({ browser }) => {
  await fresh.at('2026-11-24T08:00:00Z');
  const open = async (who: RegExp) => {
    const context = await browser.newContext({
      baseURL: fresh.origin,
      viewport: { width: 1024, height: 768 }
    });
    const page = await context.newPage();
    await page.goto('/sign-in');
    await page.getByRole('button', { name: who }).click();
    await page.waitForURL(/\/(studio|today)$/);
    await alive(page);
    return page;
  };
  const teacher = await open(/teacher, the whole studio/);
  const ilka = teacher.locator('tbody', { hasText: 'Ilka' }).locator('a[href^="/auditions/"]').first();
  const audition = (await ilka.getAttribute('href'))!;
  for (const [item, strategy] of [
    [/Millrace/, 'chunks'],
    [/Tidal/, 'drills']
  ] as const) {
    await teacher.goto(`${audition}/list`);
    await teacher.getByRole('link', { name: item }).click();
    await teacher.waitForURL('**/list/*');
    await alive(teacher);
    await teacher.getByText('How it climbs', { exact: true }).click();
    await teacher.getByLabel('Strategy').selectOption(strategy);
    await teacher.getByRole('button', { name: 'Save', exact: true }).click();
    await teacher.waitForURL(/\/list\?undo=/);
  }
  const page = await open(/Ilka/);
  await page.goto(`${audition}/desk?begin`);

  await step('the first chunk alone, at tempo', async () => {
    await leadTo(page, /^Warm-up$/);
    const bars = face(page).getByRole('button', { name: 'bars 1–6', exact: true });
    for (let n = 0; n < 12 && !(await bars.isVisible()); n += 1) {
      await page.keyboard.press('e');
      await face(page)
        .getByRole('button', { name: /^(next|done)/ })
        .first()
        .click();
      await page.waitForTimeout(300);
    }
    await bars.click();
    for (const holds of ['1 of 3', '2 of 3']) {
      await expect(face(page).getByRole('button', { name: /^clean/ })).toContainText(holds);
      await right(page);
    }
    await right(page);
    await expect(face(page).getByText(/holds/).first()).toBeVisible();
    // what holds may be asked with less of a click, and an answer does not change that
    await face(page).getByRole('button', { name: 'thinner' }).click();
    await right(page);
    await expect(face(page).getByRole('button', { name: /^clean/ })).toBeVisible();
    await expect(face(page).getByRole('button', { name: 'thinner: off-beats' })).toBeVisible();
    await page.keyboard.press('e');
    await right(page);
  });

  await step('a drill comes first, then the bars it is for', async () => {
    await leadTo(page, /^The motion alone/);
    await expect(face(page).getByText('the rhythm, on one note')).toBeVisible();
    await right(page);
    await expect(face(page).getByRole('button', { name: /^not yet/ })).toBeVisible();
    await page.reload();
    await expect(face(page).getByRole('button', { name: /^not yet/ })).toBeVisible();
    await page.keyboard.press('e');
    await right(page);
    await expect(face(page).getByText(/^all sent/)).toBeVisible();
  });

  await step('then its neighbour, and both over the seam', async () => {
    await page.goto(`${audition}/today`);
    await alive(page);
    await addBlock(page, /Millrace/);
    await expect(page.getByText('bars 1–12').first()).toBeVisible();
    await page.goto(`${audition}/desk?begin`);
    const task = (name: string) => face(page).getByRole('button', { name, exact: true });
    await task('bars 7–12').click();
    await expect(face(page).getByRole('heading', { name: 'Bars 7–12, at tempo' })).toBeVisible();
    await task('bars 1–12 joined').click();
    await expect(face(page).getByRole('heading', { name: 'Over the seam at bar 7' })).toBeVisible();
    await expect(face(page).getByRole('img', { name: 'bars 1 to 12 over the seam at 7' })).toBeVisible();
  });
});
