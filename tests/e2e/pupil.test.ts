/** A pupil's season: three days missed, then an early success; whatever happens, the days ahead have their work. */
import { type Page, expect, test } from '@playwright/test';
import { Studio, addCandidate, alive, openStudio, step } from './studio';

const studio = new Studio(3398);
test.afterAll(() => studio.close());

const LIST = `Étude 4, Quill, bars 1-16, quarter 84
Étude 9, Quill, bars 1-12, quarter 104
Reed dance, Osterrede, bars 1-20, quarter 92
Slow air, Osterrede, bars 1-12, quarter 58`;
/** What today's road map has, and the minutes of it. */
async function today(page: Page, audition: string): Promise<{ items: string[]; minutes: number }> {
  await page.goto(`${audition}/log`);
  await alive(page);
  const blocks = page.locator('aside ol li');
  const minutes = Number(/(\d+) min left/.exec(await page.locator('aside').innerText())?.[1]);
  return { items: await blocks.locator('strong').allInnerTexts(), minutes };
}

/** Minutes planned on each practice day of an opened week. */
async function daysOfWeek(page: Page, n: number): Promise<number[]> {
  await page.locator('button.week').nth(n).click();
  const texts = await page.getByText(/^\d+ of \d+ min$/).allInnerTexts();
  await page
    .getByRole('link', { name: 'Close' })
    .or(page.getByRole('button', { name: 'Close' }))
    .click();
  return texts.map((text) => Number(text.split(' ')[0]));
}

test('a pupil who misses three days, and then reaches a tempo early, has work on every day ahead', async ({
  browser
}) => {
  await studio.at('2026-11-24T08:00:00Z');
  const page = await (await browser.newContext({ baseURL: studio.origin })).newPage();
  let audition = '';

  await step('a list of four, 35 minutes to play on six days', async () => {
    await openStudio(page, 'Marthe Oldenkott');
    const weekdays = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
    const address = await addCandidate(page, 'Ada Quillon', weekdays, 55);
    await page.goto(`${address}/auditions/new`);
    await alive(page);
    await page.getByLabel('Audition', { exact: true }).fill('Saltmarsh Youth Winds');
    await page.locator('#round-0-date').fill('2027-01-16');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await page.waitForURL(/\/auditions\/[0-9a-f-]{36}$/);
    audition = new URL(page.url()).pathname;
    await page.goto(`${audition}/list/import`);
    await alive(page);
    await page.locator('#text').fill(LIST);
    await page.getByRole('button', { name: 'Read it' }).click();
    await page.getByRole('button', { name: 'Add these 4 items' }).click();
    await page.waitForURL('**/list/holds');
  });

  const first = await today(page, audition);
  /** Two thirds of what a day of the plan has. */
  const least = (2 / 3) * first.minutes;
  expect(first.minutes).toBeGreaterThan(10);

  await step(
    'no day on which it opens again is empty, and what was missed comes in the days ahead',
    async () => {
      for (const day of ['25', '26', '27']) {
        await studio.at(`2026-11-${day}T08:00:00Z`);
        expect((await today(page, audition)).minutes).toBeGreaterThanOrEqual(least);
      }
      await page.goto(audition);
      await alive(page);
      // Saturday to Friday: the week that begins tomorrow
      await page.locator('button.week').nth(1).click();
      for (const item of first.items)
        await expect(page.locator('p.block', { hasText: item }).first()).toBeVisible();
    }
  );

  await step(
    'after a tempo reached far ahead every practice day of the next fortnight has its work',
    async () => {
      await page.goto(`${audition}/log`);
      await alive(page);
      await page.locator('#line').fill('2 18m @88 nccc');
      await page.getByRole('button', { name: 'Log', exact: true }).click();
      await expect(page.getByText('Logged.')).toBeVisible();
      await studio.at('2026-11-28T08:00:00Z');
      await page.goto(audition);
      await alive(page);
      const read = [
        ...(await daysOfWeek(page, 0)),
        ...(await daysOfWeek(page, 1)),
        ...(await daysOfWeek(page, 2))
      ];
      // twelve practice days are a fortnight
      const days = read.slice(0, 12);
      expect(days).toHaveLength(12);
      // less is asked now: two thirds of what a day has since
      const mean = days.reduce((sum, minutes) => sum + minutes, 0) / days.length;
      for (const minutes of days) expect(minutes).toBeGreaterThanOrEqual((2 / 3) * mean);
    }
  );
});
