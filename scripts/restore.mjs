/**
 * Puts a backup in the studio's place: npm run restore -- FILE [--data DIRECTORY]. The studio must be stopped. The backup is copied and
 * the copy checked before anything of the studio is touched; what was there is kept beside it. Stopped half-way, it is run again.
 * Who was signed in signs in again, and links that wait are worthless: what has ended since the backup does not come back.
 */
import {
  closeSync,
  copyFileSync,
  existsSync,
  fsyncSync,
  linkSync,
  mkdirSync,
  openSync,
  readdirSync,
  renameSync,
  rmSync
} from 'node:fs';
import { createRequire } from 'node:module';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { ROOT, ensureInstalled, giveUp } from './parts/prepare.mjs';

process.umask(0o077);
const { values, positionals } = parseArgs({ options: { data: { type: 'string' } }, allowPositionals: true });
const [backup] = positionals;
if (!backup) giveUp('Which backup? npm run restore -- data/backups/studio-….sqlite');
if (!existsSync(backup)) giveUp(`There is no file ${backup}.`);
ensureInstalled();
const Database = createRequire(import.meta.url)('better-sqlite3');

const directory = resolve(ROOT, values.data ?? process.env.IRVOT_DATA ?? 'data');
const studio = join(directory, 'studio.sqlite');
const incoming = `${studio}.restoring`;
const ENDS = {
  session: '',
  known_device: '',
  sign_in_attempt: '',
  join_link: '',
  access_grant: 'WHERE uses_left IS NOT NULL'
};

refuseWhileRunning();
try {
  for (const end of ['', '-wal', '-journal']) rmSync(incoming + end, { force: true });
  copyFileSync(backup, incoming);
  prepareCopy();
  sync(incoming);
} catch (error) {
  rmSync(incoming, { force: true });
  giveUp(`${backup} was not restored, and nothing was changed: ${error.message}`);
}
if (existsSync(studio)) {
  const aside = `${studio}.before-restore-${new Date().toISOString().replaceAll(':', '')}`;
  linkSync(studio, aside);
  // the log of the old file must not be taken for the new one's
  if (existsSync(`${studio}-wal`)) renameSync(`${studio}-wal`, `${aside}-wal`);
  console.log(`What was there is now ${aside}`);
}
for (const end of ['-wal', '-shm']) rmSync(studio + end, { force: true });
bringFiles();
renameSync(incoming, studio);
sync(directory);
console.log(`Restored ${backup}. Everybody signs in again.`);

function prepareCopy() {
  const db = new Database(incoming);
  db.pragma('journal_mode = DELETE');
  const said = db.pragma('quick_check(1)', { simple: true });
  if (said !== 'ok') throw new Error(`it is damaged (${said})`);
  const tables = new Set(
    db
      .prepare("SELECT name FROM sqlite_master WHERE type = 'table'")
      .all()
      .map(({ name }) => name)
  );
  if (!tables.has('candidate')) throw new Error('it is no studio');
  const [stray] = db.pragma('foreign_key_check');
  if (stray) throw new Error(`it is damaged (a row of ${stray.table} points to nothing)`);
  db.pragma('secure_delete = ON');
  for (const [table, which] of Object.entries(ENDS))
    if (tables.has(table)) db.exec(`DELETE FROM ${table} ${which}`);
  db.close();
}

/** What lies beside the backups; of a file's content its name is made, so what is there already is the same. */
function bringFiles() {
  const [from, to] = [join(backup, '..', 'files'), join(directory, 'files')];
  if (!existsSync(from)) return;
  mkdirSync(to, { recursive: true });
  for (const name of readdirSync(from)) {
    const file = join(to, name.replace(/\.gone$/, ''));
    if (existsSync(file)) continue;
    copyFileSync(join(from, name), `${file}.partial`);
    renameSync(`${file}.partial`, file);
  }
}

function sync(path) {
  const handle = openSync(path, 'r');
  fsyncSync(handle);
  closeSync(handle);
}

/** A running studio holds its file locked; opening it also brings what its log holds into the file. */
function refuseWhileRunning() {
  if (!existsSync(studio)) return;
  try {
    const db = new Database(studio, { timeout: 200 });
    db.pragma('wal_checkpoint(TRUNCATE)');
    db.prepare('SELECT count(*) FROM sqlite_master').get();
    db.close();
  } catch (error) {
    if (error.code === 'SQLITE_BUSY') giveUp('The studio is running: stop it first.');
  }
}
