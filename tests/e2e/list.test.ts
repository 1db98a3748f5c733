/** The list under the hands: put in order, edited in two tabs; and a field that is given far too much. */
import { expect, test } from '@playwright/test';
import { Studio, alive, enterDemo, openAudition } from './studio';

const studio = new Studio(3391, true);
test.beforeAll(() => studio.at('2026-11-24T08:30:00Z').then(() => undefined));
test.afterAll(() => studio.close());

test('the list is put in another order by keyboard alone, and the plan follows', async ({ browser }) => {
  const page = await (await browser.newContext()).newPage();
  const audition = await enterDemo(studio, page);
  await page.goto(`${studio.origin}${audition}/list`);
  await alive(page);
  const names = () => page.locator('.items .what a').allTextContents();
  const before = await names();
  let underway = 0;
  page.on('request', (request) => (underway += Number(request.url().includes('?/order'))));
  page.on('requestfinished', (request) => (underway -= Number(request.url().includes('?/order'))));
  /** What is put is sent at once, and kept when the studio has answered. */
  const isKept = async () => {
    await page.waitForTimeout(300);
    await expect.poll(() => underway).toBe(0);
  };
  const down = page.getByRole('button', { name: /^Move Étude 14.* down$/ });
  await down.focus();
  // further and further, faster than the studio answers
  for (let n = 0; n < 3; n += 1) await page.keyboard.press('Enter');
  const [first, ...others] = before;
  const moved = [...others.slice(0, 3), first, ...others.slice(3)];
  await expect.poll(names).toEqual(moved);
  await isKept();
  expect(await names()).toEqual(moved);
  await expect(down).toBeFocused();
  await page.keyboard.press('Shift+Tab');
  await page.keyboard.press('Enter');
  await expect.poll(names).toEqual([others[0], others[1], first, ...others.slice(2)]);
  // by its handle: taken up, carried back to the top, and put down
  await page.getByRole('button', { name: /^Move Étude 14.*: drag/ }).focus();
  for (const key of ['Enter', 'ArrowUp', 'ArrowUp', 'Enter']) await page.keyboard.press(key);
  await expect.poll(names).toEqual(before);
  await isKept();
  await page.reload();
  expect(await names()).toEqual(before);
});

test('an order stands as it was put, while what was put before is answered, and goes back where it is not taken', async ({
  browser
}) => {
  const page = await (await browser.newContext()).newPage();
  const audition = await enterDemo(studio, page);
  await page.goto(`${studio.origin}${audition}/list`);
  await alive(page);
  const names = () => page.locator('.items .what a').allTextContents();
  const [first, ...others] = await names();
  const down = page.getByRole('button', { name: `Move ${first} down`, exact: true });
  let sent = 0;
  let isLineDown = false;
  let answer = () => {};
  const isLater = new Promise<void>((resolve) => (answer = resolve));
  await page.route(
    (url) => url.search.startsWith('?/order'),
    async (route) => {
      sent += 1;
      if (sent > 1) await isLater;
      if (isLineDown) await route.abort();
      else await route.continue();
    }
  );
  const answered = page.waitForResponse((response) => response.url().includes('?/order'));
  await down.click();
  await down.click();
  await (await answered).finished();
  // what the page reads anew after the first answer is the order of before the second
  await page.waitForTimeout(700);
  const twice = [...others.slice(0, 2), first, ...others.slice(2)];
  expect(await names()).toEqual(twice);
  const last = page.waitForResponse((response) => response.url().includes('?/order'));
  answer();
  await (await last).finished();
  await page.waitForTimeout(700);
  expect(await names()).toEqual(twice);
  isLineDown = true;
  await down.click();
  await expect(page.getByText('Nothing was done')).toBeVisible();
  expect(await names()).toEqual(twice);
});

test('the list is put in another order by dragging a handle', async ({ browser }) => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 1000 } })).newPage();
  const audition = await enterDemo(studio, page);
  await page.goto(`${studio.origin}${audition}/list`);
  await alive(page);
  const names = () => page.locator('.items .what a').allTextContents();
  const before = await names();
  const grip = (await page.locator('.grip').first().boundingBox())!;
  const [first, second] = [
    (await page.locator('.items li').nth(0).boundingBox())!,
    (await page.locator('.items li').nth(1).boundingBox())!
  ];
  const [x, y] = [grip.x + 10, grip.y + 10];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y + 10, { steps: 3 });
  await page.mouse.move(x, y + first.height / 2 + second.height / 2 + 10, { steps: 12 });
  await expect.poll(names).not.toEqual(before);
  // it is kept when the studio has answered
  const kept = page.waitForResponse((response) => response.request().method() === 'POST');
  await page.mouse.up();
  const after = await names();
  expect(after[1]).toBe(before[0]);
  await kept;
  await page.reload();
  expect(await names()).toEqual(after);
});

