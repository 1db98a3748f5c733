/** Opens the studio's database and brings it to the newest migration. One file, one process (which locks it), write-ahead log. */
import Database from 'better-sqlite3';
import { migrate } from './migrate';

export type Db = Database.Database;

/** `file` may be ":memory:", or the bytes of a studio to be held in memory. Throws where it is no database or is newer than this program. */
export function openDb(file: string | Buffer): Db {
  const db = new Database(file);
  try {
    db.pragma('locking_mode = EXCLUSIVE');
    db.pragma('journal_mode = WAL');
    // what was answered with "kept" is on the disk, also where the power goes at that moment
    db.pragma('synchronous = FULL');
    db.pragma('foreign_keys = ON');
    db.pragma('secure_delete = ON');
    db.pragma('busy_timeout = 5000');
    migrate(db);
    return db;
  } catch (thrown) {
    db.close();
    if ((thrown as { code?: string }).code !== 'SQLITE_BUSY') throw thrown;
    throw new RangeError(
      `${String(file)} is in use by another running studio: stop that one, or choose another --data`,
      { cause: thrown }
    );
  }
}

/** Brings all that the write-ahead log holds into the file and empties the log: what was erased is then in neither. */
export function emptyLog(db: Db): void {
  db.pragma('wal_checkpoint(TRUNCATE)');
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
