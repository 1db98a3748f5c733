/** Practice rooms lie in basements: what was opened once with a line is played without one, and nothing of it is lost or counted twice. */
import { type BrowserContext, type Page, type Route, expect, test } from '@playwright/test';
import { ALL_RULES, faultsOf, takeAxe } from './axe';
import { enterOnDevice, inStudio, keptDesks, onDevice, waiting } from './device';
import { Studio, alive, leaveBlocksUntil, step } from './studio';

test.use({ serviceWorkers: 'allow' });

const studio = new Studio(3414, true);
const MORNING = '2026-11-24T08:30:00Z';
const DAY_MS = 86_400_000;
test.beforeAll(async () => void (await studio.at(MORNING)));
test.afterAll(() => studio.close());
const signIn = (context: BrowserContext, name: RegExp) => enterOnDevice(studio, context, name);

const ofDesk = '**/candidates/*/desk';
const begin = (page: Page) => page.getByRole('button', { name: /^(Begin|Go on|Next)/ }).first();
const awayLine = (page: Page) => page.getByText('No line to the studio.', { exact: true });

/** In the light and in the dark, on a tablet: nothing lies there under what stays at the foot. */
async function expectClean(page: Page): Promise<void> {
  const size = page.viewportSize()!;
  await page.setViewportSize({ width: 820, height: 1180 });
  await takeAxe(page);
  for (const colorScheme of ['dark', 'light'] as const) {
    await page.emulateMedia({ colorScheme });
    expect(await faultsOf(page, ALL_RULES), colorScheme).toEqual([]);
  }
  await page.setViewportSize(size);
}

/** Plays from Today to the end of the first block that is worked, and says that it is enough. */
async function playAndStop(page: Page): Promise<void> {
  await begin(page).click();
  await page.waitForURL('**/desk?begin');
  const worked = page.locator('footer').getByRole('button', { name: 'spot', exact: true });
  await leaveBlocksUntil(page, worked);
  await page.keyboard.press('ArrowRight');
  await page.getByRole('button', { name: /^not today/ }).click();
}

test('a day is begun cold, played and laid again without a line, and the studio has it when there is one', async ({
  browser
}) => {
  const context = await browser.newContext();
  const first = await signIn(context, /^Ilka/);
  const blocks = await first.locator('.wide .slot .block').allInnerTexts();
  await first.close();
  await context.setOffline(true);
  const page = await context.newPage();

  await step('the program opens on Today from nothing but the device, and says so', async () => {
    await page.goto(`${studio.origin}/`);
    await expect(begin(page)).toBeVisible();
    await expect(awayLine(page)).toBeVisible();
    expect(await page.locator('.wide .slot .block').allInnerTexts()).toEqual(blocks);
    await expectClean(page);
  });

  await step('other pages say that they are not here, since when, and lead back', async () => {
    await page.getByRole('link', { name: 'Countback', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'No line to the studio' })).toBeVisible();
    await expect(page.getByText(/The studio was last heard at \d/)).toBeVisible();
    await page.goto(`${studio.origin}/account`);
    await expect(page.getByRole('heading', { name: 'No line to the studio' })).toBeVisible();
    await page.getByRole('link', { name: 'Today', exact: true }).first().click();
    await expect(begin(page)).toBeVisible();
  });

  await step('what is played is kept, survives the page, and lays the plan again here', async () => {
    await playAndStop(page);
    await expect(page.getByText(/laid again from what holds, on this device/)).toBeVisible();
    await expect(page.getByText(/kept\s+on this device, \d+ to send/)).toBeVisible();
    await page.goto(page.url().replace(/\/desk.*/, '/today'));
    await expect(page.getByText(/laid here again from what you played/)).toBeVisible();
    expect((await waiting(page)).length).toBeGreaterThan(4);
  });

  await step(
    'with the line it goes by itself, from whatever page, and the studio shows the same day',
    async () => {
      const atHome = await page.locator('.wide .slot .block').allInnerTexts();
      await context.setOffline(false);
      await page.goto(`${studio.origin}/account`);
      await expect.poll(() => waiting(page)).toEqual([]);
      await page.goto(`${studio.origin}/`);
      await expect(begin(page)).toBeVisible();
      await expect(awayLine(page)).toBeHidden();
      expect(await page.locator('.wide .slot .block').allInnerTexts()).toEqual(atHome);
      await page.goto(page.url().replace(/\/today.*/, '/log'));
      await expect(page.getByRole('main')).toContainText('24 Nov');
    }
  );
  await context.close();
});

