/** Every screen, at a desk, on a tablet and on a phone: axe finds nothing, nothing is wider than the screen. */
import AxeBuilder from '@axe-core/playwright';
import { type Page, expect, test } from '@playwright/test';
import { Studio, alive, enterDemo } from './studio';

const studio = new Studio(3382, true);
test.beforeAll(() => studio.at('2026-11-24T08:30:00Z').then(() => undefined));
const empty = new Studio(3383);
test.afterAll(() => Promise.all([studio.close(), empty.close()]));

const VIEWPORTS = [
  ['a desk', { width: 1280, height: 800 }],
  ['a tablet', { width: 820, height: 1180 }],
  ['a phone', { width: 390, height: 844 }]
] as const;

/** What a page said to nobody: a script that failed, or markup that was not what the server had sent. */
const complaints = new WeakMap<Page, string[]>();
function listen(page: Page): Page {
  const heard: string[] = [];
  complaints.set(page, heard);
  page.on('pageerror', (error) => heard.push(error.message));
  page.on('console', (message) => {
    if (
      ['error', 'warning'].includes(message.type()) &&
      !message.text().startsWith('Failed to load resource')
    )
      heard.push(message.text());
  });
  return page;
}

/** What dark colours can change; and what another size can: what is there at all, where it scrolls, how large it is to be hit. */
const BY_COLOUR = ['color-contrast', 'link-in-text-block'];
const BY_SIZE = [
  ...[
    'target-size',
    'scrollable-region-focusable',
    'heading-order',
    'region',
    'landmark-one-main',
    'page-has-heading-one'
  ],
  ...[
    'button-name',
    'link-name',
    'label',
    'select-name',
    'empty-heading',
    'empty-table-header',
    'bypass',
    'aria-hidden-focus'
  ]
];
/** Rules asked of a page: all at a desk in the light, elsewhere those whose answer may differ there. */
const rulesOf = new WeakMap<Page, readonly string[]>();

async function expectClean(page: Page, name: string) {
  await alive(page);
  expect(complaints.get(page) ?? [], `${name} complains`).toEqual([]);
  const rules = rulesOf.get(page);
  // no page holds another: the rules run in one go
  const axe = new AxeBuilder({ page }).setLegacyMode();
  const { violations } = await (
    rules
      ? axe.withRules([...rules])
      : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
  ).analyze();
  expect(
    violations.map(
      (v) =>
        `${name}: ${v.id} ${v.nodes
          .map((n) => n.target.join(' '))
          .slice(0, 3)
          .join(', ')}`
    )
  ).toEqual([]);
  const isTooWide = await page.evaluate(
    () => document.documentElement.scrollWidth > document.documentElement.clientWidth + 1
  );
  expect(isTooWide, `${name} is wider than its screen`).toBe(false);
}

for (const [where, viewport] of VIEWPORTS) {
  // colours do not change with the size of the screen: dark is looked at once
  for (const colorScheme of where === 'a desk' ? (['light', 'dark'] as const) : (['light'] as const)) {
    test(`axe finds nothing on any screen of the demo at ${where}, ${colorScheme}`, async ({ browser }) => {
      const page = listen(await (await browser.newContext({ viewport, colorScheme })).newPage());
      if (colorScheme === 'dark') rulesOf.set(page, BY_COLOUR);
      else if (where !== 'a desk') rulesOf.set(page, BY_SIZE);
      await page.goto(`${studio.origin}/sign-in`);
      await expectClean(page, 'sign-in');
      const audition = await enterDemo(studio, page);
      await expectClean(page, 'studio');
      for (const path of [
        '',
        '/list',
        '/list/new',
        '/list/import',
        '/lesson',
        '/what-if',
        '/paper/week',
        '/paper/wall',
        '/paper/note',
        '/log',
        '/readiness',
        '/call',
        '/layings',
        '/layings/1',
        '/layings/compare?a=1&b=2'
      ]) {
        await page.goto(studio.origin + audition + path);
        await expectClean(page, path || 'countback');
      }
      for (const who of ['Noor', 'Sanne', 'Teo']) {
        await page.goto(`${studio.origin}/studio`);
        const row = page.locator('tbody', { hasText: who });
        await row.locator('a[href^="/auditions/"]').first().click();
        await page.waitForURL('**/auditions/*');
        await page.reload();
        await expectClean(page, `countback of ${who}`);
      }
      for (const path of ['/studio/archive', '/lists', '/account']) {
        await page.goto(studio.origin + path);
        await expectClean(page, path);
      }
      await page.goto(studio.origin + audition);
      await alive(page);
      await page.locator('button.week').nth(1).click();
      await page.locator('button.step').first().click();
      await expectClean(page, 'countback opened');
      await page.goto(`${studio.origin}${audition}/list`);
      await page.getByRole('link', { name: /Lanterns/ }).click();
      await page.waitForURL('**/list/*');
      await expectClean(page, 'item');
      const time = await page.getByRole('link', { name: 'Time', exact: true }).getAttribute('href');
      await page.goto(studio.origin + time);
      await expectClean(page, 'time');
      await page.goto(studio.origin + time!.replace(/\/time.*/, ''));
      await expectClean(page, 'candidate');
      await page.goto(studio.origin + time!.replace(/\/time.*/, '/auditions/new'));
      await expectClean(page, 'new audition');
      await page.goto(`${studio.origin}/nowhere`);
      await expectClean(page, 'no such page');
    });
  }
}

test('axe finds nothing on the screens of an empty studio', async ({ browser }) => {
  await empty.at('2026-11-24T08:30:00Z');
  const page = listen(await (await browser.newContext({ baseURL: empty.origin })).newPage());
  const atEverySize = async (name: string) => {
    for (const [where, viewport] of VIEWPORTS) {
      await page.setViewportSize(viewport);
      await expectClean(page, `${name} at ${where}`);
    }
  };
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
  await page.getByRole('button', { name: /link/i }).click();
  const link = await page.getByLabel(/^Link for/).inputValue();
  await atEverySize('new candidate');
  const guest = await (await browser.newContext({ baseURL: empty.origin })).newPage();
  await guest.goto(/\/join\/[\w-]+/.exec(link)![0]);
  for (const [where, viewport] of VIEWPORTS) {
    await guest.setViewportSize(viewport);
    await expectClean(guest, `join at ${where}`);
  }
});