test('two tabs editing one item: the later is told and keeps what it typed', async ({ browser }) => {
  const context = await browser.newContext();
  const [one, two] = [await context.newPage(), await context.newPage()];
  const audition = await enterDemo(studio, one);
  await one.goto(`${studio.origin}${audition}/list`);
  const href = await one.getByRole('link', { name: /Harbour/ }).getAttribute('href');
  for (const page of [one, two]) {
    await page.goto(studio.origin + href);
    await alive(page);
  }
  await one.getByLabel('What is being tested').fill('from the first tab');
  await one.getByRole('button', { name: 'Save', exact: true }).click();
  await one.waitForURL(/\/list\?undo=/);
  await two.getByLabel('What is being tested').fill('from the second tab');
  await two.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(two.getByRole('alert')).toContainText('changed in another window');
  await expect(two.getByLabel('What is being tested')).toHaveValue('from the second tab');
  await two.getByRole('button', { name: 'Save', exact: true }).click();
  await two.waitForURL(/\/list\?undo=/);
  await expect(two.getByText('tested: from the second tab')).toBeVisible();
});

test('a hundred kilobytes of text are refused at their field and stay there', async ({ browser }) => {
  const page = await (await browser.newContext()).newPage();
  const audition = await enterDemo(studio, page);
  await page.goto(`${studio.origin}${audition}/log`);
  await alive(page);
  await page.locator('#line').fill(`1 10m ${'long '.repeat(20_000)}`);
  await page.getByRole('button', { name: 'Log', exact: true }).click();
  await expect(page.locator('#line-fault')).toContainText('At most 4,000 characters');
  expect((await page.locator('#line').inputValue()).length).toBeGreaterThan(99_000);
});

test('what holds now is said with the item: the plan begins there, and presumes no more', async ({
  browser
}) => {
  const page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  const audition = await openAudition(studio, page, 'Teo');
  await expect(page.getByText('Nothing is known yet of what holds')).toBeVisible();
  await page.goto(`${studio.origin}${audition}/list`);
  await page.getByRole('link', { name: /Kites/ }).click();
  await page.waitForURL('**/list/*');
  await alive(page);
  await page.getByLabel('Holds now, bpm').fill('44');
  await page.getByLabel('Heard by').selectOption('the teacher');
  await page.getByLabel('On', { exact: true }).fill('2027-11-24');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('2027-11-24 is still to come: say what holds today.')).toBeVisible();
  // what was typed is still there
  await expect(page.getByLabel('Holds now, bpm')).toHaveValue('44');
  await page.getByLabel('On', { exact: true }).fill('2026-11-23');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.waitForURL('**/list?*');
  await page.goto(studio.origin + audition);
  await alive(page);
  await expect(page.getByText(/^The plan fits.*What holds of Pavane/)).toBeVisible();
  const row = page.locator('article', { hasText: 'Kites' });
  await row.locator('button.name').click();
  await expect(row.getByText('holds at 44, target 72, Mon 23 Nov, heard by the teacher')).toBeVisible();
  await expect(row.locator('tbody tr').first()).toContainText('46');
});

