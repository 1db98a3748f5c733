/** A mock evening from its preparation to the second ballot; a run alone with the recorder, heard by somebody elsewhere; a mock from paper. */
import { type Page, chromium, expect, test } from '@playwright/test';
import { launchOf } from '../../scripts/parts/prepare.mjs';
import { Studio, alive, openAudition, step } from './studio';

const studio = new Studio(3408, true);
test.beforeAll(async () => void (await studio.at('2026-11-24T08:00:00Z')));
test.afterAll(() => studio.close());
const button = (page: Page, name: RegExp) => page.getByRole('button', { name });
const word = (page: Page, element: string, says: string) =>
  page.getByRole('group', { name: element, exact: true }).getByRole('button', { name: says }).click();

test('two play to one jury on one evening, and a juror hears both by one link', async ({ page, browser }) => {
  await openAudition(studio, page, 'Ilka');
  const began = performance.now();
  await step('prepared: who plays, in which order, before whom', async () => {
    await page.goto(`${studio.origin}/studio`);
    await page.getByRole('link', { name: 'Prepare a mock evening' }).click();
    await alive(page);
    await page.getByLabel('Day', { exact: true }).fill('2026-11-24');
    await page.getByLabel('Begins', { exact: true }).fill('09:30');
    await page.getByLabel('Place', { exact: true }).fill('room 2');
    await page.getByLabel('Warm-up, minutes').fill('20');
    await page.getByLabel('Waiting, minutes').fill('10');
    await page.getByLabel('Jurors, between commas').fill('Lise, Jan');
    await button(page, /^Sanne/).click();
    await button(page, /^Ilka/).click();
    await page.getByLabel('Items of Sanne Ruytervelde').fill('1');
    await page.getByLabel('Items of Ilka Verbeeck').fill('1');
    await button(page, /^earlier$/).click();
    await button(page, /^Book all 2, and draw$/).click();
    await page.waitForURL('**/studio/evening/*');
    await expect(page.getByRole('listitem').first()).toContainText('09:30');
    await expect(page.getByRole('listitem').first()).toContainText('Ilka');
    await expect(page.getByRole('listitem').nth(1)).toContainText('09:55');
  });
  const seconds = (performance.now() - began) / 1000;
  test.info().annotations.push({ type: 'prepared in', description: `${seconds.toFixed(1)} s` });

  let link = '';
  await step('each juror has one link for all of it; it says numbers, and nobody', async () => {
    await button(page, /^Make the links$/).click();
    link = await page.getByLabel('For Lise').inputValue();
    expect(await page.getByLabel('For Jan').inputValue()).not.toBe(link);
  });
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, baseURL: studio.origin });
  const lise = await context.newPage();
  await lise.goto(link);
  await alive(lise);
  await expect(lise.getByRole('navigation', { name: 'Candidates' }).getByRole('button')).toHaveCount(2);
  expect(await lise.content()).not.toMatch(/Ilka|Sanne/);

  await step('who plays sees how long there is to warm up, and then to wait', async () => {
    const other = await browser.newContext({ baseURL: studio.origin, locale: 'en-GB' });
    const stand = await other.newPage();
    await stand.goto('/sign-in');
    await button(stand, /Ilka/).click();
    await stand.waitForURL('**/today');
    await stand.goto(stand.url().replace('/today', '/mocks'));
    await stand.getByRole('link', { name: 'The player’s screen' }).click();
    // 09:00 in Brussels: the hour is 09:30, there are twenty minutes to warm up and ten to wait
    await expect(stand.getByText(/^(20:00|19:\d\d)$/)).toBeVisible();
    await expect(stand.getByText(/^to warm up/)).toBeVisible();
    await other.close();
  });

  await step('the first is run, its tempo tapped, and leads to the second', async () => {
    await page.getByRole('link', { name: 'To the run of candidate 1' }).click();
    await alive(page);
    await button(page, /^begin/).click();
    await expect(page.getByText(/^from bar/)).toBeVisible();
    for (let tap = 0; tap < 5; tap += 1) {
      await button(page, /^(tap its tempo|\d of 4 taps|\d+ a minute)$/).click();
      await page.waitForTimeout(400);
    }
    await expect(button(page, /a minute$/)).toBeVisible();
    await button(page, /^the end/).click();
    await expect(page.getByRole('heading', { name: 'That was all' })).toBeVisible();
    await word(lise, 'rhythm', 'uneven');
    await button(lise, /^candidate 2$/).click();
    await expect(lise.getByRole('button', { name: /^2/ })).toHaveAttribute('aria-current', 'true');
    await word(lise, 'rhythm', 'carries');
    await expect(lise.getByText(/^kept on this device, sent/)).toBeVisible();
    await page.getByRole('link', { name: /^candidate 2/ }).click();
    await expect(page.getByRole('heading', { name: 'Ready' })).toBeVisible();
    await expect(page.getByText('has written').or(page.getByText('1 written'))).toHaveCount(1);
  });

  await step('opened, the first says at which tempo it was played', async () => {
    await page.getByRole('link', { name: 'out of the run' }).click();
    await page.waitForURL('**/mocks');
    await page.goto(`${studio.origin}/studio`);
    await page.getByRole('link', { name: /24 Nov, room 2/ }).click();
    await expect(page.getByRole('listitem').first()).toContainText('1 of 2 ballots have come');
    await page.getByRole('link', { name: 'Ilka Verbeeck' }).click();
    await alive(page);
    await button(page, /^Open the ballots$/).click();
    await expect(page.getByText(/^Played at .*(target|range)/)).toBeVisible();
  });
  await context.close();
});

