/** Starts the built application on an address of one's choosing and waits until it answers. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './prepare.mjs';

/**
 * A child process with `origin`; rejects with what it printed where it ends before it answers.
 * @param {{ port: number, data: string, env?: Record<string, string>, args?: string[], origin?: string }} how
 */
export async function serve({ port, data, env = {}, args = [], origin = `http://127.0.0.1:${port}` }) {
  const child = spawn(
    process.execPath,
    [join(ROOT, 'scripts', 'start.mjs'), '--port', String(port), '--data', data, ...args],
    {
      cwd: ROOT,
      env: { ...process.env, ...env },
      stdio: ['ignore', 'pipe', 'pipe']
    }
  );
  // whoever started it may end before it answers
  const end = () => child.kill('SIGKILL');
  process.on('exit', end);
  child.on('exit', () => process.off('exit', end));
  let said = '';
  child.stdout.on('data', (text) => (said += text));
  child.stderr.on('data', (text) => (said += text));
  for (let tries = 0; tries < 1800; tries += 1) {
    if (child.exitCode !== null) throw new Error(`the application ended: ${said}`);
    // another server may hold the port: only what this one says of itself counts
    const isUp =
      said.includes('Irvot is at') &&
      (await fetch(`${origin}/sign-in`).then(
        ({ status }) => status < 500,
        () => false
      ));
    // one that ends by itself says why
    if (isUp) child.on('exit', (code) => code && console.error(said.slice(-2000)));
    if (isUp) return { origin, child, stop: () => child.kill('SIGTERM') };
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  child.kill('SIGTERM');
  throw new Error(`the application did not answer on ${origin}: ${said}`);
}
