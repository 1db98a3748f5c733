import { type Page, expect, test } from '@playwright/test';
import { Studio, alive, openAudition, signIn, step } from './studio';

const studio = new Studio(3389, true);
test.beforeAll(() => studio.at('2026-11-24T08:30:00Z').then(() => undefined));
test.afterAll(() => studio.close());

/** What lies on the device, as anybody who opens it would find it. */
const onDevice = (page: Page) => page.evaluate(() => JSON.stringify({ ...localStorage }));
/** Leaves the page and comes back, as a wrong click does. */
async function leaveAndReturn(page: Page) {
  const here = page.url();
  await page.goto('/lists');
  await page.goto(here);
  await alive(page);
}

test('whatever is typed outlives a preview, a reload and a wrong click, in every form', async ({
  browser
}) => {
  const page = await (await browser.newContext({ baseURL: studio.origin })).newPage();
  const audition = await openAudition(studio, page, 'Ilka');

  await step('an item, looked at first and then reloaded', async () => {
    await page.goto(`${audition}/list`);
    await page
      .locator('a[href*="/list/"]')
      .filter({ hasNotText: /paste|add/i })
      .first()
      .click();
    await alive(page);
    await page.locator('#edition').fill('Harbour Press, third printing');
    await page.getByRole('button', { name: 'Show first what it would change' }).click();
    await expect(page.getByText('not saved yet', { exact: false }).first()).toBeVisible();
    await page.reload();
    await alive(page);
    await expect(page.getByText('What you had typed here before is back')).toBeVisible();
    await expect(page.locator('#edition')).toHaveValue('Harbour Press, third printing');
    await page.getByRole('button', { name: 'Use what is saved instead' }).click();
    await alive(page);
    await expect(page.locator('#edition')).not.toHaveValue('Harbour Press, third printing');
  });

  await step('a pasted list, before it is read and while it is looked over', async () => {
    await page.goto(`${audition}/list/import`);
    await alive(page);
    await page.locator('#text').fill('Study in drafts, Quill, bars 1-16, quarter 60');
    await leaveAndReturn(page);
    await expect(page.locator('#text')).toHaveValue('Study in drafts, Quill, bars 1-16, quarter 60');
    await page.getByRole('button', { name: 'Read it' }).click();
    await expect(page.getByRole('heading', { name: 'Look it over' })).toBeVisible();
    const name = page.locator('tbody input').first();
    await name.fill('Study in drafts, mended');
    await leaveAndReturn(page);
    await expect(name).toHaveValue('Study in drafts, mended');
  });

  await step('a lesson’s note and minutes', async () => {
    await page.goto(`${audition}/lesson`);
    await alive(page);
    await page.getByLabel('Note to take home').fill('Half a note');
    await page.locator('.week input:not([type=hidden])').first().fill('33');
    await page.locator('#goal').fill('Millrace at 54 by Friday');
    await leaveAndReturn(page);
    await expect(page.locator('#goal')).toHaveValue('Millrace at 54 by Friday');
    await expect(page.getByLabel('Note to take home')).toHaveValue('Half a note');
    await expect(page.locator('.week input:not([type=hidden])').first()).toHaveValue('33');
  });

  await step('a touch, and at nobody else’s log', async () => {
    await page.goto(`${audition}/log`);
    await alive(page);
    await page.locator('#line').fill('1 5m half a line');
    await leaveAndReturn(page);
    await expect(page.locator('#line')).toHaveValue('1 5m half a line');
    expect(await onDevice(page)).toContain('log line');
    await page.getByRole('button', { name: 'Log', exact: true }).click();
    await expect(page.getByText('Logged.')).toBeVisible();
    await page.waitForTimeout(100);
    expect(await onDevice(page)).not.toContain('log line');
    await page.locator('#line').fill('1 5m half a line');
    await page.waitForTimeout(100);
    const other = await openAudition(
      studio,
      await (await browser.newContext({ baseURL: studio.origin })).newPage(),
      'Jorre'
    );
    await page.goto(`${other}/log`);
    await alive(page);
    await expect(page.locator('#line')).toHaveValue('');
  });

  await step('a private note, which nobody finds on the device', async () => {
    await page.goto(audition);
    await page.goto('/studio');
    await page.locator('a[href^="/candidates/"]', { hasText: 'Ilka' }).first().click();
    await page.waitForURL('**/candidates/*');
    await alive(page);
    await page.locator('#privateNote').fill('a very private matter');
    await page.waitForTimeout(100);
    expect(await onDevice(page)).not.toContain('private matter');
    await leaveAndReturn(page);
    await expect(page.locator('#privateNote')).toHaveValue('a very private matter');
  });

  await step('signing out asks first, and then nothing of it is left', async () => {
    expect(await onDevice(page)).toContain('irvot draft');
    await page.getByRole('button', { name: 'Sign out', exact: true }).click();
    await expect(page.getByText('on this device are not saved yet')).toBeVisible();
    await page.getByRole('button', { name: 'Stay signed in' }).click();
    await expect(page.locator('#privateNote')).toHaveValue('a very private matter');
    await page.getByRole('button', { name: 'Sign out', exact: true }).click();
    await page.getByRole('button', { name: 'Sign out and let it go' }).click();
    await page.waitForURL('**/sign-in');
    expect(await onDevice(page)).not.toContain('irvot draft');
  });
});