test('who plays alone is led by the device, which records; somebody elsewhere hears it, and writes', async () => {
  const browser = await chromium.launch(
    launchOf(
      '--autoplay-policy=no-user-gesture-required',
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream'
    )
  );
  const page = await (await browser.newContext({ baseURL: studio.origin, locale: 'en-GB' })).newPage();
  const audition = await openAudition(studio, page, 'Sanne');

  await step('booked, and begun with the recorder', async () => {
    await page.goto(`${studio.origin}${audition}/mocks`);
    await alive(page);
    await page.getByText('Book another stage').click();
    await page.getByRole('combobox', { name: /^Stage/ }).selectOption('1');
    await page.getByLabel('Day', { exact: true }).last().fill('2026-11-24');
    await page.getByLabel('Items heard').fill('2');
    await button(page, /^Book it, and draw$/).click();
    await page.getByRole('link', { name: 'To the run, with the recorder' }).click();
    await alive(page);
    await button(page, /^record, and begin$/).click();
    await expect(page.getByText('recording', { exact: true })).toBeVisible();
    await expect(page.getByText('1 of 2')).toBeVisible();
    await page.waitForTimeout(1500);
  });

  await step('the pedal leads on; a step without a line is kept, and sent when there is one', async () => {
    await page.context().setOffline(true);
    await page.keyboard.press('PageDown');
    await expect(page.getByText('2 of 2')).toBeVisible();
    await expect(page.getByText('recording', { exact: true })).toBeVisible();
    await page.waitForTimeout(1500);
    await page.keyboard.press('PageDown');
    await expect(page.getByRole('heading', { name: 'That was all' })).toBeVisible();
    await expect(page.getByText('kept on this device, not sent yet')).toBeVisible();
    await page.context().setOffline(false);
    await expect(page.getByRole('link', { name: 'listen, and write' })).toBeVisible();
    await page.keyboard.press('PageDown');
    await expect(page.getByRole('heading', { name: 'That was all' })).toBeVisible();
  });

  await step('listened to, it is written about as a juror would', async () => {
    // the sound comes after the step
    await expect(async () => {
      await page.goto(`${studio.origin}${audition}/mocks`);
      await page.getByRole('link', { name: 'write it in' }).last().click();
      await expect(button(page, /^hear it$/)).toBeVisible({ timeout: 1000 });
    }).toPass();
    await alive(page);
    await button(page, /^hear it$/).click();
    await expect(page.getByText(/of 0:0[1-9]$/)).toBeVisible();
    await word(page, 'rhythm', 'uneven');
    await expect(page.getByText(/^kept on this device, sent/)).toBeVisible();
    await button(page, /^next$/).click();
    await page.getByRole('link', { name: 'done' }).click();
    await expect(page.getByText('has written of 1', { exact: true })).toBeVisible();
  });

  await step('by a link somebody elsewhere hears the same, and nothing of who it is', async () => {
    await alive(page);
    await page.getByLabel('Juror', { exact: true }).last().fill('Jan');
    await button(page, /^Make a ballot$/)
      .last()
      .click();
    await expect(page.getByText(/whoever hears it can record it/)).toBeVisible();
    const link = await page.getByLabel(/^Link to this ballot/).inputValue();
    const jan = await (await browser.newContext({ baseURL: studio.origin })).newPage();
    await jan.goto(link);
    await alive(jan);
    await button(jan, /^hear it$/).click();
    await expect(jan.getByText(/of 0:0[1-9]$/)).toBeVisible();
    expect(await jan.content()).not.toMatch(/Sanne|Fenland/);
  });
  await browser.close();
});

test('a mock from paper is written in, and its ballots printed beforehand', async ({ page }) => {
  const audition = await openAudition(studio, page, 'Jorre');
  await page.goto(`${studio.origin}${audition}/mocks/write-in`);
  await alive(page);
  await page.getByRole('combobox', { name: /^Stage/ }).selectOption('3');
  await page.getByLabel(/^Who heard it/).fill('Marthe; Jan');
  await button(page, /^Write it in$/).click();
  await expect(page.getByText(/^Say what was heard/)).toBeVisible();
  const bars = page.getByLabel(/Millrace/);
  await bars.fill('9000');
  await button(page, /^Write it in$/).click();
  await expect(page.getByText(/Millrace.*: write its bars as/)).toBeVisible();
  await expect(page.getByLabel(/^Who heard it/)).toHaveValue('Marthe; Jan');
  await bars.fill('9-16');
  await button(page, /^Write it in$/).click();
  await page.waitForURL('**/mocks?undo=*');
  await expect(page.getByText('No ballot has come.')).toBeVisible();
  await page.getByRole('link', { name: 'write it in' }).first().click();
  await alive(page);
  await word(page, 'tempo', 'carries');
  await page.getByRole('link', { name: 'done' }).click();
  await alive(page);
  await button(page, /^Open the ballots$/).click();
  await expect(page.getByRole('row', { name: /^tempo carries/ })).toBeVisible();
});
