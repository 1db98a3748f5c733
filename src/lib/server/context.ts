/**
 * The running application: one database under the data directory, the clock, and whether it is the demo.
 * Environment: IRVOT_DATA (directory), IRVOT_DEMO (1), IRVOT_NOW (an ISO instant the clock stands at).
 */
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { env } from '$env/dynamic/private';
import { type App, makeApp } from './app';
import { openDb } from './db/open';
import { seedDemo } from './demo/seed';

let app: App | undefined;

function readClock(): () => number {
  if (!env.IRVOT_NOW) return Date.now;
  const fixed = Date.parse(env.IRVOT_NOW);
  if (Number.isNaN(fixed)) throw new RangeError(`IRVOT_NOW is not an instant: ${env.IRVOT_NOW}`);
  return () => fixed;
}

export function theApp(): App {
  if (app) return app;
  const directory = env.IRVOT_DATA ?? 'data';
  mkdirSync(directory, { recursive: true });
  app = makeApp(openDb(join(directory, 'studio.sqlite')), readClock(), env.IRVOT_DEMO === '1');
  if (app.isDemo) seedDemo(app);
  return app;
}
