/** Every screen, at a desk, on a tablet and on a phone: axe finds nothing, nothing is wider than the screen. */
import { type Page, expect, test } from '@playwright/test';
import { ALL_RULES } from './axe';
import { LOOKS, expectClean, listen, walker } from './looks';
import { Studio, alive, askStarts, enterDemo, leaveBlocksUntil } from './studio';

// each worker has a studio of its own
test.describe.configure({ mode: 'parallel' });
let studio: Studio;
test.beforeAll(async () => {
  studio = new Studio(3370 + test.info().parallelIndex, true);
  await studio.at('2026-11-24T08:30:00Z');
});
test.afterAll(() => studio.close());

/** Leaves blocks of the desk until one with that heading is in hand. */
const passTo = (page: Page, heading: string) =>
  leaveBlocksUntil(page, page.getByRole('heading', { name: heading, exact: true }));

/** Longer than any of them takes, however busy the machine. */
const WOULD_NOT_END_MS = 1_200_000;

test('axe finds nothing on any page of a season', async ({ browser }) => {
  test.setTimeout(WOULD_NOT_END_MS);
  const { page, expectNothing } = await walker(browser);
  await page.goto(`${studio.origin}/sign-in`);
  await expectNothing('sign-in');
  const audition = await enterDemo(studio, page);
  await expectNothing('studio');
  for (const path of [
    '',
    '/list',
    '/list/new',
    '/list/import',
    '/list/holds',
    '/lesson',
    '/what-if',
    '/paper/week',
    '/paper/wall',
    '/paper/note',
    '/paper/piano',
    '/today',
    '/spots',
    '/takes',
    '/mocks',
    '/mocks/write-in',
    '/readiness',
    '/day',
    '/around',
    '/pre-screening',
    '/call',
    '/layings',
    '/layings/compare?a=1&b=2'
  ]) {
    await page.goto(studio.origin + audition + path);
    await expectNothing(path || 'countback');
  }
  await page.goto(`${studio.origin}${audition}/readiness`);
  await page.getByRole('link', { name: /Lanterns/ }).click();
  await expect(page.getByText('not asked', { exact: false }).first()).toBeVisible();
  await expectNothing('readiness opened');
  await page.goto(studio.origin + audition);
  await alive(page);
  await page.locator('button.week').nth(1).click();
  await page.locator('button.step').first().click();
  await expectNothing('countback opened');
  await page.goto(`${studio.origin}${audition}/list`);
  await page.getByRole('link', { name: /Lanterns/ }).click();
  await page.waitForURL('**/list/*');
  await expectNothing('item');
  await page.goto(`${studio.origin}${audition}/spots`);
  await page.getByRole('link', { name: /^bars 31–32/ }).click();
  await page.waitForURL('**/spots/*');
  await expectNothing('spot');
  await page.goto(`${studio.origin}${audition}/spots/ways`);
  await expectNothing('ways to practise');
  await page.goto(`${studio.origin}${audition}/takes`);
  await page.locator('li a').first().click();
  await page.waitForURL('**/takes/*');
  await expectNothing('a take');
  await page.goto(`${studio.origin}${audition}/takes`);
  await page.getByRole('link', { name: /^first and latest/ }).click();
  await expect(page.getByText(/^Both are as loud/)).toBeVisible();
  await expectNothing('two takes');
  await page.goto(`${studio.origin}/studio`);
  const row = page.locator('tbody', { hasText: 'Noor' });
  const noor = (await row.locator('a[href^="/auditions/"]').first().getAttribute('href'))!;
  // with two auditions and much to choose from
  await page.goto(`${studio.origin}${noor}/today`);
  await expectNothing('a day with much to choose from');
  await page.goto(`${studio.origin}${noor}/mocks`);
  await alive(page);
  await page.getByLabel('Juror', { exact: true }).fill('Wout');
  await page.getByRole('button', { name: 'Make a ballot' }).click();
  const ballot = await page.getByLabel(/^Link to this ballot/).inputValue();
  await expectNothing('mocks, heard and booked');
  const written = await page.getByRole('link', { name: 'write it in' }).first().getAttribute('href');
  const ownEvening = await page.getByRole('link', { name: 'a mock evening' }).getAttribute('href');
  const addressOf = (name: string) => page.getByRole('link', { name }).getAttribute('href');
  const addresses = [await addressOf('To the run'), await addressOf('The player’s screen')];
  for (const [i, what] of ['the panel', 'the player’s screen'].entries()) {
    await page.goto(studio.origin + addresses[i]!);
    await alive(page);
    if (i === 0) await page.getByRole('button', { name: /^begin/ }).click();
    await expect(page.getByText(/^from bar/)).toBeVisible();
    await expectNothing(what);
  }
  await page.goto(ballot);
  await alive(page);
  await page.getByRole('button', { name: 'not yet' }).first().click();
  await expectNothing('a ballot');
  await page.goto(studio.origin + written!);
  await expectNothing('a ballot by hand');
  await page.goto(studio.origin + ownEvening!);
  await alive(page);
  await page.getByRole('button', { name: /links/ }).click();
  await expect(page.getByLabel('For Jan')).toBeVisible();
  await expectNothing('a mock evening');
  await page.goto(`${studio.origin}${ownEvening}/paper`);
  await expectNothing('ballots on paper');
  await page.goto(`${studio.origin}/studio/evening`);
  await alive(page);
  await page.getByRole('button', { name: /^Teo/ }).click();
  await expectNothing('an evening prepared');
});

