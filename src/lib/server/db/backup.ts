/**
 * Backups of the running studio: whole copies of the database, made while it is used under another name, checked, brought to the disk
 * and only then named as backups; the oldest are let go. Also the check that a database is sound.
 */
import {
  closeSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync
} from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { filesOf, keepFiles } from '../files/folder';
import { type Db, openDb } from './open';

/** A fortnight of daily copies. */
const KEPT = 14;
const NAME = /^studio-\d{4}-\d{2}-\d{2}T\d{6}Z\.sqlite$/;
const PARTIAL = '.partial';

export type Backup = { readonly name: string; readonly bytes: number; readonly atMs: number };

function namesIn(directory: string): string[] {
  try {
    return readdirSync(directory);
  } catch {
    return [];
  }
}

/** Newest first; none where the directory is not there. */
export function listBackups(directory: string): Backup[] {
  return namesIn(directory)
    .filter((name) => NAME.test(name))
    .sort()
    .reverse()
    .map((name) => ({ name, bytes: statSync(join(directory, name)).size, atMs: timeOf(name) }));
}

function timeOf(name: string): number {
  const [, date, time] = /^studio-(.{10})T(\d{6})Z/.exec(name)!;
  return Date.parse(`${date}T${time!.slice(0, 2)}:${time!.slice(2, 4)}:${time!.slice(4)}Z`);
}

/** The newest backup whose content is sound; null where there is none. */
export function newestSound(directory: string): Backup | null {
  return (
    listBackups(directory).find(({ name }) => {
      try {
        const copy = new Database(join(directory, name), { readonly: true });
        const fault = findDamage(copy);
        copy.close();
        return fault === null;
      } catch {
        return false;
      }
    }) ?? null
  );
}

/** Backups that are being made, by their directory. */
const running = new Map<string, Promise<string>>();

/**
 * Makes a copy and checks it. Throws where it cannot be written or is not sound; what was there stays. Who asks while one is made gets
 * that one.
 */
export function makeBackup(db: Db, directory: string, nowMs: number): Promise<string> {
  const made =
    running.get(directory) ?? copyTo(db, directory, nowMs).finally(() => running.delete(directory));
  running.set(directory, made);
  return made;
}

async function copyTo(db: Db, directory: string, nowMs: number): Promise<string> {
  mkdirSync(directory, { recursive: true });
  for (const name of namesIn(directory).filter((n) => n.includes(PARTIAL))) rmSync(join(directory, name));
  const stamp = new Date(nowMs).toISOString().slice(0, 19).replaceAll(':', '');
  const file = join(directory, `studio-${stamp}Z.sqlite`);
  const partial = file + PARTIAL;
  await db.backup(partial);
  const copy = new Database(partial);
  // one file by itself, whatever mode the running studio is in
  copy.pragma('journal_mode = DELETE');
  const fault = findDamage(copy);
  copy.close();
  if (fault) {
    rmSync(partial);
    throw new Error(`the backup ${file} is not sound: ${fault}`);
  }
  keepFiles(filesOf(join(directory, '..')), filesOf(directory), nowMs);
  putInPlace(partial, file);
  for (const { name } of listBackups(directory).slice(KEPT)) rmSync(join(directory, name));
  return file;
}

/** The studio as it is at this moment, in a folder of its own; `end` closes it and takes the folder away. */
export async function openCopy(
  db: Db,
  folder: string
): Promise<{ readonly db: Db; readonly end: () => void }> {
  const file = join(folder, 'copy.sqlite');
  try {
    await db.backup(file);
    const copy = openDb(file);
    const end = () => {
      copy.close();
      rmSync(folder, { recursive: true, force: true });
    };
    return { db: copy, end };
  } catch (thrown) {
    rmSync(folder, { recursive: true, force: true });
    throw thrown;
  }
}

/** Gives a finished file its name in one step, on the disk before and after. */
export function putInPlace(from: string, to: string): void {
  syncPath(from);
  renameSync(from, to);
  syncPath(join(to, '..'));
}

function syncPath(path: string): void {
  const handle = openSync(path, 'r');
  fsyncSync(handle);
  closeSync(handle);
}

/** What is wrong with a database; null where it is sound. */
export function findDamage(db: Db): string | null {
  try {
    const said = db.pragma('quick_check(1)', { simple: true });
    if (said !== 'ok') return String(said);
    if (!db.prepare("SELECT 1 FROM sqlite_master WHERE name = 'candidate'").get()) return 'it is no studio';
    const [stray] = db.pragma('foreign_key_check') as { table: string; parent: string }[];
    return stray ? `a row of ${stray.table} points to no ${stray.parent}` : null;
  } catch (thrown) {
    return thrown instanceof Error ? thrown.message : String(thrown);
  }
}
