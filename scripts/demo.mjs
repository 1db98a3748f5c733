/** The demo: a studio of made-up people, relative to today. One from an earlier day is put aside, never overwritten. */
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, ensureBuilt, ensureInstalled } from './parts/prepare.mjs';

ensureInstalled();
ensureBuilt();

const data = process.env.IRVOT_DATA ?? join(ROOT, 'data', 'demo');
const now = process.env.IRVOT_NOW ? new Date(process.env.IRVOT_NOW) : new Date();
const today = new Intl.DateTimeFormat('en-CA', { timeZone: 'Europe/Brussels' }).format(now);
const stamp = join(data, 'made-on');
if (existsSync(stamp)) {
  const madeOn = readFileSync(stamp, 'utf8').trim();
  if (madeOn !== today) {
    let aside = `${data}-${madeOn}`;
    for (let n = 2; existsSync(aside); n += 1) aside = `${data}-${madeOn}-${n}`;
    renameSync(data, aside);
    console.log(`The demo of ${madeOn} was put aside in ${aside}.`);
  }
}
mkdirSync(data, { recursive: true });
if (!existsSync(stamp)) {
  console.log('Making the demo studio ...');
  writeFileSync(stamp, `${today}\n`);
}
process.env.IRVOT_DEMO = '1';
process.env.IRVOT_DATA = data;
await import('./start.mjs');