test('a clock that went wrong is noticed, and the day of what was played by it is asked', async ({
  browser
}) => {
  await studio.at(MORNING);
  const context = await browser.newContext();
  const first = await signIn(context, /^Teo/);
  await first.close();
  await context.setOffline(true);
  const page = await context.newPage();
  // the device thinks that it is two days later; the studio knows better
  await page.clock.setSystemTime(Date.now() + 2 * DAY_MS);
  await page.goto(`${studio.origin}/`);
  await expect(page.getByRole('heading', { name: 'Thursday' })).toBeVisible();
  await begin(page).click();
  await expect(page.getByText(/kept\s+on this device, \d+ to send/)).toBeVisible();
  const today = page.url().replace(/\/desk.*/, '/today');
  await page.goto(today);
  await context.setOffline(false);
  const asked = page.getByRole('region', { name: 'On which day was it played?' });
  await expect(asked).toContainText('26 Nov');
  expect(new Set(await waiting(page))).toEqual(new Set(['2026-11-26']));
  await expectClean(page);
  await asked.getByRole('button', { name: 'on Tue 24 Nov' }).click();
  await expect.poll(() => waiting(page)).toEqual([]);
  await expect(asked).toBeHidden();
  await page.goto(today);
  await expect(page.getByRole('heading', { name: 'Tuesday' })).toBeVisible();
  await expect(begin(page)).toHaveText(/Go on/);
  await context.close();
});

test('two who share a tablet never see each other’s, and what one has not sent waits for that one', async ({
  browser
}) => {
  await studio.at(MORNING);
  const context = await browser.newContext();
  const page = await signIn(context, /^Noor/);
  const ofNoor = new URL(page.url()).pathname;
  await page.route(ofDesk, (route) => route.abort());
  await begin(page).click();
  await expect(page.getByText(/kept\s+on this device, \d+ to send/)).toBeVisible();

  await step('who signs out is told what stays, and nothing else does', async () => {
    await page.goto(studio.origin + ofNoor);
    await alive(page);
    await page.getByRole('button', { name: 'Sign out', exact: true }).click();
    const dialog = page.getByRole('dialog', { name: 'Before you sign out' });
    await expect(dialog).toContainText(/2 answers from the desk are on this device, not sent yet/);
    await expectClean(page);
    await dialog.getByRole('button', { name: 'Sign out', exact: true }).click();
    await page.waitForURL('**/sign-in');
    expect(await keptDesks(page)).toBe(0);
    expect(await waiting(page)).toHaveLength(2);
  });

  await step('the other has a day of their own, with a line and without', async () => {
    await page.close();
    const other = await signIn(context, /^Ilka/);
    expect(await waiting(other)).toHaveLength(2);
    await context.setOffline(true);
    await other.goto(`${studio.origin}/`);
    await expect(awayLine(other)).toBeVisible();
    await expect(other.getByText('Noor')).toHaveCount(0);
    await other.goto(studio.origin + ofNoor);
    await expect(other.getByRole('heading', { name: 'No line to the studio' })).toBeVisible();
    await expect(other.getByText('Noor')).toHaveCount(0);
    await other.getByRole('button', { name: 'Sign out', exact: true }).click();
    await expect(other.getByRole('alert')).toContainText('you are still signed in here');
    await context.setOffline(false);
    await other.goto(`${studio.origin}/account`);
    await alive(other);
    await other.getByRole('button', { name: 'Sign out', exact: true }).click();
    await other.waitForURL('**/sign-in');
    await other.close();
  });

  await step('and the first one’s goes when they come back', async () => {
    const again = await signIn(context, /^Noor/);
    await expect.poll(() => waiting(again)).toEqual([]);
    await again.reload();
    await expect(begin(again)).toHaveText(/Go on/);
  });
  await context.close();
});

/** At a block that is worked at, with Begin pressed where it was not. */
async function atWork(page: Page, today: string): Promise<void> {
  await page.goto(`${today.replace(/\/today$/, '/desk')}?begin`);
  await leaveBlocksUntil(page, page.locator('footer').getByRole('button', { name: 'spot', exact: true }));
}

