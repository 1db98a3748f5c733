/**
 * A candidate's day beside the instrument, from Begin to tomorrow: by keys alone, through a reload and a dropped line, on a phone by touch; what
 * was played is in the log once, and the plan is laid again from it.
 */
import { type Page, expect, test } from '@playwright/test';
import { Studio, addBlock, alive, leaveBlocksUntil, step } from './studio';

const studio = new Studio(3397, true);
test.afterAll(() => studio.close());

const right = (page: Page) => page.keyboard.press('ArrowRight');
const face = (page: Page) => page.locator('.desk');
/** The tempo in hand. */
const tempo = (page: Page, bpm: number) =>
  expect(page.getByLabel(`Tempo ${bpm}`, { exact: true })).toBeVisible();
const counted = (page: Page, n: number) =>
  expect(page.getByRole('img', { name: new RegExp(`^${n} of 3 clean`) })).toBeVisible();

/** What the block has to work at. */
const tasks = (page: Page) => face(page).getByRole('group', { name: 'Spots and parts' }).getByRole('button');

async function enter(page: Page, who: string) {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: new RegExp(who) }).click();
  await page.waitForURL('**/today');
  await alive(page);
}

/** What has no tempo is passed: done, and next. */
async function pass(page: Page, name: string) {
  await expect(face(page).getByRole('heading', { name })).toBeVisible();
  await expect(face(page).getByRole('timer')).toBeVisible();
  await right(page);
  await expect(face(page).getByRole('button', { name: /^next/ })).toBeVisible();
  await right(page);
}

