/** While an answer is still to come, and when it has come: where one is then, what is sent twice, and what is pressed meanwhile. */
import { expect, test } from '@playwright/test';
import { Studio, alive, enterDemo, step } from './studio';

const studio = new Studio(3410, true);
test.beforeAll(() => studio.at('2026-11-24T08:30:00Z').then(() => undefined));
test.afterAll(() => studio.close());

test('who works by keys goes on where they were when the studio has answered', async ({ browser }) => {
  const page = await (await browser.newContext()).newPage();
  const audition = await enterDemo(studio, page);
  await step('lines of the log, one after the other', async () => {
    await page.goto(`${studio.origin}${audition}/log`);
    await alive(page);
    await page.locator('#line').focus();
    for (const line of ['1 5m @60 ccc', '1 4m @61 ccn']) {
      await page.keyboard.type(line);
      await page.keyboard.press('Enter');
      await expect(page.locator('#line')).toHaveValue('');
      await expect(page.locator('#line')).toBeFocused();
    }
  });
  await step('ticks, each of which is a form of its own', async () => {
    await page.goto(`${studio.origin}${audition}/list`);
    await alive(page);
    const ticks = page.locator('form[action="?/groundwork"] button');
    await ticks.first().focus();
    for (let n = 0; n < 2; n += 1) {
      const was = await ticks.first().getAttribute('aria-pressed');
      await page.keyboard.press('Enter');
      await expect(ticks.first()).not.toHaveAttribute('aria-pressed', was!);
      await expect(ticks.first()).toBeFocused();
    }
    await page.keyboard.press('Tab');
    await expect(ticks.nth(1)).toBeFocused();
  });
  await step('another page begins at its beginning, though the link to it stands there too', async () => {
    await page.locator('a[href="/account"]').focus();
    await page.keyboard.press('Enter');
    await page.waitForURL('**/account');
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.keyboard.press('Tab');
    await expect(page.locator('a, button').first()).toBeFocused();
  });
});

test('what is half typed stays when another form of the page is answered', async ({ browser }) => {
  const page = await (await browser.newContext()).newPage();
  const audition = await enterDemo(studio, page);
  const line = page.locator('#line');
  await step('in the lesson, where a step is chosen', async () => {
    await page.goto(`${studio.origin}${audition}/lesson`);
    await alive(page);
    await line.fill('1 5m @6');
    await page
      .getByLabel(/^Step of/)
      .first()
      .selectOption({ index: 2 });
    await expect(page.getByText('The step is changed.')).toBeVisible();
    await expect(line).toHaveValue('1 5m @6');
  });
  await step('in the log, where a touch is removed', async () => {
    await page.goto(`${studio.origin}${audition}/log`);
    await alive(page);
    await line.fill('1 5m @7');
    await page.locator('form[action="?/remove"] button').first().click();
    await expect(page.getByText('The touch is out of the log.')).toBeVisible();
    await expect(line).toHaveValue('1 5m @7');
  });
});

test('what is typed while an answer is still to come stays, also when the page is read anew', async ({
  browser
}) => {
  const page = await (await browser.newContext()).newPage();
  const audition = await enterDemo(studio, page);
  await page.route(
    (url) => url.search.startsWith('?/'),
    async (route) => {
      await page.waitForTimeout(600);
      await route.continue();
    }
  );
  for (const [where, field, first, second] of [
    ['log', '#line', '1 5m @60 ccc', '1 4m @61 ccn'],
    ['spots', 'form[action="?/spot"] [name="line"]', '2 late -rhythm', '5 thin -tone']
  ] as const)
    await step(where, async () => {
      await page.goto(`${studio.origin}${audition}/${where}`);
      await alive(page);
      const line = page.locator(field);
      await line.fill(first);
      await page.keyboard.press('Enter');
      await page.keyboard.type(second);
      await expect(line).toHaveValue(second);
      // a draft is enciphered before it is kept
      await page.waitForTimeout(500);
      await page.reload();
      await alive(page);
      await expect(line).toHaveValue(second);
      await line.press('Enter');
      await expect(line).toHaveValue('');
      await page.reload();
      await alive(page);
      await expect(line).toHaveValue('');
    });
});

test('a button that is pressed twice sends once, however long the answer takes', async ({ browser }) => {
  const page = await (await browser.newContext()).newPage();
  const audition = await enterDemo(studio, page);
  await page.goto(`${studio.origin}${audition}/mocks`);
  await alive(page);
  await page.getByRole('button', { name: 'Book it, and draw' }).click();
  const name = page.getByLabel('Juror').first();
  await expect(name).toBeVisible();
  let sent = 0;
  await page.route(
    (url) => url.search.startsWith('?/'),
    async (route) => {
      sent += 1;
      await page.waitForTimeout(500);
      await route.continue();
    }
  );
  const jurors = page.locator('.juror bdi').filter({ hasText: 'Wiebke Twice' });
  const make = page.getByRole('button', { name: 'Make a ballot' }).first();
  // another of the same name, later, is another
  for (const count of [1, 2]) {
    await name.fill('Wiebke Twice');
    await make.dblclick();
    await expect(name).toHaveValue('');
    await expect(jurors).toHaveCount(count);
    expect(sent).toBe(count);
  }
});

test('a link that is pressed before an answer has come leads there all the same, and what is refused meanwhile is said there', async ({
  browser
}) => {
  const page = await (await browser.newContext()).newPage();
  const audition = await enterDemo(studio, page);
  /** What is sent is answered while the page that a link leads to is still being fetched. */
  const pressWhileItIsSent = async (send: () => Promise<void>, link: string) => {
    const isSent = (url: URL) => url.search.startsWith('?/');
    const answered = page.waitForResponse((response) => isSent(new URL(response.url())));
    const asked = page.waitForRequest('**/__data.json*');
    const from = page.url();
    let isFirst = true;
    await page.route(isSent, async (route) => {
      await asked;
      await route.continue();
    });
    await page.route('**/__data.json*', async (route) => {
      if (isFirst) {
        isFirst = false;
        await (await answered).finished();
        await page.waitForTimeout(300);
      }
      await route.continue();
    });
    await send();
    await page.getByRole('link', { name: link, exact: true }).first().click();
    await page.waitForURL((url) => url.href !== from);
    await page.unrouteAll({ behavior: 'wait' });
  };

  await step('an item moved in the list, and opened', async () => {
    await page.goto(`${studio.origin}${audition}/list`);
    await alive(page);
    const names = () => page.locator('.items .what a').allTextContents();
    const before = await names();
    await pressWhileItIsSent(
      () =>
        page
          .getByRole('button', { name: /^Move .* down$/ })
          .first()
          .click(),
      before[0]!
    );
    await page.waitForURL(/\/list\/[^/]+$/);
    await page.goBack();
    await expect.poll(names).toEqual([before[1], before[0], ...before.slice(2)]);
  });

  await step('an item that cannot be saved, and is left', async () => {
    await page.locator('.items .what a').first().click();
    await page.waitForURL(/\/list\/[^/]+$/);
    await alive(page);
    const item = page.url();
    await page.getByLabel('Last bar').fill('0');
    await pressWhileItIsSent(
      () => page.getByRole('button', { name: 'Save', exact: true }).click(),
      'Countback'
    );
    await page.waitForURL(`${studio.origin}${audition}`);
    await expect(page.getByText('What you sent from the page before was not taken')).toBeVisible();
    await page.goto(item);
    await expect(page.getByLabel('Last bar')).toHaveValue('0');
  });
});
