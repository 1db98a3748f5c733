/** What every command needs before it can begin: packages, a build that is not stale, Chromium. Each says what it lacks. */
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import {
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  statSync,
  statfsSync,
  writeFileSync
} from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
const BUILD_INPUTS = [
  'src',
  'static',
  'package.json',
  'svelte.config.js',
  'vite.config.ts',
  'vite.built.mjs',
  'vite.workers.config.ts'
];
/** Chromium without a window, which draws for less; where Debian's package of it is not there, the whole one. */
const HEADLESS = '/usr/bin/chromium-headless-shell';
const CHROMIUM = process.env.CHROMIUM ?? (existsSync(HEADLESS) ? HEADLESS : '/usr/bin/chromium');
const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--lang=en-GB'
];
/** Where processes share memory; a container may have hardly any of it. */
const SHARED_MEMORY = '/dev/shm';
const ENOUGH_SHARED_MEMORY_BYTES = 2 ** 30;

function hasSharedMemory() {
  if (!existsSync(SHARED_MEMORY)) return false;
  const { bavail, bsize } = statfsSync(SHARED_MEMORY);
  return bavail * bsize >= ENOUGH_SHARED_MEMORY_BYTES;
}

/** How Chromium is launched, with `more` flags. What its processes share goes through files only where there is no memory for it. */
export const launchOf = (...more) => ({
  executablePath: CHROMIUM,
  args: [...CHROMIUM_FLAGS, ...more],
  ignoreDefaultArgs: hasSharedMemory() ? ['--disable-dev-shm-usage'] : []
});

export function giveUp(sentence) {
  console.error(sentence);
  process.exit(1);
}

/** Runs a command in the project's folder with its output shown; gives up with `sentence` when it fails. */
function run(command, args, sentence, env = {}) {
  const done = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } });
  if (done.status !== 0) giveUp(sentence);
}

function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    giveUp(`Irvot needs Node.js 20.19 or newer; this is ${process.versions.node}.`);
}

/** Where node-gyp finds Node's headers without asking the network, if they are installed. */
function headersEnv() {
  if (process.env.npm_config_nodedir) return {};
  const prefix = join(dirname(process.execPath), '..');
  return existsSync(join(prefix, 'include', 'node', 'node.h')) ? { npm_config_nodedir: prefix } : {};
}

/** Installs what the lock file says where it is not installed yet. */
export function ensureInstalled() {
  ensurePackages();
  if (doesDatabaseWork()) return;
  const done = spawnSync(...COMPILE);
  checkDatabase(done.status);
}

/** As above, and returns at once while the database module is compiled: the promise is fulfilled when it works. */
export async function beginInstalling() {
  ensurePackages();
  if (doesDatabaseWork()) return;
  checkDatabase(
    await new Promise((resolve) =>
      spawn(...COMPILE)
        .on('close', resolve)
        .on('error', resolve)
    )
  );
}

/** Scripts of packages are not run: the database module is the one that needs its own. */
function ensurePackages() {
  checkNode();
  if (arePackagesThere()) return;
  console.log('Installing packages (the database module is compiled, about a minute) ...');
  run(
    'npm',
    ['ci', '--no-audit', '--no-fund', '--ignore-scripts'],
    'npm ci failed: it needs the npm registry.'
  );
}

/** Whether what npm says it installed is what the lock file asks, whoever installed it. */
function arePackagesThere() {
  const read = (path) => JSON.parse(readFileSync(join(ROOT, path), 'utf8')).packages;
  const there = join('node_modules', '.package-lock.json');
  if (!existsSync(join(ROOT, there))) return false;
  const installed = read(there);
  const isThere = ([path, { version, optional, peer }]) =>
    path === '' || optional || peer || installed[path]?.version === version;
  return Object.entries(read('package-lock.json')).every(isThere);
}

/** Parts of the database that nothing here asks for: a fourth of what there is to compile. */
const LEFT_OUT = ['FTS3', 'FTS4', 'FTS5', 'RTREE', 'GEOPOLY'].map((part) => `-USQLITE_ENABLE_${part}`);
/** As SQLite's own makefile asks: what its package asks takes a third longer to compile, and is no faster. */
const OPTIMISED = { CFLAGS: ['-O2', ...LEFT_OUT].join(' '), CXXFLAGS: '-O2' };
const COMPILE = [
  'npm',
  ['rebuild', 'better-sqlite3', '--ignore-scripts=false'],
  { cwd: ROOT, stdio: 'inherit', env: { ...OPTIMISED, ...process.env, ...headersEnv() } }
];

/** Whether the database module loads: asked in this process, since whatever starts waits for it. */
function doesDatabaseWork() {
  try {
    const Database = createRequire(join(ROOT, 'package.json'))('better-sqlite3');
    new Database(':memory:').close();
    return true;
  } catch {
    return false;
  }
}

function checkDatabase(status) {
  if (status !== 0)
    giveUp(
      'The database module could not be compiled: it needs python3, make and g++ (apt-get install python3 make g++).'
    );
  if (!doesDatabaseWork())
    giveUp('The database module does not load: run "npm rebuild better-sqlite3" and read what it says.');
}

function newest(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))));
}

/** Builds the application where the build is missing or older than its sources. */
export function ensureBuilt() {
  const stamp = join(ROOT, 'build', '.built');
  const sources = Math.max(...BUILD_INPUTS.map((path) => newest(join(ROOT, path))));
  if (existsSync(stamp) && statSync(stamp).mtimeMs >= sources) return;
  console.log('Building ...');
  build([]);
  build(['--config', 'vite.workers.config.ts']);
  mkdirSync(join(ROOT, 'build'), { recursive: true });
  writeFileSync(stamp, '');
}

/** What the adapter says whatever is built; a module of the browser's alone leaves nothing for the server. */
const SAID_ALWAYS = [
  'Generated an empty chunk: ',
  '> Using @sveltejs/adapter-node',
  '✔ done',
  'Run npm run preview'
];
const isSaidAlways = (line) =>
  line.trim() === '' || SAID_ALWAYS.some((beginning) => line.trim().startsWith(beginning));

/** Builds, and shows every line that is not said always. */
function build(options) {
  const args = ['vite', 'build', '--logLevel', 'warn', ...options];
  const { status, stdout, stderr } = spawnSync('npx', args, { cwd: ROOT, encoding: 'utf8' });
  const lines = `${stdout}\n${stderr}`.split('\n').filter((line) => !isSaidAlways(line));
  if (lines.length > 0) console.log(lines.join('\n'));
  if (status !== 0) giveUp('The build failed; its message is above.');
}

/** Debian packages a command needs, installed where they are missing. */
export function ensureDebian(packages, isThere) {
  if (isThere()) return;
  const isRoot = process.getuid?.() === 0;
  const apt = (args) => (isRoot ? ['apt-get', args] : ['sudo', ['-n', 'apt-get', ...args]]);
  const sentence = `Please install: ${packages.join(' ')} (apt-get install ${packages.join(' ')}); this account could not.`;
  console.log(`Installing ${packages.join(', ')} from Debian's packages ...`);
  run(...apt(['update', '-q']), sentence);
  run(...apt(['install', '-y', '-q', '--no-install-recommends', ...packages]), sentence, {
    DEBIAN_FRONTEND: 'noninteractive'
  });
  if (!isThere()) giveUp(sentence);
}

export function ensureChromium() {
  ensureDebian(['chromium'], () => {
    try {
      execFileSync(CHROMIUM, ['--version'], { stdio: 'ignore' });
      return true;
    } catch {
      return false;
    }
  });
}
