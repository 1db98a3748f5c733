/**
 * The running application: one database under the data directory, the clock, and whether it is the demo; a backup a day and
 * plans that wait are made in the background.
 */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import type { Server } from '@tus/server';
import { type App, makeApp } from './app';
import { listBackups, makeBackup } from './db/backup';
import { INCOMING, backupsOf, isStudioIn, openStudio } from './db/studio-file';
import { seedDemo } from './demo/seed';
import { dataDirectory, isDemo, readClock } from './environment';
import { filesOf } from './files/folder';
import { keepLog, serverLog } from './log';
import { takeBack } from './store/intake';
import { layInThread } from './laying/in-thread';
import { LayingQueue } from './laying/queue';
import { receiverOf } from './takes/receive';
import { dropSoundless, keepSound, sendingOf, sweepTakes } from './takes/keep';

const MS_PER_HOUR = 3_600_000;
const BACKUP_EVERY_MS = 20 * MS_PER_HOUR;

let app: App | undefined;
let queue: LayingQueue | undefined;

/** What the names of folders begin with in which something that is being sent lies meanwhile. */
export const incomingFolder = () => join(dataDirectory(), INCOMING);
/** Where what is too large for the database lies. */
export const filesFolder = () => filesOf(dataDirectory());
export const backupDirectory = () => backupsOf(dataDirectory());

let sounds: Server | undefined;
/** Takes sounds in, for whoever has been asked. */
export const theReceiver = (): Server =>
  (sounds ??= receiverOf(
    sendingOf(filesFolder()),
    filesFolder(),
    (takeId, sound) => keepSound(theApp(), takeId, sound),
    (takeId) => dropSoundless(theApp(), takeId)
  ));

/** Throws RangeError with a sentence where the studio's file is not to be opened. */
export function theApp(): App {
  if (app) return app;
  if (isDemo() && !isStudioIn(dataDirectory())) seedApart();
  const db = openStudio(dataDirectory());
  keepLog(join(dataDirectory(), 'irvot.log'));
  takeBack(db);
  app = makeApp(db, readClock(), isDemo(), () => queue!.look(), filesFolder());
  if (app.isDemo) seedDemo(app);
  queue = new LayingQueue(app, layInThread());
  keepRunning(app);
  // the server says so when it stops: studio.sqlite alone is then the whole studio
  process.once('sveltekit:shutdown', () => db.close());
  return app;
}

/** What playing the demo's months needs is given back when it is done. Where that cannot be, it is done here, or said why not. */
function seedApart(): void {
  const built = process.env.IRVOT_WORKERS;
  const [file, args] = [process.execPath, [join(built ?? '', 'seed.worker.js')]];
  if (built) spawnSync(file, args, { stdio: 'ignore' });
}

/** Resolves when an audition's plan is of today, or after some seconds. */
export const planReady = (auditionId: string) => queue!.ready(auditionId);

function keepRunning(running: App): void {
  const backUp = () => {
    const [newest] = listBackups(backupDirectory());
    if (running.isDemo || (newest && Date.now() - newest.atMs < BACKUP_EVERY_MS)) return;
    makeBackup(running.db, backupDirectory(), Date.now()).catch((err: unknown) =>
      serverLog.error({ err }, 'backup failed')
    );
  };
  const sweep = () => {
    sweepTakes(running);
    theReceiver()
      .cleanUpExpiredUploads()
      .catch((err: unknown) => serverLog.error({ err }, 'sweeping failed'));
  };
  for (const often of [backUp, sweep]) {
    setTimeout(often, MS_PER_HOUR / 60).unref();
    setInterval(often, MS_PER_HOUR).unref();
  }
  app?.layLater();
}
