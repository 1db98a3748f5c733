/** Starts the demo on its own data with a fixed clock, and Chromium before it; what pictures and measurements stand on. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuilt, ensureChromium, ensureInstalled, launchOf } from './prepare.mjs';

/** The day of the pictures. */
export const NOW = '2026-11-24T08:30:00Z';

/** Runs `work({ app, browser })` and clears up after it. */
export async function withDemo(port, work) {
  ensureInstalled();
  ensureChromium();
  ensureBuilt();
  const { chromium } = await import('@playwright/test');
  const { serve } = await import('./serve.mjs');
  const data = mkdtempSync(join(tmpdir(), 'irvot-browse-'));
  const app = await serve({
    port,
    data,
    env: { IRVOT_DEMO: '1', IRVOT_NOW: process.env.IRVOT_NOW ?? NOW }
  });
  const browser = await chromium.launch(launchOf());
  try {
    await work({ app, browser });
  } finally {
    await browser.close();
    app.stop();
    rmSync(data, { recursive: true, force: true });
  }
}

/** Enters the demo as its teacher. */
export async function enterAsTeacher(page, origin) {
  await page.goto(`${origin}/sign-in`);
  await page.getByRole('button', { name: /teacher, the whole studio/ }).click();
  await page.waitForURL('**/studio');
}
