/** The demo as it is on the day of the tests, in a folder of which each studio under test takes a copy. */
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { serve } from './serve.mjs';

const PORT = 3380;

/** Plays the demo's months once and returns where it lies; the application is built, and who asks clears up. */
export async function playTemplate() {
  const data = mkdtempSync(join(tmpdir(), 'irvot-e2e-demo-'));
  const app = await serve({ port: PORT, data, env: { IRVOT_NOW: '2026-11-24T08:00:00Z', IRVOT_DEMO: '1' } });
  await fetch(`${app.origin}/sign-in`);
  app.stop();
  await new Promise((resolve) => app.child.on('exit', resolve));
  return data;
}
