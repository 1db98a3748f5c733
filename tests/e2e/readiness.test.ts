/** The weakest item says what comes next; it is put on tomorrow, played at the desk, and answers itself. */
import { type Page, expect, test } from '@playwright/test';
import { Studio, alive, askStarts, leaveBlocksUntil, step } from './studio';

const studio = new Studio(3406, true);
test.beforeAll(async () => void (await studio.at('2026-11-24T08:00:00Z')));
test.afterAll(() => studio.close());

const button = (page: Page, name: RegExp) => page.getByRole('button', { name });
const ITEM = 'Three Fables, II';

async function enterAs(page: Page): Promise<string> {
  await page.goto(`${studio.origin}/sign-in`);
  await button(page, /Ilka/).click();
  await page.waitForURL('**/today');
  return new URL(page.url()).pathname.replace('/today', '');
}
/** A check of the item that is opened, with its sign and words. */
const check = (page: Page, name: string) =>
  page.locator('.opened li', { has: page.getByText(name, { exact: true }) });

test('what is weakest is put on tomorrow by one click, and what is played there answers it', async ({
  page
}) => {
  const season = await enterAs(page);
  await page.goto(studio.origin + season + '/readiness');
  await alive(page);

  await step('one next action, and the day on which it can stand', async () => {
    await expect(page.getByRole('heading', { name: `Next: ${ITEM}, straight through` })).toBeVisible();
    await button(page, /^Put it on tomorrow$/).click();
    await expect(page.getByText(/^It is on tomorrow’s road map/)).toBeVisible();
    await button(page, /^Take it off again$/).click();
    await button(page, /^Put it on tomorrow$/).click();
    await expect(button(page, /^Take it off again$/)).toBeVisible();
  });

  await step(
    'what somebody knows is said by hand, with its day, and taken back as a word of its own',
    async () => {
      await page.getByRole('link', { name: ITEM }).click();
      await expect(check(page, 'from any bar')).toContainText('not yet');
      await button(page, new RegExp(`^${ITEM}, from any bar: it holds`)).click();
      await expect(check(page, 'from any bar')).toContainText('Tue 24 Nov, the player');
      await button(page, new RegExp(`^${ITEM}, from any bar: not after all`)).click();
      await expect(check(page, 'from any bar')).toContainText('2 times');
      await expect(page.getByLabel(/how much it counts/)).toHaveCount(0);
    }
  );

  await askStarts(page, studio.origin + season);
  await page.reload();
  await expect(page.getByText(/Put on tomorrow, too/)).toContainText(`${ITEM}, from any bar`);
  await studio.at('2026-11-25T08:00:00Z');
  await step('the next day it comes first of all pieces, and is played without stopping', async () => {
    await page.goto(studio.origin + season + '/desk?begin');
    const play = button(page, /^not recorded$/);
    await leaveBlocksUntil(page, play);
    await play.click();
    await button(page, /^the end$/).click();
    const answer = (question: RegExp) =>
      page.getByRole('group', { name: question }).getByRole('button', { name: 'yes', exact: true }).click();
    await answer(/Straight through/);
    await answer(/Clean/);
    await page.keyboard.press('ArrowRight');
    await expect(page.getByText('straight through, clean')).toBeVisible();
    await page.keyboard.press('ArrowRight');
  });

  await step(
    'then bars are named one after the other; one that was not there at once is taken back by a key',
    async () => {
      const named = page.getByRole('heading', { name: /^bar \d+$/ });
      await expect(page.getByText(`${ITEM}, 1 of 5`)).toBeVisible();
      await expect(named).toBeVisible();
      await page.keyboard.press('ArrowLeft');
      await expect(page.getByText(`${ITEM}, 2 of 5`)).toBeVisible();
      await page.keyboard.press('u');
      await expect(page.getByText(`${ITEM}, 1 of 5`)).toBeVisible();
      for (let at = 1; at <= 5; at += 1) {
        await expect(page.getByText(`${ITEM}, ${at} of 5`)).toBeVisible();
        await page.keyboard.press('PageDown');
      }
      await expect(page.getByText('from 5 of 5 bars it was there at once')).toBeVisible();
      await expect(page.getByText(/^all sent/)).toBeVisible();
    }
  );

  await step('both checks hold from now on, and something else is next', async () => {
    await expect(async () => {
      await page.goto(studio.origin + season + '/readiness');
      await page.getByRole('link', { name: ITEM }).click();
      await expect(check(page, 'straight through')).toContainText('Wed 25 Nov, the player', {
        timeout: 1000
      });
    }).toPass();
    await expect(check(page, 'cold, first attempt')).toContainText('holds');
    await expect(check(page, 'from any bar')).toContainText('Wed 25 Nov');
    await expect(page.getByRole('heading', { name: `Next: ${ITEM}, straight through` })).toHaveCount(0);
  });
});