test('what is typed for one candidate never stands at another’s, however one gets from page to page', async ({
  browser
}) => {
  const page = await (await browser.newContext({ baseURL: studio.origin })).newPage();
  await openAudition(studio, page, 'Ilka');
  await page.goto('/studio');
  const hrefs = await page
    .locator('a[href^="/candidates/"]')
    .evaluateAll((links) => links.map((one) => one.getAttribute('href')!));
  const [one, other] = [...new Set(hrefs)].filter((href) => /^\/candidates\/[^/]+$/.test(href));
  expect(other).toBeTruthy();
  await page.goto(one!);
  await alive(page);
  await page.locator('#privateNote').fill('about this one alone');
  await page.evaluate((href) => {
    const link = document.createElement('a');
    link.href = href;
    document.body.append(link);
    link.click();
  }, other!);
  await page.waitForURL(`**${other}`);
  await expect(page.locator('#privateNote')).not.toHaveValue('about this one alone');
  await page.goBack();
  await expect(page.locator('#privateNote')).toHaveValue('about this one alone');
});

test('what is sent when the session has ended leads to the door, and is there after signing in again', async ({
  browser
}) => {
  const context = await browser.newContext({ baseURL: studio.origin });
  const page = await context.newPage();
  const audition = await openAudition(studio, page, 'Ilka');
  const comeBackTo = async (path: string) => {
    await page.waitForURL('**/sign-in*');
    await alive(page);
    await page.getByRole('button', { name: /teacher, the whole studio/ }).click();
    await page.waitForURL((url) => url.pathname !== '/sign-in');
    await page.goto(path);
    await alive(page);
  };

  await step('a time away, in plain fields', async () => {
    await page.getByText('Away for some days').click();
    await page.getByLabel('to', { exact: true }).fill('2026-12-02');
    await page.getByLabel('why').fill('exams in the west');
    await context.clearCookies();
    await page.getByRole('button', { name: 'Lay the plan around it' }).click();
    await comeBackTo(audition);
    await page.getByText('Away for some days').click();
    await expect(page.getByLabel('why')).toHaveValue('exams in the west');
    await expect(page.getByText(/^Away Tue/)).toHaveCount(0);
  });

  await step('an item, in a large form', async () => {
    await page.goto(`${audition}/list`);
    await page.getByRole('link', { name: /Lanterns/ }).click();
    await page.waitForURL('**/list/*');
    await alive(page);
    const item = new URL(page.url()).pathname;
    await page.locator('#edition').fill('Quay Press, fourth printing');
    await context.clearCookies();
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await comeBackTo(item);
    await expect(page.locator('#edition')).toHaveValue('Quay Press, fourth printing');
  });
});

test('what another window has saved since is noticed, however long ago one began to type', async ({
  browser
}) => {
  const context = await browser.newContext({ baseURL: studio.origin });
  const early = await context.newPage();
  const audition = await openAudition(studio, early, 'Jorre');
  const late = await (
    await browser.newContext({ baseURL: studio.origin, storageState: await context.storageState() })
  ).newPage();

  await step('in a form with a version', async () => {
    await early.goto(`${audition}/call`);
    await alive(early);
    await early.locator('#name').fill('Typed early');
    await late.goto(`${audition}/call`);
    await alive(late);
    await late.locator('#round-0-name').fill('saved late');
    await late.getByRole('button', { name: 'Save and lay the plan again' }).click();
    await late.waitForURL(/undo=/);
    await early.reload();
    await alive(early);
    await expect(early.locator('#name')).toHaveValue('Typed early');
    await early.getByRole('button', { name: 'Save and lay the plan again' }).click();
    await expect(early.getByRole('alert')).toContainText('This was changed in another window');
    await expect(early.locator('#name')).toHaveValue('Typed early');
  });

  await step('and in a lesson’s note, which is saved over it only by who was told', async () => {
    for (const page of [early, late]) {
      await page.goto(`${audition}/lesson`);
      await alive(page);
    }
    await late.getByLabel('Note to take home').fill('Saved late');
    await late.getByRole('button', { name: 'Save the note' }).click();
    await expect(late.getByText('The note is saved')).toBeVisible();
    await early.getByLabel('Note to take home').fill('Typed early');
    await early.getByRole('button', { name: 'Save the note' }).click();
    await expect(early.getByRole('alert')).toContainText('This was changed in another window');
    await early.getByRole('button', { name: 'Save the note' }).click();
    await expect(early.getByText('The note is saved')).toBeVisible();
    // the way back of the other window would take this one's work along
    await late.getByRole('button', { name: 'Take it back' }).click();
    await expect(late.getByRole('alert')).toContainText(
      'It was changed again since then, so nothing was taken back'
    );
  });
});