test('axe finds nothing on any page of the studio', async ({ browser }) => {
  test.setTimeout(WOULD_NOT_END_MS);
  const { page, expectNothing } = await walker(browser);
  const audition = await enterDemo(studio, page);
  for (const who of ['Noor', 'Sanne', 'Teo']) {
    await page.goto(`${studio.origin}/studio`);
    const row = page.locator('tbody', { hasText: who });
    await row.locator('a[href^="/auditions/"]').first().click();
    await page.waitForURL('**/auditions/*');
    await page.reload();
    await expectNothing(`countback of ${who}`);
    if (who !== 'Noor') continue;
    // the shortest log, and a plan with little left to climb: what they are made of is what the others are
    await page.goto(`${page.url()}/log`);
    await expectNothing('log');
    await page.goto(page.url().replace('/log', '/layings'));
    await page.locator('a[href*="/layings/"]').first().click();
    await page.waitForURL('**/layings/*');
    await expectNothing('a plan of before');
  }
  for (const path of [
    '/studio/archive',
    '/studio/notes',
    '/studio/piano',
    '/lists',
    '/lists/new',
    '/account',
    '/away?from=/studio'
  ]) {
    await page.goto(studio.origin + path);
    await expectNothing(path);
  }
  await page.goto(`${studio.origin}/lists`);
  const untaken = await page.getByRole('link', { name: '2 items' }).getAttribute('href');
  for (const path of ['', '/call', '/new', '/import']) {
    await page.goto(studio.origin + untaken! + path);
    await expectNothing(`a list nobody takes${path}`);
  }
  await page.goto(studio.origin + untaken!);
  await page.getByRole('link', { name: /Culvert/ }).click();
  await page.waitForURL('**/lists/*/*');
  await expectNothing('an item of a list nobody takes');
  await page.goto(studio.origin + audition);
  await alive(page);
  const time = await page.getByRole('link', { name: 'Time', exact: true }).getAttribute('href');
  await page.goto(studio.origin + time);
  await expectNothing('time');
  await page.goto(studio.origin + time!.replace(/\/time.*/, ''));
  await expectNothing('candidate');
  const candidate = page.url();
  for (const [n, kind] of ['guardian', 'substitute'].entries()) {
    await page.goto(candidate);
    await alive(page);
    if (kind === 'substitute') await page.getByLabel('until the end of').fill('2026-11-30');
    const form = page.locator('form[action="?/visit"]').nth(n);
    await form.getByRole('button', { name: /^Make/ }).click();
    const address = await page.locator(`#visit-${kind}`).inputValue();
    await page.goto(studio.origin + new URL(address).pathname);
    await expectNothing(kind);
  }
  await page.goto(studio.origin + time!.replace(/\/time.*/, '/auditions/new'));
  await expectNothing('new audition');
  await page.goto(`${studio.origin}/nowhere`);
  await expectNothing('no such page');
});

