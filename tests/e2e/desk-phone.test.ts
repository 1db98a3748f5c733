/** A candidate's day on a phone, by touch: changed by hand, fitted into less time, and stopped where it hurts; spots and fundamentals after it. */
import { expect, test } from '@playwright/test';
import { enter, face } from './face';
import { Studio, alive, step } from './studio';

const studio = new Studio(3409, true);
test.afterAll(() => studio.close());

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
