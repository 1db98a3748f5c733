/** Opens the studio's database and brings it to the newest migration. One file, one process (which locks it), write-ahead log. */
import Database from 'better-sqlite3';
import { migrate } from './migrate';

export type Db = Database.Database;

/** `file` may be ":memory:". Throws where the file is no database or is newer than this program. */
export function openDb(file: string): Db {
  const db = new Database(file);
  db.pragma('locking_mode = EXCLUSIVE');
  try {
    db.pragma('journal_mode = WAL');
  } catch (thrown) {
    if ((thrown as { code?: string }).code !== 'SQLITE_BUSY') throw thrown;
    throw new RangeError(
      `${file} is in use by another running studio: stop that one, or choose another --data`,
      { cause: thrown }
    );
  }
  db.pragma('foreign_keys = ON');
  db.pragma('secure_delete = ON');
  db.pragma('busy_timeout = 5000');
  migrate(db);
  return db;
}

const countWrites = preparedOnce((db) => db.prepare<[], { n: number }>('SELECT total_changes() AS n'));
const rollbacks = new WeakMap<Db, number>();

/** Another text after every row this process has written or taken back; nobody else writes, since the file is locked. */
export const writesOf = (db: Db): string => `${countWrites(db).get()!.n}.${rollbacks.get(db) ?? 0}`;
/** To be called when a transaction was rolled back: what was read within it is no longer so. */
export const noteRollback = (db: Db) => void rollbacks.set(db, (rollbacks.get(db) ?? 0) + 1);

/** Statements prepared once per database; the store's own `make` names them. */
export function preparedOnce<S>(make: (db: Db) => S): (db: Db) => S {
  const known = new WeakMap<Db, S>();
  return (db) => {
    const before = known.get(db);
    if (before) return before;
    const made = make(db);
    known.set(db, made);
    return made;
  };
}
