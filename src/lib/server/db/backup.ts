/**
 * Backups of the running studio: whole copies of the database, made while it is used, checked, and the oldest let go. Also
 * the check at the start that the database is sound.
 */
import { mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import type { Db } from './open';

/** A fortnight of daily copies. */
const KEPT = 14;
const NAME = /^studio-\d{4}-\d{2}-\d{2}T\d{6}Z\.sqlite$/;

export type Backup = { readonly name: string; readonly bytes: number; readonly atMs: number };

/** Newest first; none where the directory is not there. */
export function listBackups(directory: string): Backup[] {
  let names: string[];
  try {
    names = readdirSync(directory).filter((name) => NAME.test(name));
  } catch {
    return [];
  }
  return names
    .sort()
    .reverse()
    .map((name) => ({ name, bytes: statSync(join(directory, name)).size, atMs: timeOf(name) }));
}

function timeOf(name: string): number {
  const [, date, time] = /^studio-(.{10})T(\d{6})Z/.exec(name)!;
  return Date.parse(`${date}T${time!.slice(0, 2)}:${time!.slice(2, 4)}:${time!.slice(4)}Z`);
}

/** Makes a copy and checks it. Throws where it cannot be written or is not sound; what was there stays. */
export async function makeBackup(db: Db, directory: string, nowMs: number): Promise<string> {
  mkdirSync(directory, { recursive: true });
  const stamp = new Date(nowMs).toISOString().slice(0, 19).replaceAll(':', '');
  const file = join(directory, `studio-${stamp}Z.sqlite`);
  await db.backup(file);
  const copy = new Database(file);
  // one file by itself, whatever mode the running studio is in
  copy.pragma('journal_mode = DELETE');
  const fault = findDamage(copy);
  copy.close();
  if (fault) {
    rmSync(file);
    throw new Error(`the backup ${file} is not sound: ${fault}`);
  }
  for (const { name } of listBackups(directory).slice(KEPT)) rmSync(join(directory, name));
  return file;
}

/** What is wrong with a database; null where it is sound. */
export function findDamage(db: Db): string | null {
  try {
    const said = db.pragma('quick_check(1)', { simple: true });
    if (said !== 'ok') return String(said);
    const [stray] = db.pragma('foreign_key_check') as { table: string; parent: string }[];
    return stray ? `a row of ${stray.table} points to no ${stray.parent}` : null;
  } catch (thrown) {
    return thrown instanceof Error ? thrown.message : String(thrown);
  }
}
