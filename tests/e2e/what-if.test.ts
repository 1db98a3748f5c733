/** What would make a plan fit, and what if: tried on a scratch copy, kept by one click, taken back by another. */
import { type Page, expect, test } from '@playwright/test';
import { Studio, alive, openAudition, step } from './studio';

const studio = new Studio(3385, true);
test.beforeAll(() => studio.at('2026-11-24T08:30:00Z').then(() => undefined));
test.afterAll(() => studio.close());

const open = (page: Page, who: string) => openAudition(studio, page, who);

const short = (page: Page) => page.locator('.says strong').first();

test('a plan that does not fit is brought to one that does in three clicks, and back by a fourth', async ({
  browser
}) => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 900 } })).newPage();
  const audition = await open(page, 'Ilka');
  await expect(short(page)).toContainText('short.');
  const before = await short(page).textContent();

  await step('one: what would make it fit', async () => {
    await page.getByRole('link', { name: 'What would make it fit' }).click();
    await page.waitForURL('**/what-if');
    await expect(page.getByRole('button', { name: /Practise longer: \d+ minutes on / })).toBeVisible();
    await expect(page.getByRole('button', { name: /Leave out/ })).toBeVisible();
  });
  await step('two: a way is tried, and drawn on the countback', async () => {
    const way = page.getByRole('button', { name: /longer on each practice day/ });
    await way.click();
    await expect(way).toHaveAttribute('aria-pressed', 'true');
    await expect(page.getByRole('status').filter({ hasText: /min short → fits/ })).toBeVisible();
    await expect(page.getByText('The plan fits: every rung has its minutes.')).toBeVisible();
    // nothing is changed yet
    const real = await (await page.context().newPage()).goto(studio.origin + audition);
    expect(await real!.text()).toContain(before!);
  });
  await step('three: it is kept', async () => {
    await page.getByRole('button', { name: 'Keep it' }).click();
    await page.waitForURL((url) => url.pathname === audition);
    await expect(page.getByText('The plan fits: every rung has its minutes.')).toBeVisible();
  });
  await step('and taken back', async () => {
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect(short(page)).toHaveText(before!);
  });
});

test('what is tried by hand is drawn at once, survives a reload, and is dropped without a trace', async ({
  browser
}) => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 900 } })).newPage();
  const audition = await open(page, 'Noor');
  const laying = await page.getByText(/^.*Plan \d+, for/).textContent();
  await page.getByRole('link', { name: 'What if ...' }).click();
  await page.waitForURL('**/what-if');
  await alive(page);
  await page.getByText('Change it by hand').click();
  await page.getByLabel('Minutes on Mondays').fill('900');
  await page.getByLabel('Minutes on Mondays').blur();
  await expect(page.getByRole('alert')).toContainText('from 0 to 720');
  await page.getByLabel(/^Target of Concertino/).fill('140');
  await page.getByLabel(/^Target of Concertino/).blur();
  await expect(page.getByRole('alert')).toContainText('140 lies outside the published range, 116 to 126');
  await page.getByLabel(/^Target of Concertino/).fill('120');
  await page.getByLabel(/^Target of Concertino/).blur();
  await expect(page.getByRole('status').filter({ hasText: 'would move' })).toBeVisible();
  await expect(page.locator('article', { hasText: 'Concertino' })).toContainText('to go');
  await page.getByLabel('Strategy of all items').selectOption('chunks at tempo');
  await expect(page.getByLabel(/^Strategy of Étude 3/).first()).toHaveValue('chunks');
  await expect(page.getByLabel('Strategy of all items')).toHaveValue('');
  await page.reload();
  await alive(page);
  await expect(page.getByRole('status').filter({ hasText: 'would move' })).toBeVisible();
  await page.getByRole('button', { name: 'Drop it' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'would move' })).toHaveCount(0);
  await page.goto(studio.origin + audition);
  expect(await page.getByText(/^.*Plan \d+, for/).textContent()).toBe(laying);
});

test('a candidate is not shown the scratch copy', async ({ browser }) => {
  const page = await (await browser.newContext()).newPage();
  const audition = await open(page, 'Sanne');
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.waitForURL('**/sign-in');
  await page.getByRole('button', { name: /Sanne .* candidate/ }).click();
  await page.waitForURL('**/today');
  const answer = await page.goto(`${studio.origin}${audition}/what-if`);
  expect(answer!.status()).toBe(403);
});