test('a wish outlives a reload, is answered with a reply, and carried out where it can be', async ({
  browser
}) => {
  const candidate = await (await browser.newContext({ baseURL: studio.origin })).newPage();
  await candidate.goto('/sign-in');
  await candidate.getByRole('button', { name: /Ilka/ }).click();
  await candidate.waitForURL('**/today');
  await candidate.locator('h1 a').click();
  await candidate.waitForURL('**/candidates/*');
  await alive(candidate);
  await candidate.getByLabel('I wish for').selectOption('another target');
  await candidate
    .locator('select[name=section]')
    .selectOption({ label: 'Étude 14, “Millrace”, bars 1–48, 58 now' });
  await candidate.getByLabel('target, bpm').fill('900');
  await candidate.reload();
  await alive(candidate);
  await expect(candidate.getByLabel('target, bpm')).toHaveValue('900');
  await candidate.getByRole('button', { name: 'Send the wish' }).click();
  const wish = candidate.getByText('Étude 14, “Millrace”, bars 1–48: target 900 instead of 58');
  await expect(wish).toBeVisible();

  const teacher = await (await browser.newContext({ baseURL: studio.origin })).newPage();
  await enterDemo(studio, teacher);
  await teacher.getByRole('link', { name: /Ilka.*2 wishes/ }).click();
  await teacher.waitForURL('**/lesson#wishes');
  await alive(teacher);
  const asked = teacher.locator('form.wish', { hasText: 'target 900' });
  await asked.getByRole('button', { name: 'Accept' }).click();
  // what cannot be is said, and the wish waits on
  await expect(teacher.getByRole('alert')).toContainText('Nothing was changed');
  await expect(asked).toBeVisible();
  await asked.getByLabel('reply').fill('Too fast for me');
  await asked.getByRole('button', { name: 'Not now' }).click();
  await expect(asked).toHaveCount(0);
  await candidate.reload();
  await expect(candidate.getByText('Too fast for me')).toBeVisible();

  await alive(candidate);
  await candidate.getByLabel('I wish for').selectOption('an item less');
  await candidate.locator('select[name=itemId]').selectOption({ label: 'Harbour Overture' });
  await candidate.getByRole('button', { name: 'Send the wish' }).click();
  await expect(candidate.getByText('Leave out Harbour Overture')).toBeVisible();
  await teacher.reload();
  await alive(teacher);
  const less = teacher.locator('form.wish', { hasText: 'Leave out Harbour Overture' });
  await less.getByRole('button', { name: 'Accept' }).click();
  await expect(teacher.getByText('It is done, and the plan is laid again.')).toBeVisible();
  await teacher.getByRole('button', { name: 'Take it back' }).click();
  await expect(less).toBeVisible();
});

test('a list is begun without a candidate, pasted, put in order, mended and given to one who then has its plan', async ({
  browser
}) => {
  const page = await (await browser.newContext({ baseURL: studio.origin })).newPage();
  await enterDemo(studio, page);
  await page.goto('/lists');
  await alive(page);
  await page.getByRole('link', { name: 'Begin a list' }).click();
  await page.waitForURL('**/lists/new');
  await alive(page);
  await page.getByLabel('Audition', { exact: true }).fill('Gravel Pit Winds');
  await page.locator('#round-0-date').fill('2027-02-20');
  await page.getByRole('button', { name: 'Save, and enter the list' }).click();
  await page.waitForURL(/\/lists\/[0-9a-f-]{36}$/);
  const list = new URL(page.url()).pathname;
  await alive(page);
  await page.getByRole('link', { name: 'Paste a list' }).click();
  await page.waitForURL('**/import');
  await alive(page);
  const text =
    'Kiln, Ashgrove, bars 1-24, 4/4, quarter 96, solo\nLoom, Ashgrove, bars 1-32, 3/4, quarter 72, etude';
  await page.locator('#text').fill(text);
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.getByRole('columnheader', { name: 'holds now' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Add these 2 items' }).click();
  await page.waitForURL((url) => url.pathname === list);
  await alive(page);
  const names = () => page.locator('.items .what a').allTextContents();
  expect(await names()).toEqual(['Kiln', 'Loom']);
  await page.getByRole('button', { name: 'Move Kiln down' }).click();
  await expect.poll(names).toEqual(['Loom', 'Kiln']);
  await page.getByRole('link', { name: 'Loom' }).click();
  await page.waitForURL(`**${list}/*`);
  await alive(page);
  await expect(page.getByLabel('Holds now, bpm')).toHaveCount(0);
  await page.getByLabel('Last bar').fill('0');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.locator('#toBar-fault')).toBeVisible();
  await page.getByLabel('Last bar').fill('40');
  await page.getByLabel('To bar').fill('40');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.waitForURL((url) => url.pathname === list);
  await alive(page);
  await page.getByLabel('Who takes it').selectOption({ label: 'Teo Marchetta-Lund' });
  await page.getByRole('button', { name: 'Lay a plan for it' }).click();
  await page.waitForURL(/\/auditions\/[0-9a-f-]{36}$/);
  await expect(page.getByText('Loom').first()).toBeVisible();
  // from now on it is read where it is taken
  await page.goto(list);
  await page.waitForURL(/\/auditions\/[0-9a-f-]{36}\/list$/);
  expect(await names()).toEqual(['Loom', 'Kiln']);
});
