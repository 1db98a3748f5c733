import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeEach, describe, expect, it } from 'vitest';
import { makeBackup } from './backup';
import { backupsOf, openStudio } from './studio-file';

const scratch = mkdtempSync(join(tmpdir(), 'irvot-studio-'));
afterAll(() => rmSync(scratch, { recursive: true, force: true }));
const NOW = Date.parse('2026-11-24T08:00:00Z');
let folder: string;
let file: string;
let n = 0;

beforeEach(() => {
  folder = join(scratch, `studio-${(n += 1)}`);
  file = join(folder, 'studio.sqlite');
});

const open = () => openStudio(folder).close();
const said = () => {
  try {
    open();
    return 'opened';
  } catch (thrown) {
    expect(thrown).toBeInstanceOf(RangeError);
    return (thrown as Error).message;
  }
};
async function withBackup(): Promise<string> {
  const db = openStudio(folder);
  const made = await makeBackup(db, backupsOf(folder), NOW);
  db.close();
  return made;
}

describe('a studio’s file', () => {
  it('is made where nothing is, and alone is the whole studio once it was closed', () => {
    const db = openStudio(folder);
    db.prepare("INSERT INTO studio_key VALUES ('a', 'b')").run();
    expect(existsSync(`${file}-wal`)).toBe(true);
    db.close();
    expect(readdirSync(folder)).toEqual(['studio.sqlite']);
    expect(said()).toBe('opened');
  });

  it('is its owner’s alone to read', async () => {
    await withBackup();
    open();
    const modes = [folder, file, backupsOf(folder)].map((at) => (statSync(at).mode & 0o777).toString(8));
    expect(modes).toEqual(['700', '600', '700']);
    for (const name of readdirSync(backupsOf(folder)))
      expect(statSync(join(backupsOf(folder), name)).mode & 0o077).toBe(0);
  });

  it('that is missing beside backups is lost, not new: the newest sound backup is named', async () => {
    const first = await withBackup();
    const db = openStudio(folder);
    const second = await makeBackup(db, backupsOf(folder), NOW + 60_000);
    db.close();
    writeFileSync(second, readFileSync(second).fill(0x5a, 4096));
    rmSync(file);
    expect(said()).toContain(
      'Here was a studio, and its file studio.sqlite is missing. Nothing was changed.'
    );
    expect(said()).toContain(`npm run restore -- ${first}`);
    expect(existsSync(file)).toBe(false);
  });

  it('that is missing beside its log or what a restore set aside is lost too', () => {
    open();
    renameSync(file, `${file}.before-restore-2026-11-24T080000.000Z`);
    expect(said()).toContain('is missing');
    expect(said()).toContain('There is no sound backup beside it');
    rmSync(folder, { recursive: true });
    mkdirSync(folder);
    writeFileSync(`${file}-wal`, 'x');
    expect(said()).toContain('is missing');
  });

  it('that is empty, damaged at its beginning or in its middle is said to be so, and left as it is', async () => {
    const backup = await withBackup();
    const whole = readFileSync(file);
    const broken: [Buffer, string][] = [
      [Buffer.alloc(0), 'The studio’s file is empty.'],
      [Buffer.from('SQLite format 4'), 'damaged at its very beginning'],
      [Buffer.concat([Buffer.from('nothing here'), whole]), 'damaged at its very beginning'],
      [Buffer.from(whole).fill(0x5a, 100, 4096), 'could not be opened'],
      [Buffer.from(whole).fill(0x5a, whole.length / 2), 'The studio’s database']
    ];
    for (const [bytes, says] of broken) {
      writeFileSync(file, bytes);
      expect(said()).toContain(says);
      expect(said()).toContain(`npm run restore -- ${backup}`);
      expect(readFileSync(file).equals(bytes)).toBe(true);
    }
  });

  it('is opened without what was being sent when it stopped', () => {
    mkdirSync(join(folder, 'incoming-x'), { recursive: true });
    writeFileSync(join(folder, 'incoming-x', 'archive.zip'), 'half');
    open();
    expect(readdirSync(folder)).toEqual(['studio.sqlite']);
  });

  it('that was only half made when the machine stopped is made again', () => {
    mkdirSync(folder);
    writeFileSync(`${file}.new`, 'half');
    expect(said()).toBe('opened');
    expect(readdirSync(folder)).toEqual(['studio.sqlite']);
  });
});
