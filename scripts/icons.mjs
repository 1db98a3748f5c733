/** Draws the icons of the installed application, in static/, from icon.svg: the size, and the share that is left free on each side. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { ROOT, launchOf } from './parts/prepare.mjs';

const ICONS = [
  ['icon-180', 180, 0.06],
  ['icon-192', 192, 0],
  ['icon-512', 512, 0],
  // a system may cut it round: what matters stays within four fifths of it
  ['icon-maskable-512', 512, 0.12]
];
const svg = readFileSync(join(ROOT, 'static', 'icon.svg'), 'utf8');
const browser = await chromium.launch(launchOf());
for (const [name, size, free] of ICONS) {
  const page = await browser.newPage({ viewport: { width: size, height: size } });
  const style = `html { background: #fbfcfa } body { margin: ${free * size}px } svg { display: block }`;
  await page.setContent(`<style>${style}</style>${svg}`);
  await page.screenshot({ path: join(ROOT, 'static', `${name}.png`) });
}
await browser.close();
