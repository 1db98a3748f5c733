/** Makes the pictures of docs/screenshots from the demo data with a fixed clock. `npm run shots -- NAME` makes one. */
import { join } from 'node:path';
import { NOW, enterAsTeacher, withDemo } from './parts/browse.mjs';
import { ROOT } from './parts/prepare.mjs';
import { makeTrustServer } from './parts/trust.mjs';

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

/** The candidate's own device, once it has kept the day; then without a line. */
async function withoutLine(page) {
  // its clock is the studio's
  await page.clock.setFixedTime(NOW);
  await page.goto('/sign-in');
  await page.getByRole('button', { name: /^Ilka/ }).click();
  await page.waitForURL('**/today');
  const isKept = async () => {
    const names = (await caches.keys()).filter((name) => name.startsWith('irvot pages'));
    const kept = await Promise.all(names.map(async (name) => (await caches.open(name)).keys()));
    return navigator.serviceWorker.controller !== null && kept.flat().some(({ url }) => /\/desk/.test(url));
  };
  while (!(await page.evaluate(isKept))) await page.waitForTimeout(200);
  await page.waitForLoadState('networkidle');
  await page.context().setOffline(true);
  await page.goto('/');
  await page.getByText('No line to the studio.', { exact: true }).waitFor();
}

/** Where a device learns to trust a studio, of an invented machine. */
async function atTrust(page) {
  const [port, address] = [3292, '192.168.1.20'];
  const bytes = Array.from({ length: 32 }, (_, i) => ((i * 73 + 41) % 256).toString(16).padStart(2, '0'));
  const certificates = () => ({
    fingerprint: bytes.join(':').toUpperCase(),
    covered: { names: ['localhost', 'studio.local'], addresses: [address] }
  });
  const server = makeTrustServer({ port: 3210, certificates, isKnown: () => true });
  await new Promise((resolve) => server.listen(port, '127.0.0.1', resolve));
  await page.goto(`http://127.0.0.1:${port}/`);
  await page.evaluate(() => document.fonts.ready);
  server.close();
  server.closeAllConnections();
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
  ['time', 'Ilka', 'time'],
  ['readiness', 'Noor', '/readiness'],
  ['paper', 'Ilka', '/paper/week'],
  ['trust', null, '/sign-in', atTrust, PHONE],
  ['away', null, '/sign-in', withoutLine, PHONE]
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
      locale: 'en-GB',
      timezoneId: 'Europe/Brussels'
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
