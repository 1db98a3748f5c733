/**
 * The running application: one database under the data directory, the clock, and whether it is the demo; a backup a day and
 * the new day's plans are made in the background.
 * Environment: IRVOT_DATA (directory), IRVOT_DEMO (1), IRVOT_NOW (an ISO instant the clock stands at).
 */
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { env } from '$env/dynamic/private';
import { type App, makeApp } from './app';
import { findDamage, listBackups, makeBackup } from './db/backup';
import { openDb } from './db/open';
import { seedDemo } from './demo/seed';
import { serverLog } from './log';
import { layNextStale } from './usecase/new-day';

const MS_PER_HOUR = 3_600_000;
const BACKUP_EVERY_MS = 20 * MS_PER_HOUR;
/** Pause between two plans of a new day, so that people are answered in between. */
const BETWEEN_PLANS_MS = 200;

let app: App | undefined;

function readClock(): () => number {
  if (!env.IRVOT_NOW) return Date.now;
  const fixed = Date.parse(env.IRVOT_NOW);
  if (Number.isNaN(fixed)) throw new RangeError(`IRVOT_NOW is not an instant: ${env.IRVOT_NOW}`);
  return () => fixed;
}

const dataDirectory = () => env.IRVOT_DATA ?? 'data';
export const backupDirectory = () => join(dataDirectory(), 'backups');

/** Throws where the database is damaged, naming the newest backup. */
export function theApp(): App {
  if (app) return app;
  mkdirSync(dataDirectory(), { recursive: true });
  const db = openDb(join(dataDirectory(), 'studio.sqlite'));
  const damage = findDamage(db);
  if (damage) {
    const [newest] = listBackups(backupDirectory());
    throw new RangeError(
      `The studio's database is damaged (${damage}). ${newest ? `The newest backup is ${newest.name}: npm run restore -- ${join(backupDirectory(), newest.name)}` : 'There is no backup beside it.'}`
    );
  }
  app = makeApp(db, readClock(), env.IRVOT_DEMO === '1');
  if (app.isDemo) seedDemo(app);
  keepRunning(app);
  return app;
}

function keepRunning(running: App): void {
  const backUp = () => {
    const [newest] = listBackups(backupDirectory());
    if (running.isDemo || (newest && Date.now() - newest.atMs < BACKUP_EVERY_MS)) return;
    makeBackup(running.db, backupDirectory(), Date.now()).catch((err: unknown) =>
      serverLog.error({ err }, 'backup failed')
    );
  };
  const layNext = () => {
    let wasStale = false;
    try {
      wasStale = layNextStale(running);
    } catch (err) {
      serverLog.error({ err }, 'a plan of the new day was not laid');
    }
    setTimeout(layNext, wasStale ? BETWEEN_PLANS_MS : MS_PER_HOUR / 12).unref();
  };
  setTimeout(backUp, MS_PER_HOUR / 60).unref();
  setInterval(backUp, MS_PER_HOUR).unref();
  setTimeout(layNext, BETWEEN_PLANS_MS).unref();
}
