import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { findDamage, listBackups, makeBackup } from './backup';
import { openDb } from './open';

const folder = mkdtempSync(join(tmpdir(), 'irvot-backup-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const NOW = Date.parse('2026-11-24T08:00:00Z');

describe('a backup', () => {
  it('is made while the studio is used, and holds what was saved before it', async () => {
    const db = openDb(join(folder, 'studio.sqlite'));
    const add = db.prepare("INSERT INTO account VALUES (?, 'teacher', 'A', ?, 'x', 0)");
    add.run('a', 'a');
    const made = makeBackup(db, join(folder, 'one'), NOW);
    add.run('b', 'b');
    const file = await made;
    expect(readdirSync(join(folder, 'one'))).toEqual(['studio-2026-11-24T080000Z.sqlite']);
    const copy = openDb(file);
    expect(copy.prepare("SELECT count(*) AS n FROM account WHERE id = 'a'").get()).toEqual({ n: 1 });
    expect(listBackups(join(folder, 'one'))).toMatchObject([
      { name: 'studio-2026-11-24T080000Z.sqlite', atMs: NOW }
    ]);
    copy.close();
    db.close();
  });

  it('is one, however many ask for it at once', async () => {
    const db = openDb(':memory:');
    const at = join(folder, 'at once');
    const files = await Promise.all([0, 1, 2].map((s) => makeBackup(db, at, NOW + s * 1000)));
    expect(new Set(files)).toEqual(new Set([join(at, 'studio-2026-11-24T080000Z.sqlite')]));
    expect(readdirSync(at)).toHaveLength(1);
    await makeBackup(db, at, NOW + 3000);
    expect(listBackups(at)).toHaveLength(2);
    db.close();
  });

  it('of a studio that is not sound is none, and what was left of one that was cut short goes', async () => {
    const db = openDb(':memory:');
    const at = join(folder, 'unsound');
    mkdirSync(at);
    writeFileSync(join(at, 'studio-2026-11-23T080000Z.sqlite.partial'), 'half');
    db.pragma('foreign_keys = OFF');
    db.prepare("INSERT INTO session (token_hash, account_id, expires_at_ms) VALUES ('t', 'nobody', 1)").run();
    await expect(makeBackup(db, at, NOW)).rejects.toThrow(/is not sound: a row of session/);
    expect(readdirSync(at)).toEqual([]);
    db.close();
  });

  it('lets the oldest go after fourteen', async () => {
    const db = openDb(':memory:');
    for (let day = 0; day < 16; day += 1) await makeBackup(db, join(folder, 'many'), NOW + day * 86_400_000);
    const names = listBackups(join(folder, 'many')).map((b) => b.name.slice(7, 17));
    expect(names).toHaveLength(14);
    expect([names[0], names.at(-1)]).toEqual(['2026-12-09', '2026-11-26']);
    expect(listBackups(join(folder, 'nowhere'))).toEqual([]);
  });
});

describe('the check at the start', () => {
  it('finds a sound studio sound, and a damaged one damaged', () => {
    const file = join(folder, 'damaged.sqlite');
    const db = openDb(file);
    expect(findDamage(db)).toBeNull();
    const add = db.prepare("INSERT INTO account VALUES (?, 'teacher', ?, ?, 'x', 0)");
    for (let i = 0; i < 2000; i += 1) add.run(`a${i}`, 'A'.repeat(100), `l${i}`);
    db.close();
    expect(existsSync(`${file}-wal`)).toBe(false);
    const bytes = readFileSync(file);
    bytes.fill(0x5a, Math.floor(bytes.length / 2), Math.floor(bytes.length / 2) + 8192);
    writeFileSync(file, bytes);
    const broken = openDb(file);
    expect(findDamage(broken)).not.toBeNull();
    broken.close();
  });

  it('finds a row that points to nothing', () => {
    const db = openDb(':memory:');
    db.pragma('foreign_keys = OFF');
    db.prepare("INSERT INTO session (token_hash, account_id, expires_at_ms) VALUES ('t', 'nobody', 1)").run();
    expect(findDamage(db)).toBe('a row of session points to no account');
  });
});