test('a day is played by keys alone, from Begin to tomorrow, and the plan is laid again from it', async ({
  browser
}) => {
  await studio.at('2026-11-24T08:00:00Z');
  const context = await browser.newContext({ baseURL: studio.origin });
  const page = await context.newPage();
  await page.clock.install();

  await step(
    'today is the first page, with the sum against the minutes and why each block is there',
    async () => {
      await enter(page, 'Ilka');
      // 8 + 6 of warm-up and two fundamentals, and the plan's own of 24 November
      const blocks = page.locator('.wide .block');
      const minutes = await blocks.locator('.minutes').allInnerTexts();
      const sum = minutes.reduce((total, text) => total + Number(text), 0);
      await expect(page.locator('.sum.desk')).toContainText(`${sum} of 60`);
      await expect(blocks.first()).toHaveAttribute('aria-label', /^Warm-up, 8 minutes/);
      await expect(page.getByRole('button', { name: /^Étude 14.*44 was due on Thu 19 Nov/ })).toBeVisible();
    }
  );

  await step('Begin leads to the desk; the warm-up and the fundamentals whose turn it is pass', async () => {
    await page.getByRole('button', { name: /^Begin/ }).press('Enter');
    await page.waitForURL('**/desk*');
    await pass(page, 'Warm-up');
    await pass(page, 'Breath, then long tones from the middle');
    // a key is drawn; two answers, and on
    await expect(face(page).getByRole('heading', { name: / major$/ })).toBeVisible();
    await right(page);
    await expect(face(page).getByRole('img', { name: /^1 keys? in/ })).toBeVisible();
    await page.keyboard.press('e');
    await expect(face(page).getByRole('button', { name: /^next/ })).toBeVisible();
    await right(page);
  });

  await step('a spot comes before its bars, from a click below, by a way that can be changed', async () => {
    await expect(face(page).getByText('Étude 27, “Spindrift”: ')).toBeVisible();
    await expect(face(page).getByText('bars 40–41, to the downbeat of 42')).toBeVisible();
    const way = face(page).getByRole('heading', { level: 1 });
    const proposed = await way.innerText();
    await page.keyboard.press('w');
    const ways = page.getByRole('dialog', { name: 'Another way' }).getByRole('listitem');
    await expect(ways).toHaveCount(6);
    await ways.nth(1).getByRole('button').press('Enter');
    await expect(way).not.toHaveText(proposed);
    // nothing holds, and 50 is today's: three clean at 48, three at 50
    await tempo(page, 48);
    for (let n = 0; n < 3; n += 1) await right(page);
    await tempo(page, 50);
    for (let n = 0; n < 3; n += 1) await right(page);
    await expect(tasks(page).nth(0)).toHaveAccessibleName(/^spot, bars 40–41, holds$/);
  });

  await step('and leads to the parts of the long section, of which what holds leads on', async () => {
    const parts = tasks(page);
    await expect(parts.last()).toHaveText('all of it');
    await expect(parts.nth(1)).toHaveAttribute('aria-current', 'step');
    await tempo(page, 50);
    for (let n = 0; n < 3; n += 1) await right(page);
    await expect(parts.nth(1)).toHaveAccessibleName(/^bars 1–14, holds$/);
    await expect(parts.nth(2)).toHaveAttribute('aria-current', 'step');
    await page.keyboard.press('u');
    await expect(parts.nth(1)).toHaveAttribute('aria-current', 'step');
    await counted(page, 2);
  });

  await step('a bar that wants work is noted in one line, by its number or by taps', async () => {
    await page.keyboard.press('b');
    const panel = page.getByRole('dialog', { name: /^A spot in Étude 27/ });
    await page.keyboard.type('rushes');
    await page.keyboard.press('Enter');
    await expect(panel.getByRole('alert')).toHaveText(/^Begin with the bar/);
    await panel.getByRole('button', { name: '9', exact: true }).click();
    await panel.getByRole('button', { name: '10', exact: true }).click();
    await panel.getByRole('button', { name: 'rhythm' }).click();
    await expect(panel.getByRole('textbox')).toHaveValue('9-10 rushes -rhythm');
    await panel.getByRole('button', { name: 'Keep it' }).click();
    await expect(face(page).getByRole('button', { name: 'spot, bars 9–10' })).toBeVisible();
    await page.keyboard.press('e');
    await expect(face(page).getByText(/^bars 40–41 clean at 50/)).toBeVisible();
    await right(page);
  });

  await step('the ladder begins a click below what holds, and three clean in a row lead up', async () => {
    await expect(face(page).getByRole('heading', { name: /^Scales/ })).toBeVisible();
    // 52 holds: one clean attempt at 50 leads up to it
    await tempo(page, 50);
    await page.keyboard.press(' ');
    await expect(page.getByRole('button', { name: 'click' })).toHaveAttribute('aria-pressed', 'true');
    await right(page);
    await tempo(page, 52);
    await right(page);
    await right(page);
    await counted(page, 2);
    await page.keyboard.press('ArrowLeft');
    await counted(page, 0);
    await page.keyboard.press('u');
    await counted(page, 2);
    await right(page);
    await tempo(page, 54);
  });

  await step(
    'a reload in the middle goes on where it was, and the pedal’s page keys answer as well',
    async () => {
      await page.keyboard.press('PageDown');
      await counted(page, 1);
      await page.reload();
      await tempo(page, 54);
      await counted(page, 1);
      await page.keyboard.press('PageUp');
      await counted(page, 0);
    }
  );

  await step('without a line answers stay on the device, and are sent when there is one', async () => {
    // what came before is there
    await expect(page.getByText(/^all sent/)).toBeVisible();
    await context.setOffline(true);
    for (let i = 1; i <= 2; i += 1) {
      await right(page);
      await counted(page, i);
    }
    await expect(page.getByText('kept on this device, 2 to send')).toBeVisible();
    await context.setOffline(false);
    await right(page);
    await expect(page.getByText(/^all sent/)).toBeVisible();
  });

  await step('today’s rung holds: one further is offered once, and left', async () => {
    await expect(page.getByRole('button', { name: /one further.*56/ })).toBeVisible();
    await page.keyboard.press('ArrowLeft');
    await tempo(page, 54);
    await expect(page.getByRole('button', { name: /one further/ })).toHaveCount(0);
    await page.keyboard.press('e');
    await expect(face(page).getByText('holds, today’s plan')).toBeVisible();
    await right(page);
  });

  await step('the rest of the day ends with tomorrow', async () => {
    const all = Number(/of (\d+)/.exec(await face(page).locator('.time').innerText())![1]);
    for (let n = 6; n <= all; n += 1) {
      await expect(face(page).getByText(`block ${n} of ${all}`)).toBeVisible();
      // one is left to end by itself, and answered long after: what passes until then is not played
      if (n === 6) await page.clock.fastForward('40:00');
      else await page.keyboard.press('e');
      await expect(face(page).getByRole('button', { name: n < all ? /^next/ : /^done/ })).toBeVisible();
      await right(page);
    }
    await expect(face(page).getByRole('heading', { name: 'The day is done' })).toBeVisible();
    await expect(face(page).getByText('The plan is laid again from what holds.')).toBeVisible();
    await expect(face(page).getByRole('heading', { name: 'Tomorrow, Wed 25 Nov' })).toBeVisible();
  });

  await step('the log has it once, tempo by tempo, and the countback what holds now', async () => {
    await face(page).getByRole('link', { name: 'To the day' }).click();
    await page.waitForURL('**/today');
    await alive(page);
    await expect(page.getByText('all of today is played')).toBeVisible();
    await page.getByRole('link', { name: 'Log' }).click();
    await page.waitForURL('**/log');
    const rows = page.locator('tbody tr', { hasText: 'Tue 24 Nov' }).filter({ hasText: 'Scales' });
    await expect(rows).toHaveCount(1);
    await expect(rows.locator('.marks')).toHaveCount(3);
    await expect(rows.getByRole('img', { name: 'clean, not yet, clean, clean, clean' })).toBeVisible();
    // seven minutes of the sixth block, of which the two before it, answered within seconds, have a minute each
    const minutes = await page
      .locator('tbody tr', { hasText: 'Tue 24 Nov' })
      .locator('.number')
      .allInnerTexts();
    expect(minutes.map(Number).sort()).toEqual([1, 1, 5]);
    await page.getByRole('link', { name: 'List' }).click();
    await page.waitForURL('**/list');
    await expect(page.locator('li', { hasText: 'Scales' })).toContainText('holds at 54');
  });
});

