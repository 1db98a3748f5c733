/**
 * The one judge: installs what is missing, then format, lint, types, dependency rules, unit and store tests, build and
 * browser tests. Each check counts as one test, beside the tests that the runners report. The last line is the sum.
 */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, ensureBuilt, ensureChromium, ensureDebian, ensureInstalled } from './parts/prepare.mjs';

let passed = 0;
let failed = 0;
process.on('exit', () => console.log(`${passed} passed, ${failed} failed`));

ensureInstalled();
ensureChromium();
ensureDebian(['libical-dev', 'python3-vobject', 'gcc', 'libc6-dev', 'openssl'], () => {
  const hasVobject = spawnSync('/usr/bin/python3', ['-c', 'import vobject']).status === 0;
  const has = (command) => spawnSync(command, ['--version']).status === 0;
  const hasOpenssl = spawnSync('openssl', ['version']).status === 0;
  return hasVobject && existsSync('/usr/include/libical/ical.h') && has('gcc') && hasOpenssl;
});

const out = join(ROOT, '.tmp');
mkdirSync(out, { recursive: true });

function run(name, args) {
  console.log(`\n${name}`);
  return (
    spawnSync('npx', args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, FORCE_COLOR: '0' } })
      .status === 0
  );
}

function check(name, args) {
  if (run(name, args)) passed += 1;
  else {
    failed += 1;
    console.log(`The check "${name}" failed.`);
  }
}

/** Runs a test runner and counts what it says it ran; a runner that ends without a report counts as one failure. */
function count(name, args, report, read) {
  const file = join(out, report);
  rmSync(file, { force: true });
  const isFine = run(name, args);
  if (!existsSync(file)) {
    failed += 1;
    return;
  }
  const [good, bad] = read(JSON.parse(readFileSync(file, 'utf8')));
  passed += good;
  failed += bad === 0 && !isFine ? 1 : bad;
}

check('format', ['prettier', '--check', '--log-level', 'warn', '.']);
check('lint', ['eslint', '.']);
check('types', ['svelte-kit', 'sync']);
check('types of the pages', ['svelte-check', '--tsconfig', './tsconfig.json', '--fail-on-warnings']);
check('types of core, without a browser or a machine', ['tsc', '-p', 'tsconfig.core.json']);
check('dependency rules', ['depcruise', 'src', '--config', '.dependency-cruiser.cjs']);
check('nothing unused', ['knip']);
count(
  'unit and store tests',
  ['vitest', 'run', '--reporter=default', '--reporter=json', '--outputFile.json=.tmp/unit.json'],
  'unit.json',
  (r) => [
    r.numPassedTests,
    r.numFailedTests +
      r.testResults.filter((t) => t.status === 'failed' && t.assertionResults.length === 0).length
  ]
);
console.log('\nbuild');
ensureBuilt();
passed += 1;
count('browser tests', ['playwright', 'test'], 'e2e.json', ({ stats }) => [
  stats.expected + stats.flaky,
  stats.unexpected
]);

process.exitCode = failed === 0 && passed > 0 ? 0 : 1;
