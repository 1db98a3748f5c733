/** Whether it fits, where it does not, what moved, and what is set by hand, on the demo's screens. */
import { type Page, expect, test } from '@playwright/test';
import { Studio, alive, openAudition } from './studio';

const studio = new Studio(3384, true);
test.beforeAll(() => studio.at('2026-11-24T08:30:00Z').then(() => undefined));
test.afterAll(() => studio.close());

const open = (page: Page, who: string) => openAudition(studio, page, who);

test('a plan that does not fit says which days, by how many minutes, and whose rungs stay open', async ({
  browser
}) => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await open(page, 'Ilka');
  const says = await page.locator('.says strong').first().textContent();
  // the arithmetic of the sentence: needed, less what there is, less what could go elsewhere, is short
  const [, needed, there, elsewhere, short] =
    /need (\d+) minutes; there are (\d+)(?:, and (\d+) more could go to other days)?: (\d+) short/.exec(
      says!
    )!;
  expect(Number(needed) - Number(there) - Number(elsewhere ?? 0)).toBe(Number(short));
  await expect(page.locator('.load .span').first()).toBeVisible();
  await expect(
    page
      .locator('article.short')
      .getByText(/: no minutes$/)
      .first()
  ).toBeVisible();
  // the first of the teacher's order is not the one that is short
  await expect(page.locator('article').first()).not.toHaveClass(/short/);
});

test('a rung pinned to a day is reached on that day, and comes free again', async ({ browser }) => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 900 } })).newPage();
  await open(page, 'Teo');
  const row = page.locator('article').first();
  await row.locator('button.name').click();
  const rung = row.locator('tbody tr').nth(4);
  const planned = await rung.locator('td').nth(2).textContent();
  await rung.getByRole('button', { name: /^Pin / }).click();
  const date = rung.getByLabel(/^Pinned date/);
  await expect(date).toBeVisible();
  await expect(rung.locator('td').nth(2)).toHaveText(planned!);
  await expect(row.locator('.pinned')).toHaveCount(1);
  // a Saturday later than planned, on which Teo practises
  await date.fill('2027-01-16');
  await expect(rung.locator('td').nth(2)).toHaveText('Sat 16 Jan');
  await expect(page.getByText(/pinned on Sat 16 Jan/).first()).toBeVisible();
  await rung.getByRole('button', { name: /^Take the pin off/ }).click();
  await expect(rung.getByRole('button', { name: /^Pin / })).toBeVisible();
  await expect(row.locator('.pinned')).toHaveCount(0);
});

test('a block pinned in an opened week stays when the plan is laid again', async ({ browser }) => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 900 } })).newPage();
  const audition = await open(page, 'Sanne');
  const week = page.locator('button.week').nth(2);
  await week.click();
  const pin = page.getByRole('button', { name: /^Pin \d+ minutes of / }).first();
  const label = (await pin.getAttribute('aria-label'))!;
  const [, minutes, item, day] = /^Pin (\d+) minutes of (.*) on (.*)$/.exec(label)!;
  await pin.click();
  const unpin = page.getByRole('button', { name: `Take the pin off ${item} on ${day}` });
  await expect(unpin).toBeVisible();
  // another order of the list lays the plan again
  await page.goto(`${studio.origin}${audition}/list`);
  await alive(page);
  await page
    .getByRole('button', { name: /^Move .* down$/ })
    .first()
    .click();
  await alive(page);
  await page.goto(studio.origin + audition);
  await alive(page);
  await page.locator('button.week').nth(2).click();
  await expect(unpin).toBeVisible();
  const column = page.locator('section li', { hasText: day! });
  await expect(column).toContainText(item!);
  const lengths = await column.locator('.block', { hasText: item! }).locator('.length').allTextContents();
  const sum = lengths.reduce((total, text) => total + Number(/(\d+) min/.exec(text)![1]), 0);
  expect(sum).toBeGreaterThanOrEqual(Number(minutes));
});

test('what moved is shown where it moved, and any two layings stand side by side', async ({ browser }) => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 900 } })).newPage();
  const audition = await open(page, 'Ilka');
  await expect(page.locator('.was')).toHaveCount(0);
  await page.locator('.moves summary').click();
  await expect(page.locator('.moves tbody tr').first()).toBeVisible();
  const rows = await page.locator('.moves tbody tr').count();
  const marks = await page.locator('.was').count();
  expect(marks).toBeGreaterThan(0);
  expect(marks).toBeLessThanOrEqual(rows);
  await page.locator('.moves summary').click();
  await expect(page.locator('.was')).toHaveCount(0);
  await page.goto(`${studio.origin}${audition}/layings`);
  await alive(page);
  const numbers = await page.getByLabel('with plan').locator('option').allTextContents();
  await page.getByLabel('Compare plan').selectOption({ index: numbers.length - 1 });
  await page.getByRole('button', { name: 'Side by side' }).click();
  await page.waitForURL('**/compare?*');
  await expect(page.getByRole('heading', { level: 2 })).toHaveText(/^Plan 1 beside plan \d+$/);
  expect(await page.locator('.rungs tr.differs').count()).toBeGreaterThan(5);
  await expect(page.locator('.rungs')).toContainText(/\d+ days? (later|earlier)/);
  await page.goto(`${studio.origin}${audition}/layings/compare?a=1&b=9999`);
  await expect(page.getByText(/There is nothing here/)).toBeVisible();
});

test('a candidate sees the plan and what is pinned, but sets nothing by hand', async ({ browser }) => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 900 } })).newPage();
  await page.goto(`${studio.origin}/sign-in`);
  await page.getByRole('button', { name: /Sanne .* candidate/ }).click();
  await page.waitForURL('**/today');
  await page.getByRole('link', { name: 'Countback', exact: true }).click();
  await page.waitForURL('**/auditions/*');
  await alive(page);
  await page.locator('button.week').nth(2).click();
  await page.locator('button.name').first().click();
  await expect(page.locator('.how tbody tr').first()).toBeVisible();
  await expect(page.getByRole('button', { name: /^Pin |^Take the pin/ })).toHaveCount(0);
});