test('the click keeps its time while the page is busy, a tempo is taken by hand, and what did not hold is said', async ({
  browser
}) => {
  await studio.at('2026-11-24T08:00:00Z');
  const page = await (await browser.newContext({ baseURL: studio.origin })).newPage();
  // what the worklet says of each sound is heard here as well
  await page.addInitScript(() => {
    const heard: unknown[] = [];
    Object.assign(window, { heard });
    const Node = AudioWorkletNode;
    window.AudioWorkletNode = class extends Node {
      constructor(...given: ConstructorParameters<typeof Node>) {
        super(...given);
        this.port.addEventListener('message', ({ data }) => heard.push(data));
      }
    };
  });
  await enter(page, 'Noor');

  await step('a block is lengthened by dragging its barline, and shortened by keys', async () => {
    const block = page.locator('.wide .block').nth(2);
    const minutes = async () => Number(await block.locator('.minutes').innerText());
    const was = await minutes();
    const minuteWide = (await block.boundingBox())!.width / was;
    await block.click();
    const grip = (await page.locator('.grip').boundingBox())!;
    await page.mouse.move(grip.x + 12, grip.y + 160);
    await page.mouse.down();
    await page.mouse.move(grip.x + 12 + 3.2 * minuteWide, grip.y + 160, { steps: 4 });
    await page.mouse.up();
    await expect.poll(minutes).toBe(was + 3);
    for (let n = 0; n < 3; n += 1) await page.keyboard.press('Alt+ArrowDown');
    await expect.poll(minutes).toBe(was);
  });

  await addBlock(page, /^Concertino, exposition$/);
  await expect(page.getByRole('button', { name: /^undo: Concertino, exposition added/ })).toBeVisible();
  await page.getByRole('button', { name: /^Begin/ }).click();
  await page.waitForURL('**/desk*');
  await leaveBlocksUntil(page, page.getByLabel(/^Tempo /));

  await step('no sound is lost, and none begins in another quantum than its own', async () => {
    await page.keyboard.press(' ');
    await page.evaluate(async () => {
      const { heard } = window as unknown as { heard: unknown[] };
      const began = performance.now();
      const since = () => performance.now() - began;
      // six seconds, and as many as are looked at; where a slow machine has played none in a minute, it plays none
      while (since() < 6000 || (heard.length <= 8 && since() < 60_000)) {
        // the page is at work nine tenths of the time
        for (const busy = performance.now() + 90; performance.now() < busy;);
        await new Promise((resolve) => setTimeout(resolve, 10));
      }
    });
    const heard = await page.evaluate(
      () =>
        (window as unknown as { heard: { index: number; at: number; late: number; skipped: number }[] }).heard
    );
    const rate = await page.evaluate(() => new AudioContext().sampleRate);
    const bpm = Number((await page.getByLabel(/^Tempo /).getAttribute('aria-label'))!.split(' ')[1]);
    expect(heard.length).toBeGreaterThan(8);
    const [first] = heard;
    heard.forEach(({ index, at, late, skipped }, n) => {
      expect(index).toBe(n);
      // by the sound card's own clock
      expect(Math.abs(at - late - first!.at - (n * 60 * rate) / bpm)).toBeLessThanOrEqual(1);
      // later than a quantum only where the sound card itself left more out
      expect(late).toBeLessThanOrEqual(Math.max(128, skipped));
    });
  });

  await step('what did not hold is said after “not yet”, and a slower tempo taken by hand', async () => {
    const before = (await page.getByLabel(/^Tempo /).getAttribute('aria-label'))!;
    await page.keyboard.press('ArrowLeft');
    const elements = face(page).getByRole('group', { name: 'What did not hold?' });
    await elements.getByRole('button', { name: 'rhythm' }).click();
    await expect(elements.getByRole('button', { name: 'rhythm' })).toHaveAttribute('aria-pressed', 'true');
    await face(page)
      .getByRole('button', { name: /^Take / })
      .first()
      .click();
    await expect(page.getByLabel(/^Tempo /)).not.toHaveAttribute('aria-label', before);
    await page.keyboard.press('u');
    await expect(page.getByLabel(/^Tempo /)).toHaveAttribute('aria-label', before);
  });

  await step('a pedal’s own key is learnt', async () => {
    await face(page).getByRole('button', { name: 'settings' }).click();
    const panel = page.getByRole('dialog', { name: 'Click and pedal' });
    await panel.getByRole('button', { name: /^not yet/ }).click();
    await page.keyboard.press('b');
    await expect(panel.getByRole('button', { name: 'not yet: b' })).toBeVisible();
    await panel.getByLabel('How far it is thinned').selectOption('off-beats');
    await panel.getByRole('button', { name: 'tap a tempo' }).click();
    await expect(panel.getByText('tap on')).toBeVisible();
    for (let n = 0; n < 4; n += 1) {
      await page.waitForTimeout(1400);
      await panel.getByRole('button', { name: 'tap a tempo' }).click();
    }
    // some 43 a minute, as exactly as a test taps; far below what is in hand
    const before = (await page.getByLabel(/^Tempo /).getAttribute('aria-label'))!;
    await panel.getByRole('button', { name: /^take \d+$/ }).click();
    await expect(page.getByLabel(/^Tempo /)).not.toHaveAttribute('aria-label', before);
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('b');
    await expect(face(page).getByRole('group', { name: 'What did not hold?' })).toBeVisible();
  });

  await step('what was left open ends on the next day by itself, and is logged on its own', async () => {
    await expect(page.getByText(/^all sent/)).toBeVisible();
    await studio.at('2026-11-25T08:00:00Z');
    await page.goto('/');
    await page.waitForURL('**/today');
    await expect(page.getByText(/^all sent [0-9]/)).toBeVisible();
    await expect(page.getByRole('button', { name: /^Begin/ })).toBeVisible();
    await page.getByRole('link', { name: 'Log' }).click();
    await page.waitForURL('**/log');
    const row = page.locator('tbody tr', { hasText: 'Tue 24 Nov' }).filter({ hasText: 'rhythm' });
    await expect(row).toHaveCount(1);
  });
});

