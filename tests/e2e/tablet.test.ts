/** One tablet, one account, several candidates: what is played for each stays theirs, without a line too. */
import { type Page, expect, test } from '@playwright/test';
import { Studio, alive, step } from './studio';

const studio = new Studio(3413, true);
test.beforeAll(async () => void (await studio.at('2026-11-24T08:00:00Z')));
test.afterAll(() => studio.close());

/** What the studio has of a day at the desk. */
async function logOf(page: Page, audition: string): Promise<string> {
  await page.goto(`${studio.origin}${audition}/log`);
  return page.getByRole('main').innerText();
}

test('a teacher’s tablet mixes up nobody: each desk shows and sends its own, and the line that comes back sends both', async ({
  page,
  browser
}) => {
  await page.goto(`${studio.origin}/sign-in`);
  await page.getByRole('button', { name: /teacher, the whole studio/ }).click();
  await page.waitForURL('**/studio');
  const auditionOf = async (who: string) =>
    (await page
      .locator('tbody', { hasText: who })
      .locator('a[href^="/auditions/"]')
      .first()
      .getAttribute('href'))!;
  const [ilka, noor] = [await auditionOf('Ilka'), await auditionOf('Noor')];
  const blocks = () => page.locator('.wide .slot .block').allInnerTexts();
  const dayOf = async (audition: string) => {
    await page.goto(`${studio.origin}${audition}/today`);
    await alive(page);
    return blocks();
  };
  const [ofIlka, ofNoor] = [await dayOf(ilka), await dayOf(noor)];
  expect(ofIlka).not.toEqual(ofNoor);

  await step('a day that was changed on it is that candidate’s alone', async () => {
    await dayOf(ilka);
    await page.locator('.wide .slot .block').last().click();
    await page.locator('.wide').getByRole('group').getByRole('button', { name: 'drop' }).click();
    await expect(page.getByRole('button', { name: /^undo/ })).toBeVisible();
    expect(await dayOf(noor)).toEqual(ofNoor);
    expect((await dayOf(ilka)).length).toBeLessThan(ofIlka.length);
  });

  await step('what was begun for one without a line waits, while another’s is begun and sent', async () => {
    const desk = `**/candidates/*/desk`;
    await page.route(desk, (route) => route.abort());
    await page.goto(`${studio.origin}${ilka}/desk?begin`);
    await expect(page.getByText(/kept\s+on this device, \d+ to send/)).toBeVisible();
    await page.unroute(desk);
    const sent: string[] = [];
    page.on('request', (request) => {
      if (/\/candidates\/[^/]+\/desk$/.test(request.url()) && request.method() === 'POST')
        sent.push(new URL(request.url()).pathname);
    });
    await page.goto(`${studio.origin}${noor}/desk?begin`);
    await expect(page.locator('footer .time')).toContainText('block 1 of');
    // its own first, then the other’s, each to where it belongs
    await expect.poll(() => new Set(sent).size).toBe(2);
    await expect(page.getByText(/^all sent/)).toBeVisible();
  });

  await step('each has their own day at the studio, seen from another device', async () => {
    const context = await browser.newContext({ baseURL: studio.origin, locale: 'en-GB' });
    const other = await context.newPage();
    for (const [who, audition, before] of [
      ['Ilka', ilka, ofIlka],
      ['Noor', noor, ofNoor]
    ] as const) {
      await other.goto('/sign-in');
      await other.getByRole('button', { name: new RegExp(who) }).click();
      await other.waitForURL('**/today');
      await other.goto(`${audition}/desk`);
      // the block that was begun on the tablet is in hand here
      await expect(other.locator('footer .time')).toContainText('block 1 of');
      const name = (before[0] ?? '').split('\n')[0]!;
      await expect(other.locator('.desk')).toContainText(name.slice(0, 8));
      await context.clearCookies();
    }
    await context.close();
  });
  expect(await logOf(page, noor)).not.toContain('Three Fables');
});
