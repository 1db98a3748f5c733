import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import Database from 'better-sqlite3';
import { migrate } from './migrate';
import ground from './migrations/0001_ground.sql?raw';
import pins from './migrations/0002_pins.sql?raw';
import { findSession } from '../store/account';
import { findAudition } from '../store/audition';
import { findGrant } from '../store/grant';
import { itemsOf } from '../store/item';
import { saidChecksOf } from '../store/said-check';
import { lastLogDate, touchesOfAudition } from '../store/touch';
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

  it('takes a studio of the first version along: its auditions become calls with one taker, and no log is lost', () => {
    const db = new Database(':memory:');
    db.pragma('foreign_keys = ON');
    db.exec(ground);
    db.exec(pins);
    db.pragma('user_version = 2');
    db.exec(`
      INSERT INTO candidate (id, name, instruments, zone, time_json, created_at_ms) VALUES ('c', 'Ada', 'oboe', 'UTC', '{}', 1);
      INSERT INTO audition VALUES ('a', 'c', 'Wind band', '2026-11-01', '[{"date":"2026-12-01","name":"closes","kind":"deadline"}]', 4, 1);
      INSERT INTO round VALUES ('r', 'a', 'final', '2027-01-09', '10:40', 'UTC', 0, '["i"]');
      INSERT INTO item VALUES ('i', 'a', 1, 'Study', 'Quill', 'etude', 'third', 'sound', '4 4', '4/4', 1, 8, 0, NULL, 40,
        '[{"id":"s","fromBar":1,"toBar":8,"tempo":{"kind":"pulse","unit":"quarter","targetBpm":80}}]', '{"inARow":4}', 3, NULL);
      INSERT INTO item VALUES ('gone', 'a', 2, 'Gone', '', 'etude', '', '', '', '4/4', 1, 8, 0, NULL, NULL, '[]', '{}', 1, 5);
      INSERT INTO touch VALUES ('t', 'i', '2026-11-20', 1, 8, 12, 60, 'quarter', 'ccc', '[]', 'self', '', 1, NULL);
      INSERT INTO check_tick VALUES ('i', 'edition', '2026-11-20');
      INSERT INTO pin (item_id, date, length_min) VALUES ('i', '2026-12-05', 10);`);
    migrate(db);
    expect(findAudition(db, 'a')).toMatchObject({
      name: 'Wind band',
      callId: 'a',
      rounds: [{ id: 'r', name: 'final', time: '10:40', itemIds: ['i'] }],
      dates: [{ name: 'closes' }],
      call: { version: 4 }
    });
    expect(itemsOf(db, 'a')).toMatchObject([
      { id: 'i', listItemId: 'i', name: 'Study', mostPerDayMin: 40, schools: { inARow: 4 }, version: 3 }
    ]);
    expect(touchesOfAudition(db, 'a')).toHaveLength(1);
    expect(lastLogDate(db, 'c')).toBe('2026-11-20');
    expect(saidChecksOf(db, 'i')).toMatchObject([
      { check: 'edition', date: '2026-11-20', isHeld: true, by: 'self' }
    ]);
    expect(db.pragma('foreign_key_check')).toEqual([]);
  });

  it('keeps the links and addresses of an earlier version open, and sessions where they were', () => {
    const db = new Database(':memory:');
    db.pragma('foreign_keys = ON');
    const earlier = import.meta.glob<string>('./migrations/000[1-6]_*.sql', {
      query: '?raw',
      import: 'default',
      eager: true
    });
    for (const name of Object.keys(earlier).sort()) db.exec(earlier[name]!);
    db.pragma('user_version = 6');
    const [soon, ago] = [Date.parse('2026-12-01T00:00:00Z'), Date.parse('2026-11-01T00:00:00Z')];
    db.exec(`
      INSERT INTO account VALUES ('t', 'teacher', 'Marthe', 'marthe', 'x', 1);
      INSERT INTO session VALUES ('s', 't', ${soon});
      INSERT INTO candidate (id, name, instruments, zone, time_json, created_at_ms) VALUES ('c', 'Ada', 'oboe', 'UTC', '{}', 1);
      INSERT INTO call (id, name, dates_json, created_at_ms) VALUES ('k', 'Wind band', '[]', 1);
      INSERT INTO audition (id, candidate_id, began_on, created_at_ms, call_id) VALUES ('a', 'c', '2026-11-01', 1, 'k');
      INSERT INTO join_link VALUES ('j', 'c', ${soon});
      INSERT INTO feed_link VALUES ('a', 'f', ${ago});`);
    migrate(db);
    const now = Date.parse('2026-11-24T10:00:00Z');
    expect(findGrant(db, 'join', 'j', now)).toMatchObject({ opensId: 'c', usesLeft: 1, expiresAtMs: soon });
    expect(findGrant(db, 'feed', 'f', now)).toMatchObject({
      opensId: 'a',
      candidateId: 'c',
      expiresAtMs: null,
      madeAtMs: ago
    });
    expect(findSession(db, 's')).toMatchObject({ accountId: 't', usedAtMs: soon - 30 * 86_400_000 });
    expect(db.pragma('foreign_key_check')).toEqual([]);
  });

  it('in use by another studio is not opened, and that is said', () => {
    const file = join(folder, 'busy.sqlite');
    const first = openDb(file);
    expect(() => openDb(file)).toThrow('in use by another running studio');
    first.close();
    openDb(file).close();
  });

  it('holds strict tables and real references', () => {
    const db = openDb(':memory:');
    const tables = db
      .prepare("SELECT name, sql FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'")
      .all() as { name: string; sql: string }[];
    expect(tables.length).toBeGreaterThan(8);
    for (const { sql } of tables) expect(sql).toMatch(/STRICT$/);
    const stray = "INSERT INTO session (token_hash, account_id, expires_at_ms) VALUES ('t', 'nobody', 1)";
    expect(() => db.prepare(stray).run()).toThrow('FOREIGN KEY');
    expect(() => db.prepare("INSERT INTO account VALUES ('a', 'juror', 'A', 'a', 'x', 0)").run()).toThrow(
      'CHECK'
    );
  });
});