test('on a phone a day is changed by hand, less time is fitted in, and answers are taps', async ({
  browser
}) => {
  const context = await browser.newContext({
    baseURL: studio.origin,
    viewport: { width: 390, height: 844 },
    hasTouch: true
  });
  const page = await context.newPage();
  await studio.at('2026-11-25T08:00:00Z');

  await step('blocks are moved, lengthened and dropped', async () => {
    await enter(page, 'Ilka');
    const names = () =>
      page
        .locator('.column strong')
        .first()
        .locator('xpath=ancestor::ol')
        .locator('.what strong')
        .allInnerTexts();
    const before = await names();
    expect(before.slice(0, 2)).toEqual(['Warm-up', 'Breath, then long tones from the middle']);
    await page.locator('.column li > button').nth(2).tap();
    const words = page.locator('.column').getByRole('group');
    await words.getByRole('button', { name: 'earlier' }).tap();
    await expect.poll(names).toEqual([before[0], before[2], before[1], ...before.slice(3)]);
    const minutes = async () => Number(/, (\d+) min/.exec(await words.innerText())![1]);
    const was = await minutes();
    await words.getByRole('button', { name: 'longer' }).tap();
    await expect.poll(minutes).toBe(was + 1);
    await words.getByRole('button', { name: 'shorter' }).tap();
    await expect.poll(minutes).toBe(was);
    await words.getByRole('button', { name: 'split' }).tap();
    await expect.poll(names).toEqual([before[0], before[2], before[2], before[1], ...before.slice(3)]);
    await expect.poll(minutes).toBe(Math.ceil(was / 2));
    await page.locator('.column li > button').nth(2).tap();
    await words.getByRole('button', { name: 'drop' }).tap();
    await expect(
      page.getByRole('button', { name: `${before[2]}, ${Math.floor(was / 2)} min: put back` })
    ).toBeVisible();
    await page.getByLabel('Item to add').selectOption({ label: before[3]! });
    await page.getByRole('button', { name: 'Add 8 minutes' }).tap();
    await expect.poll(names).toEqual([before[0], before[2], before[1], ...before.slice(3), before[3]]);
    await page.reload();
    await alive(page);
    await expect.poll(names).toEqual([before[0], before[2], before[1], ...before.slice(3), before[3]]);
  });

  await step('less time: nonsense is said at its place, and what waits is named', async () => {
    const field = page.getByLabel('minutes are left');
    await field.fill('0');
    await page.getByRole('button', { name: 'Fit it in' }).tap();
    await expect(page.getByText('How many minutes are left today?')).toBeVisible();
    await expect(field).toHaveValue('0');
    await field.fill('30');
    await page.getByRole('button', { name: 'Fit it in' }).tap();
    await expect(page.getByText(/^These wait: /)).toBeVisible();
    const minutes = await page.locator('.column .minutes').allInnerTexts();
    expect(minutes.reduce((sum, text) => sum + Number.parseInt(text, 10), 0)).toBeLessThanOrEqual(30);
  });

  await step('two desks open at once show the same day', async () => {
    await page.getByRole('button', { name: /^Begin/ }).tap();
    await page.waitForURL('**/desk*');
    await expect(face(page).getByRole('heading', { name: 'Warm-up' })).toBeVisible();
    await expect(page.getByText(/^all sent/)).toBeVisible();
    const other = await context.newPage();
    await other.goto(page.url());
    await expect(face(other).getByRole('heading', { name: 'Warm-up' })).toBeVisible();
    await other.close();
  });

  await step('it hurts stops everything, and nothing more is urged', async () => {
    await page.getByRole('button', { name: 'it hurts' }).tap();
    await expect(page.getByRole('alert')).toContainText('licensed health professional');
    await page.getByRole('button', { name: 'Stop, and tell my teacher' }).tap();
    await expect(face(page).getByText('Rest, and tell your teacher.')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Go on after all' })).toHaveCount(0);
    await expect(page.getByText(/^all sent/)).toBeVisible();
  });

  await step('the teacher reads of it, and the player says when it is well', async () => {
    const teacher = await (await browser.newContext({ baseURL: studio.origin })).newPage();
    await teacher.goto('/sign-in');
    await teacher.getByRole('button', { name: /teacher, the whole studio/ }).click();
    await teacher.waitForURL('**/studio');
    await expect(teacher.getByText(/it hurt at the desk on Wed 25 Nov/)).toBeVisible();
    await face(page).getByRole('link', { name: 'To the day' }).tap();
    await page.waitForURL('**/today');
    await alive(page);
    await page.getByRole('button', { name: 'It is well again' }).tap();
    await expect(page.getByText('It hurt')).toHaveCount(0);
  });

  await step('the spot’s page says what was tried, and lays it to rest by hand', async () => {
    await page.getByRole('link', { name: /open, \d+ at rest and asked again/ }).tap();
    await page.waitForURL('**/spots');
    await alive(page);
    await page.getByLabel('The bar, and what is wrong there').fill('900 flat');
    await page.getByRole('button', { name: 'Keep it' }).tap();
    await expect(page.getByRole('alert')).toContainText('has bars 1 to 48');
    await expect(page.getByLabel('The bar, and what is wrong there')).toHaveValue('900 flat');
    await page.getByLabel('The bar, and what is wrong there').fill('20-21 flat -tone');
    await page.getByRole('button', { name: 'Keep it' }).tap();
    await page.getByRole('link', { name: /^bars 20–21/ }).tap();
    await page.waitForURL('**/spots/*');
    await alive(page);
    await page.getByLabel('The same passage elsewhere').fill('61-62');
    await page.getByRole('button', { name: 'Set' }).last().tap();
    await expect(page.getByRole('alert')).toContainText('has bars 1 to 48');
    await page.getByRole('button', { name: 'Lay it to rest' }).tap();
    await expect(page.getByRole('button', { name: 'Work it again' })).toBeVisible();
    await page.getByRole('button', { name: /take it out/ }).tap();
    await page.waitForURL(/spots/);
    await expect(page.getByRole('link', { name: /^bars 20–21/ })).toHaveCount(0);
    await page.getByRole('button', { name: 'Put it back' }).tap();
    await expect(page.getByRole('link', { name: /^bars 20–21/ })).toBeVisible();
  });

  await step(
    'fundamentals are changed: what cannot come is said at its place, and the next day has the rest',
    async () => {
      await page.getByRole('link', { name: 'Time', exact: true }).tap();
      await page.waitForURL('**/time*');
      await alive(page);
      await expect(page.getByText(/^These ask 3\d minutes a week; there are 36\.$/)).toBeVisible();
      await page.getByRole('button', { name: 'Add one' }).tap();
      const last = page.locator('.turn').last();
      await last.getByLabel('What').fill('Echoes down the stairs');
      await last.getByLabel('Minutes').fill('7');
      await last.getByLabel('How often').selectOption('on these days');
      await page.getByRole('button', { name: 'Save and lay the plan again' }).tap();
      await expect(page.getByText('Which days of the week?')).toBeVisible();
      await expect(page.getByText('There are 6 minutes a day: it would never come.')).toBeVisible();
      await last.getByLabel('Minutes').fill('3');
      await last.getByLabel('Thu').check();
      await page.getByRole('button', { name: 'Save and lay the plan again' }).tap();
      await page.waitForURL('**/auditions/*');
      await studio.at('2026-11-26T08:00:00Z');
      await page.goto('/');
      await page.waitForURL('**/today');
      await alive(page);
      // it was never done, so it comes before what was
      await expect(page.locator('.column li').nth(1)).toContainText('Echoes down the stairs');
    }
  );
});
