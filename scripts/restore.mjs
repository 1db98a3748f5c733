/**
 * Puts a backup in the studio's place: npm run restore -- FILE [--data DIRECTORY]. The studio must be stopped. The backup is
 * checked first, and what was there is kept beside it.
 */
import { copyFileSync, existsSync, renameSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { ROOT, ensureInstalled, giveUp } from './parts/prepare.mjs';

const { values, positionals } = parseArgs({ options: { data: { type: 'string' } }, allowPositionals: true });
const [backup] = positionals;
if (!backup) giveUp('Which backup? npm run restore -- data/backups/studio-….sqlite');
if (!existsSync(backup)) giveUp(`There is no file ${backup}.`);
ensureInstalled();
const Database = createRequire(import.meta.url)('better-sqlite3');

check(backup, `${backup} is no sound studio`);
const directory = resolve(ROOT, values.data ?? process.env.IRVOT_DATA ?? 'data');
const studio = join(directory, 'studio.sqlite');
if (existsSync(studio)) {
  refuseWhileRunning();
  const aside = `${studio}.before-restore-${new Date().toISOString().slice(0, 19).replaceAll(':', '')}`;
  renameSync(studio, aside);
  for (const end of ['-wal', '-shm']) rmSync(studio + end, { force: true });
  console.log(`What was there is now ${aside}`);
}
copyFileSync(backup, studio);
console.log(`Restored ${backup}`);

function check(file, sentence) {
  try {
    const db = new Database(file, { readonly: true });
    const said = db.pragma('quick_check(1)', { simple: true });
    const isStudio = db.prepare("SELECT 1 FROM sqlite_master WHERE name = 'candidate'").get();
    db.close();
    if (said !== 'ok' || !isStudio) giveUp(`${sentence}: ${said}`);
  } catch (error) {
    giveUp(`${sentence}: ${error.message}`);
  }
}

/** A running studio holds its file locked; opening it also brings what its log holds into the file. */
function refuseWhileRunning() {
  try {
    const db = new Database(studio, { timeout: 200 });
    db.pragma('wal_checkpoint(TRUNCATE)');
    db.prepare('SELECT count(*) FROM sqlite_master').get();
    db.close();
  } catch (error) {
    if (error.code === 'SQLITE_BUSY') giveUp('The studio is running: stop it first.');
  }
}
