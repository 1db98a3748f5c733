/**
 * Prints what is measured: the plan in processor time, the countback page's weight, the server's memory with the demo, what one machine
 * holds, and the screens of a large studio. With a word behind it, one part alone: page (its weight, and the server's memory), load (what one
 * machine holds), kills (200 kills while writing, 100 power cuts, 100 in a backup, 100 in a restore), vandal (60,000 bad inputs).
 */
import { execFileSync, spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { enterAsTeacher, withDemo } from './parts/browse.mjs';
import { measureLoad } from './parts/load.mjs';
import { measureLargeStudio } from './parts/large-studio.mjs';
import { ROOT, ensureInstalled } from './parts/prepare.mjs';

ensureInstalled();
const [part] = process.argv.slice(2);
const more = (name, value, args) =>
  process.exit(
    spawnSync('npx', args, { stdio: 'inherit', cwd: ROOT, env: { ...process.env, [name]: value } }).status
  );
if (part === 'kills') more('IRVOT_KILLS', '10', ['vitest', 'run', 'tests/kills']);
if (part === 'vandal') more('IRVOT_VANDAL', '60000', ['playwright', 'test', 'tests/e2e/vandal.test.ts']);
if (part === 'load') {
  await measureLoad(3294);
  process.exit();
}
if (part !== 'page')
  execFileSync(join(ROOT, 'node_modules', '.bin', 'tsx'), [join(ROOT, 'tests', 'bench', 'plan.bench.ts')], {
    stdio: 'inherit',
    cwd: ROOT
  });

const kB = (bytes) => `${(bytes / 1000).toFixed(1)} kB`;
await withDemo(3292, async ({ app, browser }) => {
  const context = await browser.newContext();
  const page = await context.newPage();
  await enterAsTeacher(page, app.origin);
  const href = await page.locator('.by-day a[href^="/auditions/"]').first().getAttribute('href');
  const cold = await browser.newContext({ storageState: await context.storageState() });
  const countback = await cold.newPage();
  const sizes = { script: 0, font: 0, stylesheet: 0, document: 0 };
  const waits = [];
  countback.on('response', (response) => {
    const kind = response.request().resourceType();
    if (kind in sizes)
      waits.push(
        response
          .body()
          .then(
            (body) => (sizes[kind] += kind === 'font' ? body.length : gzipSync(body, { level: 9 }).length)
          )
      );
  });
  await countback.goto(app.origin + href, { waitUntil: 'networkidle' });
  await Promise.all(waits);
  countback.removeAllListeners('response');
  console.log(`\nThe countback page, cold, gzip -9 (fonts as they are):`);
  console.log(`  JavaScript  ${kB(sizes.script)}   goal 80 kB: ${(sizes.script / 80_000).toFixed(2)} of it`);
  console.log(`  fonts       ${kB(sizes.font)}   goal 100 kB: ${(sizes.font / 100_000).toFixed(2)} of it`);
  console.log(`  styles      ${kB(sizes.stylesheet)}`);
  console.log(`  document    ${kB(sizes.document)}`);
  for (let i = 0; i < 20; i += 1) await countback.reload({ waitUntil: 'networkidle' });
  const resident =
    Number(/VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${app.child.pid}/status`, 'utf8'))[1]) * 1024;
  console.log(
    `\nThe server with the demo, after 20 pages: ${(resident / 1e6).toFixed(0)} MB resident, goal 180 MB: ${(resident / 180e6).toFixed(2)} of it`
  );
});
if (part === 'page') process.exit();
await measureLoad(3294);
await measureLargeStudio(3293);
