/** A run is recorded before a simulated microphone, heard for one thing at a time, and what was marked comes back as spots. */
import { writeFileSync } from 'node:fs';
import { type Browser, type Page, chromium, expect, test } from '@playwright/test';
import { PitchDetector } from 'pitchy';
import { launchOf } from '../../scripts/parts/prepare.mjs';
import { tonesWav } from '../../src/lib/server/demo/tones-wav';
import { Studio, alive, leaveBlocksUntil, step } from './studio';

const studio = new Studio(3381, true);
let browser: Browser;
test.beforeAll(async () => {
  const wav = test.info().outputPath('tune.wav');
  const tune = [440, 494, 523, 587].map((frequency) => ({ frequency, seconds: 0.4 }));
  writeFileSync(wav, tonesWav(Array.from({ length: 12 }, () => tune).flat()));
  browser = await chromium.launch(
    launchOf(
      '--autoplay-policy=no-user-gesture-required',
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-audio-capture=${wav}`
    )
  );
  await studio.at('2026-11-24T08:00:00Z');
});
test.afterAll(async () => {
  await browser.close();
  await studio.close();
});

const button = (page: Page, name: RegExp) => page.getByRole('button', { name });
const answer = (page: Page, question: RegExp, word: string) =>
  page.getByRole('group', { name: question }).getByRole('button', { name: word, exact: true }).click();

async function enterAs(name: RegExp): Promise<{ page: Page; season: string }> {
  const context = await browser.newContext({
    baseURL: studio.origin,
    viewport: { width: 1024, height: 768 },
    locale: 'en-GB'
  });
  const page = await context.newPage();
  await page.goto('/sign-in');
  await button(page, name).click();
  await page.waitForURL('**/today');
  await alive(page);
  return { page, season: new URL(page.url()).pathname.replace('/today', '') };
}

/** The frequency that sounds at half speed, in hertz, as pitchy reads it (McLeod's method). */
async function heardAtHalf(page: Page): Promise<number> {
  await page.evaluate(() => {
    const context = new AudioContext();
    const sound = context.createMediaElementSource(document.querySelector('audio')!);
    const heard = new AnalyserNode(context, { fftSize: 8192 });
    sound.connect(heard).connect(context.destination);
    Object.assign(window, { heard });
  });
  await button(page, /^half/).click();
  await button(page, /^play/).click();
  await expect(button(page, /^stop/)).toBeVisible();
  await page.waitForTimeout(1200);
  const { samples, rate } = await page.evaluate(() => {
    const { heard } = window as unknown as { heard: AnalyserNode };
    const data = new Float32Array(heard.fftSize);
    heard.getFloatTimeDomainData(data);
    return { samples: [...data], rate: heard.context.sampleRate };
  });
  const [frequency] = PitchDetector.forFloat32Array(samples.length).findPitch(
    Float32Array.from(samples),
    rate
  );
  return frequency;
}

async function leadToRun(page: Page, season: string) {
  await page.goto(`${season}/desk?begin`);
  await leaveBlocksUntil(page, button(page, /^record, and play$/));
}

test('a run is recorded, heard, marked at three places, and its three spots wait tomorrow', async () => {
  const { page, season } = await enterAs(/Noor/);
  await leadToRun(page, season);

  await step('recorded by one key, counted off once, and ended by the same key', async () => {
    await page.keyboard.press('ArrowRight');
    await expect(page.getByText(/^recording since \d\d:\d\d$/)).toBeVisible();
    // the count is over: bars alone
    await expect(page.getByRole('figure', { name: /^straight through/ })).toBeVisible();
    await page.waitForTimeout(9000);
    await page.keyboard.press('ArrowRight');
  });

  await step('three questions, and where it was not clean', async () => {
    await answer(page, /Straight through/, 'yes');
    await answer(page, /Clean/, 'not quite');
    await page.getByRole('group', { name: 'Bars' }).getByRole('button', { name: '2', exact: true }).click();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByText(/straight through, not yet clean/)).toBeVisible();
  });

  await step('heard at once, and marked where rhythm, tone and air do not hold', async () => {
    await page.getByRole('link', { name: /^hear it/ }).click();
    await expect(page.getByRole('heading', { name: /^Listening for/ })).toBeVisible();
    for (const element of ['rhythm', 'tone', 'air']) {
      await button(page, new RegExp(`^${element}$`)).click();
      await expect(page.getByRole('heading', { name: `Listening for ${element}` })).toBeVisible();
      await page.keyboard.press(' ');
      await expect(button(page, /^stop/)).toBeVisible();
      await expect(button(page, /marks bar \d+ for/)).toBeVisible();
      await page.waitForTimeout(600);
      await page.keyboard.press('ArrowRight');
      await page.keyboard.press(' ');
      await expect(button(page, /^play/)).toBeVisible();
    }
    await expect(page.getByRole('status').filter({ hasText: /marked so far: .*rhythm.*/ })).toBeVisible();
    // the outline of what was played is drawn, and kept for the next who listens
    await expect(page.getByText(/^It is drawn/)).toHaveCount(0);
  });

  await step('a mark can be taken back, and one is put again', async () => {
    await page.keyboard.press('u');
    await expect(button(page, /spots of these 2/)).toBeVisible();
    await page.keyboard.press('ArrowRight');
    await expect(button(page, /spots of these 3/)).toBeVisible();
    await page.getByLabel(/^bar \d+ air, in words$/).fill('short of air before the turn');
    await page.keyboard.press('Enter');
    await button(page, /spots of these 3/).click();
    await expect(page.getByText(/3 spots are made/)).toBeVisible();
  });

  await step(
    'they stand among the spots, and the item’s next block brings what it has minutes for',
    async () => {
      await page.goto(`${season}/spots`);
      for (const element of ['rhythm', 'tone', 'air'])
        await expect(page.getByText(new RegExp(`${element}.*from a take`)).first()).toBeVisible();
      await expect(page.getByText('short of air before the turn')).toBeVisible();
    }
  );

  await step('the take is kept by hand, and found again', async () => {
    await page.goto(`${season}/takes`);
    await page.getByRole('link', { name: /^today, 0:\d\d$/ }).click();
    await page.waitForURL('**/takes/*');
    await alive(page);
    await button(page, /^keep it$/).click();
    await expect(page.getByText('Kept until it is taken out.')).toBeVisible();
    await page.getByRole('link', { name: 'all takes' }).click();
    await expect(page.getByText(/; kept/).first()).toBeVisible();
  });

  await step(
    'sent by a link to one listener, whose remark comes back and becomes a spot; ended, it opens nothing',
    async () => {
      await page.getByRole('link', { name: /^today, 0:\d\d$/ }).click();
      await button(page, /^send it to somebody$/).click();
      await page.getByLabel('For', { exact: true }).fill('Marit');
      await button(page, /^Make a link$/).click();
      const address = await page.getByLabel(/^Link to this take/).inputValue();
      const elsewhere = await browser.newContext({ viewport: { width: 390, height: 844 }, locale: 'en-GB' });
      const listener = await elsewhere.newPage();
      await listener.goto(address);
      await expect(listener.getByText(/^For Marit, to be heard here until/)).toBeVisible();
      expect(await listener.content()).not.toContain('Castellan');
      await button(listener, /^play/).click();
      await expect(button(listener, /what you hear in bar \d+/)).toBeVisible();
      await button(listener, /^here/).click();
      await listener.getByLabel(/^At bar \d+ I hear/).fill('the turn is late');
      await button(listener, /^Send it$/).click();
      await expect(listener.getByText('1 remark is with the player')).toBeVisible();
      await page.reload();
      await expect(page.getByText('the turn is late')).toBeVisible();
      await button(page, /^make it a spot$/).click();
      await expect(page.getByText(/A spot is made/)).toBeVisible();
      await button(page, /^end it$/).click();
      await expect(button(page, /^send it to somebody$/)).toBeVisible();
      expect((await listener.reload())!.status()).toBe(410);
      expect((await elsewhere.request.get(`${address}/sound`, { maxRetries: 2 })).status()).toBe(410);
      await elsewhere.close();
    }
  );
  await step('heard by the teacher, it is evidence of the teacher’s', async () => {
    const address = page.url();
    // what was run counts when its block has ended
    await page.goto(`${season}/desk?begin`);
    await expect(page.getByRole('link', { name: /^hear it/ })).toBeVisible();
    const sent = page.waitForResponse(
      (response) => (response.request().postData() ?? '').includes('"end"') && response.ok()
    );
    await page.keyboard.press('ArrowRight');
    await sent;
    await page.goto(address);
    const context = await browser.newContext({ baseURL: studio.origin, locale: 'en-GB' });
    const teacher = await context.newPage();
    await teacher.goto('/sign-in');
    await button(teacher, /teacher, the whole studio/).click();
    await teacher.waitForURL('**/studio');
    await teacher.goto(address);
    await alive(teacher);
    await button(teacher, /^not clean where I marked it$/).click();
    await expect(teacher.getByText(/^Mark where it is not clean first/)).toBeVisible();
    await button(teacher, /^clean$/).click();
    await expect(teacher.getByText('Noted: heard by you.')).toBeVisible();
    await context.close();
    await page.reload();
    await expect(page.getByText('Heard by the teacher: clean.')).toBeVisible();
  });
  await page.context().close();
});

test('a page that goes while it records loses nothing of before, and a line that goes while it is sent neither', async () => {
  const { page, season } = await enterAs(/Noor/);
  await leadToRun(page, season);
  await button(page, /^record, and play$/).click();
  await expect(page.getByText(/^recording since/)).toBeVisible();
  await page.waitForTimeout(4500);
  // the first piece of it that is sent is lost
  let cuts = 0;
  await page.route('**/sending', async (route) => {
    if (route.request().method() !== 'PATCH' || cuts > 0) return route.continue();
    cuts += 1;
    await route.abort('connectionreset');
  });
  await page.reload();
  await expect.poll(() => cuts).toBe(1);
  await expect
    .poll(async () => {
      await page.goto(`${season}/takes`);
      return page.getByRole('link', { name: /^today, 0:0[3-7]$/ }).count();
    })
    .toBeGreaterThan(0);
  await page.context().close();
});

test('what is no sound is refused where it was chosen, and what is one from elsewhere is taken', async () => {
  const { page, season } = await enterAs(/Noor/);
  await page.goto(`${season}/takes`);
  await alive(page);
  const choose = (name: string, buffer: Buffer) =>
    page.getByLabel('the recording').setInputFiles({ name, mimeType: 'audio/wav', buffer });
  await button(page, /^Send it$/).click();
  await expect(page.getByRole('status').filter({ hasText: 'Choose a file first.' })).toBeVisible();
  await choose('tune.wav', Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex'));
  await button(page, /^Send it$/).click();
  await expect(page.getByText('This is no sound that can be read. Nothing was kept of it.')).toBeVisible();
  await choose('tune.wav', tonesWav([{ frequency: 440, seconds: 2 }], 8000));
  await button(page, /^Send it$/).click();
  await expect(page.getByText('It is here.')).toBeVisible();
  // no tempo is known of it: bars are set by hand, and then marks have bars
  await page.getByRole('link', { name: /^today, 0:02$/ }).click();
  await expect(button(page, /marks 0:00 for/)).toBeVisible();
  await page.getByLabel(/begins bar/).fill('9999');
  await button(page, /^set$/).click();
  await expect(page.getByText('Bars go up to 2000.')).toBeVisible();
  expect(Math.abs(1200 * Math.log2((await heardAtHalf(page)) / 440))).toBeLessThan(5);
  await page.context().close();
});

test('the first and the latest of an item sound at one level, and one goes over to the other at the same bar', async () => {
  const { page, season } = await enterAs(/Ilka/);
  await page.goto(`${season}/takes`);
  await page.getByRole('link', { name: /^first and latest/ }).click();
  await expect(page.getByText(/^Both are as loud/)).toBeVisible();
  const shown = page.getByRole('status');
  // a sound is short: what was over before it was looked at is played again
  await expect(async () => {
    if (await button(page, /^play$/).isVisible()) await button(page, /^play$/).click();
    await expect(shown).toHaveText(/^bar ([2-9]|\d\d)$/, { timeout: 3000 });
  }).toPass();
  // one goes over, and what sounds is never more than a bar further on
  const before = Number((await shown.innerText()).replace(/\D/g, ''));
  await page.keyboard.press('ArrowRight');
  await expect(button(page, /^latest/)).toHaveAttribute('aria-pressed', 'true');
  const after = Number((await shown.innerText()).replace(/\D/g, ''));
  expect(after - before).toBeGreaterThanOrEqual(0);
  expect(after - before).toBeLessThanOrEqual(1);
  await page.keyboard.press(' ');
  await expect(button(page, /^play$/)).toBeVisible();
  await page.context().close();
});

test('a spot is heard as it was and as it is, one after the other, and what came of it is a try', async () => {
  const { page, season } = await enterAs(/Ilka/);
  await page.goto(`${season}/spots`);
  await page.getByRole('link', { name: /late after the tie/ }).click();
  await page.waitForURL('**/spots/*');
  await alive(page);
  /** Whenever one began: which of them sounded by then. */
  const begun = await page.evaluateHandle(() => {
    const heard: number[][] = [];
    const all = [...document.querySelectorAll('audio')];
    const sounding = () => all.flatMap((one, i) => (one.paused ? [] : [i]));
    document.addEventListener('playing', () => heard.push(sounding()), true);
    return heard;
  });
  await button(page, /^one after the other$/).click();
  await expect.poll(() => begun.jsonValue()).toEqual([[0], [1]]);
  await page.getByLabel('or the next idea').fill('sing it before it is played');
  await page.keyboard.press('Enter');
  await expect(
    page.getByRole('row', { name: /heard in a take; next sing it before it is played/ })
  ).toBeVisible();
  await button(page, /^Solved in this take$/).click();
  await expect(page.getByText('sing it before it is played')).toHaveCount(0);
  await page.context().close();
});

test('bars at work are recorded out of their block: how they went is one attempt, and their take is offered at its end', async () => {
  const { page, season } = await enterAs(/Ilka/);
  await page.goto(`${season}/desk?begin`);
  await leaveBlocksUntil(page, button(page, /^record$/));
  await expect(button(page, /^undo$/)).toBeDisabled();
  await page.keyboard.press('r');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('figure', { name: /^straight through/ })).toBeVisible();
  await page.waitForTimeout(1500);
  await page.keyboard.press('ArrowRight');
  await answer(page, /Straight through/, 'yes');
  await answer(page, /Clean/, 'yes');
  await page.keyboard.press('ArrowRight');
  await expect(button(page, /^undo$/)).toBeEnabled();
  await page.keyboard.press('e');
  await expect(page.getByRole('link', { name: /^hear it/ })).toBeVisible();
  await page.context().close();
});