test('a password is changed by who knows it, and everybody else is signed out', async ({ browser }) => {
  const fresh = new Studio(3390);
  await fresh.at('2026-11-24T08:30:00Z');
  const [page, elsewhere] = await Promise.all(
    [1, 2].map(async () => (await browser.newContext({ baseURL: fresh.origin })).newPage())
  );
  await page!.goto('/');
  await alive(page!);
  await page!.getByLabel('Your name').fill('Marthe Oldenkott');
  await page!.getByLabel('Sign-in name').fill('marthe');
  await page!.getByLabel('Password').fill('password1234');
  await page!.getByRole('button', { name: 'Open the studio' }).click();
  await expect(page!.locator('#password-fault')).toContainText('among the passwords tried first');
  await page!.getByLabel('Password').fill('three quiet herons');
  await page!.getByRole('button', { name: 'Open the studio' }).click();
  await page!.waitForURL('**/studio');
  await elsewhere!.goto('/');
  await signIn(elsewhere!, 'marthe', 'three quiet herons');

  await page!.getByRole('link', { name: 'Marthe Oldenkott' }).click();
  await page!.waitForURL('**/account');
  await alive(page!);
  await expect(page!.getByRole('button', { name: 'Sign out there' })).toHaveCount(1);
  await page!.getByLabel('The password you have now').fill('guess');
  await page!.getByLabel('The new one').fill('five tall cranes');
  await page!.getByRole('button', { name: 'Change it' }).click();
  await expect(page!.locator('#present-fault')).toContainText('not your present password');
  await page!.getByLabel('The password you have now').fill('three quiet herons');
  await page!.getByLabel('The new one').fill('five tall cranes');
  await page!.getByRole('button', { name: 'Change it' }).click();
  await expect(page!.getByText('Everywhere else you are signed out')).toBeVisible();
  await expect(page!.getByRole('button', { name: 'Sign out there' })).toHaveCount(0);
  await elsewhere!.goto('/lists');
  await signIn(elsewhere!, 'marthe', 'five tall cranes');
  await expect(elsewhere!).toHaveURL(/\/lists$/);
  await fresh.close();
});

test('where the line drops, every form stays on the page with what was typed, and says that nothing was done', async ({
  browser
}) => {
  const context = await browser.newContext({ baseURL: studio.origin });
  const page = await context.newPage();
  const audition = await openAudition(studio, page, 'Ilka');
  const drop = async () => {
    await alive(page);
    await context.setOffline(true);
  };
  const saidAndBack = async () => {
    await expect(page.getByText('The studio did not answer').first()).toBeVisible();
    await context.setOffline(false);
  };

  await step('a target changed in the lesson', async () => {
    await page.goto(`${audition}/lesson`);
    await drop();
    const target = page.getByLabel(/^Target of/).first();
    const before = await target.inputValue();
    await target.fill('77');
    await target.press('Tab');
    await saidAndBack();
    await expect(target).toHaveValue('77');
    await page.reload();
    await expect(target).toHaveValue(before);
  });

  await step('a pin, a readiness tick and a line of the log', async () => {
    await page.goto(audition);
    await drop();
    await page.locator('article').first().locator('button.name').click();
    await page.getByRole('button', { name: /^Pin / }).first().click();
    await saidAndBack();
    await page.goto(`${audition}/readiness`);
    await page.locator('tbody th a').first().click();
    await drop();
    await page.locator('form[action="?/say"] button').first().click();
    await saidAndBack();
    await page.goto(`${audition}/log`);
    await drop();
    await page.locator('#line').fill('1 5m @60 ccc');
    await page.getByRole('button', { name: 'Log', exact: true }).click();
    await saidAndBack();
    await expect(page.locator('#line')).toHaveValue('1 5m @60 ccc');
  });

  await step('a line that arrived, and whose answer was lost, sent once more', async () => {
    const touches = async () =>
      Number(/(\d+) touches/.exec(await page.locator('h2.recent').innerText())?.[1]);
    await page.reload();
    await expect(page.locator('#line')).toHaveValue('1 5m @60 ccc');
    const before = await touches();
    await page.route('**/log?/line', async (route) => {
      await route.fetch();
      await route.abort();
    });
    const log = page.getByRole('button', { name: 'Log', exact: true });
    await log.click();
    await expect(page.getByText('The studio did not answer').first()).toBeVisible();
    await page.unroute('**/log?/line');
    await log.click();
    await expect(page.getByText('Logged.')).toBeVisible();
    expect(await touches()).toBe(before + 1);
    // and the next is another, though it says the same
    await page.locator('#line').fill('1 5m @60 ccc');
    await log.click();
    await expect.poll(touches).toBe(before + 2);
  });
  expect(page.url()).toContain('/log');
});
