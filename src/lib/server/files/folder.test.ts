import { mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { execFileSync } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, it } from 'vitest';
import { listBackups, makeBackup } from '../db/backup';
import { openDb } from '../db/open';

const studio = mkdtempSync(join(tmpdir(), 'irvot-files-'));
afterAll(() => rmSync(studio, { recursive: true, force: true }));
const DAY_MS = 24 * 3_600_000;
const NOW = Date.parse('2026-11-24T08:00:00Z');

it('files beside the studio are in its backups once, and for a fortnight after they are gone', async () => {
  const db = openDb(join(studio, 'studio.sqlite'));
  const [files, backups] = [join(studio, 'files'), join(studio, 'backups')];
  const kept = () => readdirSync(join(backups, 'files')).sort();
  const backUp = (day: number) => makeBackup(db, backups, NOW + day * DAY_MS);
  await backUp(0);
  expect(readdirSync(backups)).toHaveLength(1); // nothing there, nothing made
  mkdirSync(files);
  writeFileSync(join(files, 'aa'), 'a take');
  writeFileSync(join(files, 'bb'), 'another');
  await backUp(1);
  await backUp(2);
  expect(kept()).toEqual(['aa', 'bb']);
  expect(readFileSync(join(backups, 'files', 'aa'), 'utf8')).toBe('a take');
  rmSync(join(files, 'aa'));
  await backUp(3);
  expect(kept()).toEqual(['aa.gone', 'bb']);
  expect(readFileSync(join(backups, 'files', 'aa.gone'), 'utf8')).toBe('a take');
  // what comes again is the same: its name is its content's
  writeFileSync(join(files, 'aa'), 'a take');
  await backUp(4);
  expect(kept()).toEqual(['aa', 'bb']);
  rmSync(join(files, 'aa'));
  for (let day = 5; day <= 19; day += 1) await backUp(day);
  expect(kept()).toEqual(['aa.gone', 'bb']);
  await backUp(20);
  expect(kept()).toEqual(['bb']);
  expect(listBackups(backups)).toHaveLength(14);
  db.close();
});

it('files come back with a backup, those gone since then too', async () => {
  const home = join(studio, 'restored');
  mkdirSync(join(home, 'files'), { recursive: true });
  const db = openDb(join(home, 'studio.sqlite'));
  writeFileSync(join(home, 'files', 'aa'), 'a take');
  const backup = await makeBackup(db, join(home, 'backups'), NOW);
  rmSync(join(home, 'files', 'aa'));
  writeFileSync(join(home, 'files', 'cc'), 'a later take');
  await makeBackup(db, join(home, 'backups'), NOW + DAY_MS);
  db.close();
  execFileSync(process.execPath, ['scripts/restore.mjs', backup, '--data', home], { stdio: 'pipe' });
  expect(readdirSync(join(home, 'files')).sort()).toEqual(['aa', 'cc']);
  expect(readFileSync(join(home, 'files', 'aa'), 'utf8')).toBe('a take');
});
