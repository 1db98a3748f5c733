/** Starts the driver (built once), kills it after some milliseconds, and says what it had said by then. Times come from a seed. */
import { execFileSync, spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from 'vite';

export const SCRATCH = mkdtempSync(join(tmpdir(), 'irvot-kills-'));
export const clearUp = () => rmSync(SCRATCH, { recursive: true, force: true });
const DRIVER = join(SCRATCH, 'built', 'driver.js');
const POWER = join(SCRATCH, 'power.so');

export async function buildDriver(): Promise<void> {
  await build({
    configFile: false,
    logLevel: 'error',
    build: { ssr: 'tests/kills/driver.ts', outDir: join(SCRATCH, 'built'), emptyOutDir: true },
    // in one file, it starts sooner
    ssr: { external: ['better-sqlite3'], noExternal: true }
  });
  // a built file looks for its packages where it lies
  execFileSync('ln', ['-sfn', join(process.cwd(), 'node_modules'), join(SCRATCH, 'node_modules')]);
  execFileSync('gcc', ['-shared', '-fPIC', '-O1', '-o', POWER, 'tests/kills/power.c', '-ldl']);
}

type Work = 'write' | 'write-unsynced' | 'backup';
type Killing = {
  /** After its first word. */
  readonly afterMs: number;
  /** Where what reached the disk is kept, for a power cut. */
  readonly shadow?: string;
};

export const runDriver = (work: Work, directory: string, killing: Killing): Promise<string[]> =>
  runKilled(process.execPath, [DRIVER, work, directory], killing, directory);

/** Kills the process so long after its first line, or lets it end by itself; the whole lines it said. */
export function runKilled(
  command: string,
  args: readonly string[],
  { afterMs, shadow }: Killing,
  directory: string
): Promise<string[]> {
  if (shadow) mkdirSync(shadow, { recursive: true });
  mkdirSync(directory, { recursive: true });
  const disk = shadow ? { LD_PRELOAD: POWER, DISK_ROOT: directory, DISK_SHADOW: shadow } : {};
  const child = spawn(command, args, {
    env: { ...process.env, ...disk },
    stdio: ['ignore', 'pipe', 'inherit']
  });
  return new Promise((resolve) => {
    let said = '';
    child.stdout.on('data', (text: Buffer) => {
      if (said === '') setTimeout(() => child.kill('SIGKILL'), afterMs);
      said += text.toString();
    });
    child.on('close', () => resolve(said.split('\n').slice(0, -1)));
  });
}
