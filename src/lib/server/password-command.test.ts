import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type App, NOBODY, makeApp } from './app';
import { openStudio } from './db/studio-file';
import { createTeacher, readSession, signIn } from './usecase/sign-in';

const data = mkdtempSync(join(tmpdir(), 'irvot-password-'));
const NOW = Date.parse('2026-11-24T08:00:00Z');

async function inStudio<T>(run: (app: App) => T | Promise<T>): Promise<T> {
  const db = openStudio(data);
  try {
    return await run(makeApp(db, () => NOW));
  } finally {
    db.close();
  }
}
const enter = (app: App, password: string) =>
  signIn(app, NOBODY, { login: 'marthe', password, address: '10.0.0.1', device: '', knownDevice: undefined });
const command = (password: string) =>
  spawnSync(process.execPath, ['node_modules/tsx/dist/cli.mjs', 'scripts/password.ts', '--data', data], {
    input: `${password}\n`,
    encoding: 'utf8'
  });

let session = '';
beforeAll(async () => {
  const made = { name: 'Marthe Oldenkott', login: 'marthe', password: 'three quiet herons', device: '' };
  session = await inStudio((app) => createTeacher(app, NOBODY, made));
});
afterAll(() => rmSync(data, { recursive: true, force: true }));

describe('the command for a forgotten password', () => {
  it('refuses one that would be guessed, and changes nothing', async () => {
    for (const [bad, says] of [
      ['short', 'At least 12 characters'],
      ['oldenkott-marthe', 'your own name']
    ]) {
      const { status, stderr } = command(bad!);
      expect([status, stderr]).toEqual([2, expect.stringContaining(says!)]);
    }
    await inStudio(async (app) => expect(await enter(app, 'three quiet herons')).toBeTruthy());
  });

  it('is refused while the studio runs', async () => {
    await inStudio(() => {
      const { status, stderr } = command('seven green boats');
      expect([status, stderr]).toEqual([2, expect.stringContaining('Stop it first')]);
    });
  });

  it('sets it, and ends every session of before', async () => {
    const { status, stdout } = command('seven green boats');
    expect([status, stdout]).toEqual([0, expect.stringContaining('Start the studio and sign in')]);
    await inStudio(async (app) => {
      expect(readSession(app, NOBODY, { token: session })).toEqual(NOBODY);
      await expect(enter(app, 'three quiet herons')).rejects.toThrow();
      expect(await enter(app, 'seven green boats')).toBeTruthy();
    });
  });
});
