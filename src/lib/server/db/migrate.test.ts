import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { openDb } from './open';

const folder = mkdtempSync(join(tmpdir(), 'irvot-db-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('the database', () => {
  it('is at the newest migration after opening, and opening again changes nothing', () => {
    const file = join(folder, 'studio.sqlite');
    const first = openDb(file);
    const version = first.pragma('user_version', { simple: true });
    first.prepare("INSERT INTO account VALUES ('a', 'teacher', 'A', 'a', 'x', 0)").run();
    first.close();
    const again = openDb(file);
    expect(again.pragma('user_version', { simple: true })).toBe(version);
    expect(again.prepare('SELECT count(*) AS n FROM account').get()).toEqual({ n: 1 });
    again.close();
  });

  it('written by a newer program is not touched, and that is said', () => {
    const file = join(folder, 'newer.sqlite');
    const db = openDb(file);
    db.pragma('user_version = 999');
    db.close();
    expect(() => openDb(file)).toThrow('use a newer program');
  });

  it('holds strict tables and real references', () => {
    const db = openDb(':memory:');
    const tables = db
      .prepare("SELECT name, sql FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'")
      .all() as { name: string; sql: string }[];
    expect(tables.length).toBeGreaterThan(8);
    for (const { sql } of tables) expect(sql).toMatch(/STRICT$/);
    expect(() => db.prepare("INSERT INTO session VALUES ('t', 'nobody', 1)").run()).toThrow('FOREIGN KEY');
    expect(() => db.prepare("INSERT INTO account VALUES ('a', 'juror', 'A', 'a', 'x', 0)").run()).toThrow(
      'CHECK'
    );
  });
});
