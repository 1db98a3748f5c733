/**
 * The one judge: installs what is missing, then format, lint, types, dependency rules, build, unit and store
 * tests and browser tests. Each check counts as one test, beside the tests that the runners report. The last line is the sum.
 */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, beginInstalling, ensureChromium, ensureDebian } from './parts/prepare.mjs';
import { playTemplate } from './parts/template.mjs';

let passed = 0;
let failed = 0;
process.on('exit', () => console.log(`${passed} passed, ${failed} failed`));

const database = beginInstalling();
ensureChromium();
const PACKAGES = [
  'chromium-headless-shell',
  'libical-dev',
  'python3-vobject',
  'gcc',
  'libc6-dev',
  'openssl',
  'libebur128-dev',
  'libnss3-tools',
  'sox'
];
ensureDebian(PACKAGES, () => {
  const hasVobject = spawnSync('/usr/bin/python3', ['-c', 'import vobject']).status === 0;
  const has = (command) => spawnSync(command, ['--version']).status === 0;
  const hasOpenssl = spawnSync('openssl', ['version']).status === 0;
  const hasHeaders = ['libical/ical.h', 'ebur128.h'].every((name) => existsSync(join('/usr/include', name)));
  const hasCertutil = existsSync('/usr/bin/certutil');
  return (
    hasVobject &&
    hasHeaders &&
    hasCertutil &&
    ['gcc', 'sox', 'chromium-headless-shell'].every(has) &&
    hasOpenssl
  );
});

const out = join(ROOT, '.tmp');
mkdirSync(out, { recursive: true });

const env = { ...process.env, FORCE_COLOR: '0' };
/** What reads every file makes much that is soon done with: with more room for it, it clears up less often. */
const ROOM = `${process.env.NODE_OPTIONS ?? ''} --max-semi-space-size=64`;

const secondsSince = (began) => Math.round((performance.now() - began) / 1000);

/** Runs one check; what it says comes all at once, since another runs beside it. */
async function check(name, args, command = 'npx') {
  const began = performance.now();
  const child = spawn(command, args, { cwd: ROOT, env: { ...env, NODE_OPTIONS: ROOM } });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (said += text));
  const status = await new Promise((resolve) => child.on('close', resolve).on('error', resolve));
  console.log(`\n${name} (${secondsSince(began)} s)\n${said.trimEnd()}`);
  if (status === 0) passed += 1;
  else {
    failed += 1;
    console.log(`The check "${name}" failed.`);
  }
}

async function inTurn(checks) {
  for (const one of checks) await check(...one);
}

/** Runs a test runner and counts what it says it ran; a runner that ends without a report counts as one failure. */
async function count(name, args, report, read) {
  const file = join(out, report);
  rmSync(file, { force: true });
  console.log(`\n${name}`);
  const child = spawn('npx', args, { cwd: ROOT, stdio: 'inherit', env });
  const isFine = (await new Promise((resolve) => child.on('close', resolve).on('error', resolve))) === 0;
  if (!existsSync(file)) {
    failed += 1;
    return;
  }
  const [good, bad] = read(JSON.parse(readFileSync(file, 'utf8')));
  passed += good;
  failed += bad === 0 && !isFine ? 1 : bad;
}

/** What tests start from that need the demo; the browser tests say what is wrong with it. */
async function makeTemplate() {
  const data = await playTemplate().catch(() => null);
  if (!data) return;
  process.on('exit', () => rmSync(data, { recursive: true, force: true }));
  env.IRVOT_DEMO_TEMPLATE = data;
}

await check('types', ['svelte-kit', 'sync']);
// two at a time, as long as each other
await Promise.all([
  inTurn([
    ['lint', ['eslint', '.']],
    ['format', ['prettier', '--check', '--log-level', 'warn', '.']],
    ['dependency rules', ['depcruise', 'src', '--config', '.dependency-cruiser.cjs']],
    ['nothing unused', ['knip']]
  ]),
  inTurn([
    ['types of the pages', ['svelte-check', '--tsgo', '--tsconfig', './tsconfig.json', '--fail-on-warnings']],
    ['types of core, without a browser or a machine', ['tsc', '-p', 'tsconfig.core.json']],
    // when the types have been read, since it writes them anew
    ['build', ['-e', "import('./scripts/parts/prepare.mjs').then((m) => m.ensureBuilt())"], process.execPath]
  ])
    .then(() => database)
    .then(makeTemplate)
]);
await count(
  'unit and store tests',
  ['vitest', 'run', '--reporter=default', '--reporter=json', '--outputFile.json=.tmp/unit.json'],
  'unit.json',
  (r) => [
    r.numPassedTests,
    r.numFailedTests +
      r.testResults.filter((t) => t.status === 'failed' && t.assertionResults.length === 0).length
  ]
);
await count('browser tests', ['playwright', 'test'], 'e2e.json', ({ stats }) => [
  stats.expected + stats.flaky,
  stats.unexpected
]);

process.exitCode = failed === 0 && passed > 0 ? 0 : 1;
