/**
 * The studio's file in its data directory: opened, made where there is no studio yet, and never mistaken. What looks like a studio that
 * was lost (an empty or missing file beside backups or a log) is not opened as a new one; the sentence names the way back.
 */
import {
  chmodSync,
  existsSync,
  mkdirSync,
  openSync,
  readSync,
  closeSync,
  readdirSync,
  rmSync,
  statSync
} from 'node:fs';
import { join } from 'node:path';
import { findDamage, newestSound, putInPlace } from './backup';
import { type Db, openDb } from './open';

/** What was being sent when the studio stopped is sent again. */
export const INCOMING = 'incoming-';
const HEADER = 'SQLite format 3\0';

const studioFile = (directory: string) => join(directory, 'studio.sqlite');
export const backupsOf = (directory: string) => join(directory, 'backups');

/** Whether a studio was ever begun there, whatever has become of it. */
export const isStudioIn = (directory: string): boolean => existsSync(studioFile(directory));

/** Throws RangeError with a sentence where the file is not a sound studio. */
export function openStudio(directory: string): Db {
  mkdirSync(directory, { recursive: true });
  const file = studioFile(directory);
  if (!existsSync(file)) {
    refuseLost(directory);
    makeNew(file);
  }
  if (statSync(file).size === 0) throw lost(directory, 'The studio’s file is empty.');
  if (!hasHeader(file)) throw lost(directory, 'The studio’s file is damaged at its very beginning.');
  const db = openOr(directory, file);
  const damage = findDamage(db);
  if (damage) {
    db.close();
    throw lost(directory, `The studio’s database is damaged (${damage}).`);
  }
  for (const name of readdirSync(directory).filter((n) => n.startsWith(INCOMING)))
    rmSync(join(directory, name), { recursive: true, force: true });
  closeToOthers(directory);
  return db;
}

function openOr(directory: string, file: string): Db {
  try {
    return openDb(file);
  } catch (thrown) {
    if (thrown instanceof RangeError) throw thrown;
    throw lost(directory, `The studio’s database could not be opened (${(thrown as Error).message}).`);
  }
}

/** A studio is made under another name and takes its place when it is whole. */
function makeNew(file: string): void {
  const partial = `${file}.new`;
  for (const end of ['', '-wal', '-shm']) rmSync(partial + end, { force: true });
  openDb(partial).close();
  putInPlace(partial, file);
}

/** A log, a backup, or what a restore set aside: here was a studio. */
function refuseLost(directory: string): void {
  const left = readdirSync(directory).find(
    (name) => name === 'studio.sqlite-wal' || name.startsWith('studio.sqlite.before-restore')
  );
  const hasBackups = existsSync(backupsOf(directory)) && readdirSync(backupsOf(directory)).length > 0;
  if (left || hasBackups) throw lost(directory, 'Here was a studio, and its file studio.sqlite is missing.');
}

function lost(directory: string, what: string): RangeError {
  const sound = newestSound(backupsOf(directory));
  return new RangeError(
    sound
      ? `${what} Nothing was changed. The newest sound backup is ${sound.name}: npm run restore -- ${join(backupsOf(directory), sound.name)}`
      : `${what} Nothing was changed. There is no sound backup beside it. To begin a new studio, choose another --data directory.`
  );
}

function hasHeader(file: string): boolean {
  const handle = openSync(file, 'r');
  const bytes = Buffer.alloc(HEADER.length);
  readSync(handle, bytes, 0, bytes.length, 0);
  closeSync(handle);
  return bytes.toString('latin1') === HEADER;
}

/** Notes about children: nobody else who uses the machine reads them. */
function closeToOthers(directory: string): void {
  chmodSync(directory, 0o700);
  const inside = (at: string) => (existsSync(at) ? readdirSync(at, { withFileTypes: true }) : []);
  for (const at of [directory, backupsOf(directory)])
    for (const entry of inside(at)) chmodSync(join(at, entry.name), entry.isDirectory() ? 0o700 : 0o600);
}