test('a session whose line is cut at six places loses nothing and counts nothing twice', async ({
  browser
}) => {
  await studio.at(MORNING);
  const context = await browser.newContext();
  const page = await signIn(context, /^Ilka/);
  const today = page.url();
  await atWork(page, today);
  // a key that comes before the page is alive is not heard
  const atDesk = (on: Page) => expect(on.getByRole('heading', { name: 'The day is opened' })).toBeHidden();
  const reload = async () => {
    await page.reload();
    await atDesk(page);
  };
  const say = async (how: 'ArrowRight' | 'ArrowLeft' = 'ArrowRight') => {
    const before = (await onDevice(page)).length;
    await page.keyboard.press(how);
    await expect.poll(async () => (await onDevice(page)).length).toBeGreaterThan(before);
  };
  let sendings = 0;
  let act: (route: Route) => unknown = (route) => route.continue();
  // one for all places: taken off while it answers, it would let that sending through
  await page.route(ofDesk, async (route) => {
    await act(route);
    sendings += 1;
  });
  const cut = async (how: typeof act) => {
    act = how;
    const before = sendings;
    await say();
    await expect.poll(() => sendings).toBeGreaterThan(before);
  };
  await step('1: before it leaves', () => cut((route) => route.abort()));
  await reload();
  await step('2: while its answer comes', () =>
    cut(async (route) => void (await route.fetch(), await route.abort()))
  );
  await reload();
  await step('3: in the middle of the answer', () =>
    cut(async (route) => {
      const response = await route.fetch();
      const body = (await response.text()).slice(0, 20);
      await route.fulfill({ response, body });
    })
  );
  await reload();
  await step('4: it comes twice', () =>
    cut(async (route) => {
      await route.fetch();
      await route.fulfill({ response: await route.fetch() });
    })
  );
  await step('5: the studio stumbles', () => cut((route) => route.fulfill({ status: 502, body: '' })));
  await reload();
  await step('6: it hangs, and the page is closed in the middle of it', async () => {
    await cut(() => {});
    await page.close();
  });

  await step('two tabs of one desk are one desk, and what both did is there', async () => {
    const [one, other] = [await context.newPage(), await context.newPage()];
    for (const tab of [one, other]) {
      await tab.goto(`${today.replace(/\/today$/, '/desk')}?begin`);
      await atDesk(tab);
    }
    await one.bringToFront();
    await one.keyboard.press('ArrowRight');
    await other.bringToFront();
    await other.keyboard.press('ArrowLeft');
    await expect.poll(() => waiting(other)).toEqual([]);
    const counts = await inStudio(other, today);
    // six were cut, and two are of two tabs
    expect(counts.length).toBeGreaterThanOrEqual(8);
    expect(new Set(counts)).toEqual(new Set([1]));
  });
  await context.close();
});

test('a browser that keeps nothing says so before the first note, and one that is full says so at once', async ({
  browser
}) => {
  await studio.at(MORNING);
  const none = await browser.newContext();
  await none.addInitScript(() => Object.defineProperty(window, 'indexedDB', { value: undefined }));
  const page = await none.newPage();
  await page.goto(`${studio.origin}/sign-in`);
  await alive(page);
  await page.getByRole('button', { name: /^Teo/ }).click();
  await page.waitForURL('**/auditions/*/today');
  await page.goto(page.url().replace(/today$/, 'desk'));
  await expect(page.getByText(/This browser keeps nothing on the device/)).toBeVisible();
  await none.close();

  const full = await browser.newContext();
  const other = await signIn(full, /^Ilka/);
  await atWork(other, other.url());
  const before = await onDevice(other);
  await other.evaluate(() => {
    IDBObjectStore.prototype.add = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  await other.keyboard.press('ArrowRight');
  await expect(other.getByText('not kept: this device has no room left')).toBeVisible();
  expect((await onDevice(other)).length).toBe(before.length);
  await full.close();
});

// last: the studio wakes a day later, and lays everybody's plan of that day
test('the day after is made on the device, and is that day in the studio', async ({ browser }) => {
  await studio.at(MORNING);
  const context = await browser.newContext();
  const first = await signIn(context, /^Jorre/);
  await first.close();
  await context.setOffline(true);
  const page = await context.newPage();
  await page.clock.setSystemTime(Date.now() + DAY_MS);
  await page.goto(`${studio.origin}/`);
  await expect(page.getByRole('heading', { name: 'Wednesday' })).toBeVisible();
  // of 46 on the day that the studio was heard
  await expect(page.getByRole('link', { name: /^45 days to go/ })).toBeVisible();
  const atHome = await page.locator('.wide .slot .block').allInnerTexts();
  expect(atHome.length).toBeGreaterThan(1);
  await playAndStop(page);
  expect(new Set(await waiting(page))).toEqual(new Set(['2026-11-25']));
  // the studio wakes on that day
  await studio.at('2026-11-25T08:30:00Z');
  await context.setOffline(false);
  await page.goto(`${studio.origin}/`);
  await expect.poll(() => waiting(page)).toEqual([]);
  await page.goto(`${studio.origin}/`);
  await expect(page.getByRole('heading', { name: 'Wednesday' })).toBeVisible();
  expect(await page.locator('.wide .slot .block').allInnerTexts()).toEqual(atHome);
  await expect(page.getByText(/^Go on|^Next/).first()).toBeVisible();
  await context.close();
});
