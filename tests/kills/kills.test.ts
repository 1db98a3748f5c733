import { copyFileSync, existsSync, mkdirSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { findDamage, listBackups } from '../../src/lib/server/db/backup';
import { backupsOf, openStudio } from '../../src/lib/server/db/studio-file';
import { dice } from '../fixtures/dice';
import { SCRATCH, buildDriver, clearUp, runDriver, runKilled } from './killed';

/** `npm run bench -- kills` asks for more. */
const TIMES = Number(process.env.IRVOT_KILLS ?? 1);
const [WRITES, POWER_CUTS, BACKUPS, RESTORES] = [20, 10, 10, 10].map((n) => n * TIMES) as [
  number,
  number,
  number,
  number
];

beforeAll(buildDriver);
afterAll(clearUp);

const place = (name: string) => join(SCRATCH, name);
/** The touches a studio holds; it is opened as the application opens it, and found sound. */
function touchesIn(directory: string): Set<string> {
  const db = openStudio(directory);
  expect(findDamage(db)).toBeNull();
  const ids = db.prepare<[], string>('SELECT id FROM touch').pluck().all();
  db.close();
  return new Set(ids);
}
const lostOf = (said: readonly string[], there: ReadonlySet<string>) =>
  said.filter((line) => line !== 'ready' && !there.has(line));

describe('a studio killed while it writes', () => {
  it('holds every touch it has acknowledged, and is sound', async () => {
    const roll = dice(1);
    const said: string[] = [];
    // a slow machine is killed as often as it takes to have said something
    for (let i = 0; i < WRITES || (said.length <= WRITES * 2 && i < WRITES * 10); i += 1)
      said.push(...(await runDriver('write', place('write'), { afterMs: roll(120) })));
    expect(said.length).toBeGreaterThan(WRITES * 2);
    expect(lostOf(said, touchesIn(place('write')))).toEqual([]);
  });
});

describe('a studio whose power is cut', () => {
  const cut = async (work: 'write' | 'write-unsynced', seed: number) => {
    const roll = dice(seed);
    let [lost, acknowledged] = [0, 0];
    // a slow machine is cut as often as it takes to have said something
    for (let i = 0; i < POWER_CUTS || (acknowledged <= POWER_CUTS && i < POWER_CUTS * 10); i += 1) {
      const [directory, shadow] = [place(`${work}-${i}`), place(`${work}-${i}-disk`)];
      const said = await runDriver(work, directory, { afterMs: 30 + roll(120), shadow });
      acknowledged += said.length - 1;
      lost += lostOf(said, touchesIn(shadow)).length;
    }
    expect(acknowledged).toBeGreaterThan(POWER_CUTS);
    return lost;
  };

  it('holds every touch it has acknowledged: only what was synced is on the disk', async () => {
    expect(await cut('write', 2)).toBe(0);
  });

  it('and the disk that forgets is one that would show it: with the syncs of before touches are lost', async () => {
    expect(await cut('write-unsynced', 3)).toBeGreaterThan(0);
  });
});

describe('a backup killed while it is made', () => {
  it('is no backup: what is called one is whole', async () => {
    const directory = place('backup');
    await runDriver('write', directory, { afterMs: 400 });
    const roll = dice(4);
    let partial = 0;
    for (let i = 0; i < BACKUPS; i += 1) {
      await runDriver('backup', directory, { afterMs: roll(60) });
      partial += readdirSync(backupsOf(directory)).filter((name) => name.endsWith('.partial')).length;
      for (const { name } of listBackups(backupsOf(directory))) {
        const copy = new Database(join(backupsOf(directory), name), { readonly: true });
        expect([name, findDamage(copy)]).toEqual([name, null]);
        copy.close();
      }
    }
    expect(partial).toBeGreaterThan(0); // some were killed half-way
  });
});

describe('a restore killed at any moment', () => {
  it('leaves the studio of before or the one of the backup, whole, and can be run again', async () => {
    const directory = place('restore');
    await runDriver('write', directory, { afterMs: 300 });
    const backup = place('before.sqlite');
    const early = touchesIn(directory);
    copyFileSync(join(directory, 'studio.sqlite'), backup);
    await runDriver('write', directory, { afterMs: 300 });
    const late = touchesIn(directory);
    expect(late.size).toBeGreaterThan(early.size);
    const roll = dice(5);
    const seen = new Set<number>();
    for (let i = 0; i < RESTORES; i += 1) {
      const there = place(`restore-${i}`);
      mkdirSync(there);
      copyFileSync(join(directory, 'studio.sqlite'), join(there, 'studio.sqlite'));
      const command = `echo go; exec ${process.execPath} scripts/restore.mjs ${backup} --data ${there}`;
      await runKilled('sh', ['-c', command], { afterMs: 150 + roll(450) }, there);
      const now = touchesIn(there);
      expect([early.size, late.size]).toContain(now.size);
      seen.add(now.size);
      await runKilled('sh', ['-c', command], { afterMs: 60_000 }, there);
      expect(touchesIn(there)).toEqual(early);
    }
    expect(seen.size).toBeGreaterThan(0);
  });

  it('ends every session and every link that waits: what was signed out stays so', async () => {
    const there = place('sessions');
    await runDriver('write', there, { afterMs: 100 });
    const backup = place('sessions.sqlite');
    const db = new Database(join(there, 'studio.sqlite'));
    db.exec(`INSERT INTO account VALUES ('t', 'teacher', 'Marthe', 'marthe', 'x', 0);
      INSERT INTO session (token_hash, account_id, expires_at_ms) VALUES ('s', 't', 9e15);
      INSERT INTO access_grant (token_hash, kind, candidate_id, opens_id, made_at_ms, expires_at_ms, uses_left)
        SELECT 'l', 'join', id, id, 0, 9e15, 1 FROM candidate`);
    db.close();
    copyFileSync(join(there, 'studio.sqlite'), backup);
    const command = `echo go; exec ${process.execPath} scripts/restore.mjs ${backup} --data ${there}`;
    await runKilled('sh', ['-c', command], { afterMs: 60_000 }, there);
    const restored = new Database(join(there, 'studio.sqlite'));
    const count = (table: string) => restored.prepare(`SELECT count(*) FROM ${table}`).pluck().get();
    expect(['account', 'session', 'access_grant'].map(count)).toEqual([1, 0, 0]);
    restored.close();
  });

  it('without room changes nothing', async () => {
    const there = place('full');
    await runDriver('write', there, { afterMs: 100 });
    const before = touchesIn(there);
    const backup = place('large.sqlite');
    copyFileSync(join(there, 'studio.sqlite'), backup);
    // no file may grow beyond 8 kB: the copy ends as on a full disk
    const command = `echo go; ulimit -f 8; exec ${process.execPath} scripts/restore.mjs ${backup} --data ${there} 2>&1`;
    const said = await runKilled('bash', ['-c', command], { afterMs: 60_000 }, there);
    expect(statSync(backup).size).toBeGreaterThan(16_384);
    expect(said.join('\n')).not.toContain('Restored');
    expect(existsSync(join(there, 'studio.sqlite'))).toBe(true);
    expect(touchesIn(there)).toEqual(before);
  });
});
