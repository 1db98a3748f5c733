/** Makes the pictures of docs/screenshots from the demo data with a fixed clock. `npm run shots -- NAME` makes one. */
import { join } from 'node:path';
import { enterAsTeacher, withDemo } from './parts/browse.mjs';
import { ROOT } from './parts/prepare.mjs';

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const TABLET = { width: 1024, height: 768 };

/** At the desk, to the first block with a tempo, with three clean attempts. */
async function atWork(page) {
  await answerAt(page, page.getByLabel(/^Tempo /));
}
/** The same at the scales. */
async function atScales(page) {
  await answerAt(page, page.getByRole('heading', { name: / major$/ }));
}

/** Leaves blocks until something of the desk is there, and answers it three times. */
async function answerAt(page, there) {
  const button = (name) => page.getByRole('button', { name });
  await button(/^Begin/).click();
  await page.getByRole('timer').waitFor();
  while (!(await there.isVisible())) {
    await page.keyboard.press('e');
    await button(/^next ./).click();
    await page.waitForTimeout(400);
  }
  for (let n = 0; n < 3; n += 1) {
    await button(/^clean/).click();
    await page.waitForTimeout(150);
  }
  await page.mouse.move(1, 1);
}

/** name, candidate whose audition it is ('' for the studio), path below the audition, and what is done before. */
const SHOTS = [
  ['countback', 'Ilka', ''],
  [
    'what-if',
    'Ilka',
    '/what-if',
    (page) =>
      page
        .getByRole('button', { name: /where they help most/ })
        .click()
        .then(() => page.getByText(/min short → fits/).waitFor())
  ],
  ['today', 'Ilka', '/today'],
  ['desk', 'Ilka', '/desk', atWork, TABLET],
  ['desk-phone', 'Noor', '/desk', atScales, PHONE],
  ['spots', 'Ilka', '/spots'],
  [
    'take',
    'Ilka',
    '/takes',
    async (page) => {
      await page.locator('li a').first().click();
      await page.getByRole('heading', { name: /^Listening for/ }).waitFor();
      await page.getByText(/^It is drawn/).waitFor({ state: 'hidden' });
      await page.getByRole('button', { name: 'to bar 5', exact: true }).click();
    },
    TABLET
  ],
  ['day', 'Noor', '/day', null, PHONE],
  ['mocks', 'Noor', '/mocks'],
  [
    'evening',
    'Noor',
    '/mocks',
    async (page) => {
      await page.getByRole('link', { name: 'a mock evening' }).click();
      await page.getByRole('heading', { name: 'Mock evening' }).waitFor();
    }
  ],
  [
    'ballot',
    'Noor',
    '/mocks',
    async (page) => {
      await page.getByLabel('Juror', { exact: true }).fill('Wout');
      await page.getByRole('button', { name: 'Make a ballot' }).click();
      await page.goto(await page.getByLabel(/^Link to this ballot/).inputValue());
      const says = (element, word) =>
        page.getByRole('group', { name: element, exact: true }).getByRole('button', { name: word }).click();
      for (const [element, word] of [
        ['sound', 'carries'],
        ['intonation', 'uneven'],
        ['rhythm', 'not yet'],
        ['articulation', 'carries']
      ])
        await says(element, word);
      await page.getByText(/, sent/).waitFor();
    },
    PHONE
  ],
  ['studio', '', '/studio'],
  ['lesson', 'Ilka', '/lesson'],
  ['list', 'Ilka', '/list'],
  [
    'item',
    'Ilka',
    '/list',
    (page) =>
      page
        .getByRole('link', { name: /Lanterns/ })
        .click()
        .then(() => page.getByLabel('Required edition').waitFor())
  ],
  ['log', 'Ilka', '/log'],
  ['time', 'Ilka', 'time'],
  ['readiness', 'Noor', '/readiness'],
  ['paper', 'Ilka', '/paper/week']
];

const only = process.argv.slice(2).filter((a) => !a.startsWith('--'));
const dark = process.argv.includes('--dark');
const out = process.env.SHOTS_DIR ?? join(ROOT, 'docs', 'screenshots');
await withDemo(3291, async ({ app, browser }) => {
  for (const [name, who, path, before, viewport = DESK] of SHOTS) {
    if (only.length > 0 && !only.includes(name)) continue;
    const context = await browser.newContext({
      viewport,
      colorScheme: dark ? 'dark' : 'light',
      baseURL: app.origin,
      reducedMotion: 'reduce',
      locale: 'en-GB'
    });
    const page = await context.newPage();
    if (who === null) await page.goto(path);
    else {
      await enterAsTeacher(page, app.origin);
      await page.goto(who ? await addressOf(page, who, path) : path);
    }
    await page.waitForLoadState('networkidle');
    await page.evaluate(() => document.fonts.ready);
    if (before) {
      await before(page);
      await page.waitForLoadState('networkidle');
    }
    await page.screenshot({ path: join(out, `${name}.png`) });
    console.log(`docs/screenshots/${name}.png`);
    await context.close();
  }
});

/** The candidate's first audition on the studio page, or their time. */
async function addressOf(page, who, path) {
  const row = page.locator('tbody', { hasText: who });
  const candidate = await row.locator('a[href^="/candidates/"]').first().getAttribute('href');
  if (path === 'candidate') return candidate;
  const audition = await row.locator('a[href^="/auditions/"]').first().getAttribute('href');
  if (path !== 'time') return audition + path;
  return `${candidate}/time?from=${audition.split('/').at(-1)}`;
}