test('axe finds nothing on any face of the desk', async ({ browser }) => {
  test.setTimeout(WOULD_NOT_END_MS);
  const { page, expectNothing } = await walker(browser);
  const audition = await enterDemo(studio, page);
  await page.goto(`${studio.origin}${audition}/desk`);
  const button = (name: RegExp) => page.getByRole('button', { name });
  await button(/^Begin/).waitFor();
  await expectNothing('desk: begin');
  await button(/^Begin/).click();
  await button(/^done/).waitFor();
  await expectNothing('desk: warm-up');
  await button(/^done/).click();
  await expectNothing('desk: end of a block');
  await button(/^next/).click();
  await button(/^done/).click();
  await button(/^next ./).click();
  await page.getByRole('heading', { name: / major$/ }).waitFor();
  await expectNothing('desk: scales');
  await button(/^pitch/).click();
  await button(/^drone/).waitFor();
  await expectNothing('desk: pitch');
  await button(/^back to the desk/).click();
  await button(/^clean/).click();
  await button(/^next$/).click();
  await expectNothing('desk: end of scales');
  await button(/^next ./).click();
  await page.getByLabel(/^Tempo /).waitFor();
  await expectNothing('desk: spot');
  await button(/^another way/).click();
  await expectNothing('desk: ways to practise');
  await button(/^Close/).click();
  await button(/^spot$/).click();
  await button(/^Keep it/).click();
  await expectNothing('desk: a spot is noted');
  await button(/^Close/).click();
  await button(/^1–84/)
    .or(button(/^bars 1–84/))
    .click();
  await expectNothing('desk: work');
  await page.keyboard.press('r');
  await expectNothing('desk: a run');
  await button(/^back to the bars/).click();
  await button(/^keys/).click();
  await expectNothing('desk: keys');
  await button(/^Close/).click();
  await button(/^settings/).click();
  await expectNothing('desk: click and pedal');
  await button(/^Close/).click();
  await button(/^not yet/).click();
  await expectNothing('desk: not yet');
  await button(/^it hurts/).click();
  await expectNothing('desk: it hurts');
  await button(/^Stop, and tell nobody/).click();
  await expectNothing('desk: end of the day');
  await page.goto(`${studio.origin}/studio`);
  await page.getByRole('link', { name: /Noor/ }).first().click();
  await page.waitForURL('**/candidates/*');
  const there = page.locator('a[href^="/auditions/"]').first();
  const noor = /^\/auditions\/[^/?]+/.exec((await there.getAttribute('href'))!)![0];
  await page.goto(`${studio.origin}${noor}/today`);
  await alive(page);
  const choice = page.getByLabel('Item to add');
  for (const name of [/^Sight-reading$/, /probe at/]) {
    const option = choice.locator('option').filter({ hasText: name }).first();
    await choice.selectOption(await option.getAttribute('value'));
    await button(/^Add \d/).click();
  }
  await expect(page.getByRole('button', { name: /probe at/ }).first()).toBeAttached();
  await page.goto(`${studio.origin}${noor}/desk`);
  await alive(page);
  await button(/^Begin/).click();
  await passTo(page, 'Look');
  await expectNothing('desk: reading');
  await button(/^play/).click();
  await expectNothing('desk: reading, played');
  await button(/^next$/).click();
  await button(/^next ./).click();
  await page.getByRole('heading', { name: 'Once, straight through' }).waitFor();
  await expectNothing('desk: probe');
  await button(/^the end/).click();
  await button(/^3$/).click();
  await expectNothing('desk: which bars broke');
  await askStarts(page, studio.origin + noor);
  await studio.at('2026-11-25T08:30:00Z');
  await page.goto(`${studio.origin}${noor}/desk`);
  await alive(page);
  await button(/^Begin/).click();
  await leaveBlocksUntil(page, button(/^it was there/));
  await expectNothing('desk: from any bar');
});

test('axe finds nothing on the screens of an empty studio', async ({ browser }) => {
  const empty = new Studio(3383);
  await empty.at('2026-11-24T08:30:00Z');
  const page = listen(await (await browser.newContext({ baseURL: empty.origin })).newPage());
  const everywhere = [
    LOOKS.light,
    { ...LOOKS.tablet, rules: ALL_RULES },
    { ...LOOKS.phone, rules: ALL_RULES }
  ];
  const atEverySize = (name: string) => expectClean(page, name, everywhere);
  await page.goto('/');
  await atEverySize('new studio');
  await page.getByRole('button', { name: 'Open the studio' }).click();
  await expect(page.locator('#password-fault')).toBeVisible();
  await atEverySize('new studio with faults');
  await page.getByLabel('Your name').fill('Marthe Oldenkott');
  await page.getByLabel('Sign-in name').fill('marthe');
  await page.getByLabel('Password').fill('three quiet herons');
  await page.getByRole('button', { name: 'Open the studio' }).click();
  await page.waitForURL('**/studio');
  await atEverySize('empty studio');
  await page.getByLabel('Name', { exact: true }).fill('Ilse Brandvold');
  await page.getByLabel('Instruments').fill('oboe');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.waitForURL('**/candidates/*');
  await page.getByRole('button', { name: 'Make a link', exact: true }).click();
  const link = await page.getByLabel(/^Link for/).inputValue();
  await atEverySize('new candidate');
  const guest = await (await browser.newContext({ baseURL: empty.origin })).newPage();
  await guest.goto(/\/join\/[\w-]+/.exec(link)![0]);
  await expectClean(guest, 'join', everywhere);
  await empty.close();
});
