/** Numbered migrations, each in one immediate transaction that also sets user_version. A landed one is never edited. */
import type Database from 'better-sqlite3';

const FILES = import.meta.glob<string>('./migrations/*.sql', {
  query: '?raw',
  import: 'default',
  eager: true
});

const MIGRATIONS = Object.entries(FILES)
  .map(([path, sql]) => ({ number: Number(/(\d{4})_/.exec(path)![1]), sql }))
  .sort((a, b) => a.number - b.number);

const NEWEST_MIGRATION = MIGRATIONS.at(-1)!.number;

/** Throws RangeError where the file was written by a newer program. */
export function migrate(db: Database.Database): void {
  const at = db.pragma('user_version', { simple: true }) as number;
  if (at > NEWEST_MIGRATION) {
    throw new RangeError(
      `the database is at version ${at}, this program knows ${NEWEST_MIGRATION}: use a newer program`
    );
  }
  for (const { number, sql } of MIGRATIONS.filter((m) => m.number > at)) {
    db.transaction(() => {
      db.exec(sql);
      db.pragma(`user_version = ${number}`);
    }).immediate();
  }
}
