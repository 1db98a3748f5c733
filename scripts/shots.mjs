/** Makes the pictures of docs/screenshots from the demo data with a fixed clock. `npm run shots -- NAME` makes one. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  CHROMIUM,
  CHROMIUM_FLAGS,
  ROOT,
  ensureBuilt,
  ensureChromium,
  ensureInstalled
} from './parts/prepare.mjs';

ensureInstalled();
ensureChromium();
ensureBuilt();
const { chromium } = await import('@playwright/test');
const { serve } = await import('./parts/serve.mjs');

const NOW = process.env.IRVOT_NOW ?? '2026-11-24T08:30:00Z';
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** name, candidate whose audition it is ('' for the studio), path below the audition, and what is done before. */
const SHOTS = [
  ['countback', 'Ilka', ''],
  ['countback-week', 'Ilka', '', (page) => page.locator('.week[aria-expanded]').nth(2).click()],
  ['countback-step', 'Ilka', '', (page) => page.locator('button.step').first().click()],
  ['countback-new', 'Teo', ''],
  ['countback-nearly', 'Noor', ''],
  ['countback-phone', 'Sanne', '', null, PHONE],
  ['studio', '', '/studio'],
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
  ['log-phone', 'Ilka', '/log', null, PHONE],
  ['time', 'Ilka', 'time'],
  ['call', 'Ilka', '/call'],
  ['readiness', 'Noor', '/readiness'],
  ['layings', 'Sanne', '/layings'],
  ['sign-in', null, '/sign-in']
];

const only = process.argv.slice(2).filter((a) => !a.startsWith('--'));
const dark = process.argv.includes('--dark');
const out = process.env.SHOTS_DIR ?? join(ROOT, 'docs', 'screenshots');
const data = mkdtempSync(join(tmpdir(), 'irvot-shots-'));
const app = await serve({ port: 3291, data, env: { IRVOT_DEMO: '1', IRVOT_NOW: NOW } });
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_FLAGS });
try {
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
    await page.goto('/sign-in');
    if (who !== null) {
      await page.getByRole('button', { name: /teacher, the whole studio/ }).click();
      await page.waitForURL('**/studio');
      if (who) {
        const row = page.locator('tbody', { hasText: who });
        const href = await row.locator('a[href^="/auditions/"]').first().getAttribute('href');
        await page.goto(
          path === 'time'
            ? `${await row.locator('a[href^="/candidates/"]').first().getAttribute('href')}/time?from=${href.split('/').at(-1)}`
            : href + path
        );
      } else await page.goto(path);
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
} finally {
  await browser.close();
  app.stop();
  rmSync(data, { recursive: true, force: true });
}
