import { beforeEach, describe, expect, it } from 'vitest';
import { type App, type Who, NOBODY, makeApp } from '../app';
import { openDb } from '../db/open';
import {
  acceptJoinLink,
  createTeacher,
  enterDemo,
  isNewStudio,
  makeJoinLink,
  readJoinLink,
  readSession,
  signIn,
  signOut
} from './sign-in';
import { addCandidate } from './studio';

const DAY_MS = 86_400_000;
let now: number;
let app: App;

beforeEach(() => {
  now = Date.parse('2026-11-24T10:00:00Z');
  app = makeApp(openDb(':memory:'), () => now);
});

const who = (token: string) => readSession(app, NOBODY, { token });
const open = () =>
  createTeacher(app, NOBODY, { name: 'Marthe', login: 'marthe', password: 'three quiet herons' });
const attempt = (password: string, login = 'marthe') =>
  signIn(app, NOBODY, { login, password, address: '10.0.0.1' });

async function join(): Promise<{ teacher: Who; candidateId: string; token: string }> {
  const teacher = who(await open());
  const candidateId = addCandidate(app, teacher, {
    name: 'Ada',
    instruments: 'oboe',
    zone: 'Europe/Brussels'
  });
  return { teacher, candidateId, token: makeJoinLink(app, teacher, { candidateId }) };
}

describe('a new studio', () => {
  it('makes one teacher and no second', async () => {
    expect(isNewStudio(app, NOBODY, undefined)).toBe(true);
    expect(who(await open())).toMatchObject({ kind: 'teacher', name: 'Marthe' });
    await expect(open()).rejects.toMatchObject({ code: 'studio-has-teacher' });
  });

  it('stores neither passwords nor tokens', async () => {
    const token = await open();
    const tables = ['account', 'session']
      .map((t) => JSON.stringify(app.db.prepare(`SELECT * FROM ${t}`).all()))
      .join();
    expect(tables).not.toContain('herons');
    expect(tables).not.toContain(token);
    expect(tables).toContain('$argon2id$');
  });
});

describe('signing in', () => {
  it('takes the right password, whatever the case of the name, and refuses others alike', async () => {
    await open();
    expect(who(await attempt('three quiet herons', 'Marthe')).kind).toBe('teacher');
    await expect(attempt('three loud herons')).rejects.toMatchObject({ code: 'wrong-sign-in' });
    await expect(attempt('three quiet herons', 'nobody')).rejects.toMatchObject({ code: 'wrong-sign-in' });
  });

  it('is limited: after eight wrong attempts the right password waits a quarter of an hour', async () => {
    await open();
    for (let i = 0; i < 8; i += 1)
      await expect(attempt('guess')).rejects.toMatchObject({ code: 'wrong-sign-in' });
    await expect(attempt('three quiet herons')).rejects.toMatchObject({ code: 'too-many-attempts' });
    now += 15 * 60_000 + 1;
    expect(who(await attempt('three quiet herons')).kind).toBe('teacher');
  });

  it('counts wrong attempts alone: a whole studio behind one address signs in as often as it likes', async () => {
    await open();
    for (let i = 0; i < 40; i += 1) await attempt('three quiet herons');
    expect(who(await attempt('three quiet herons')).kind).toBe('teacher');
  });

  it('ends by signing out and after thirty days', async () => {
    const token = await open();
    const other = await attempt('three quiet herons');
    signOut(app, NOBODY, { token });
    expect(who(token)).toEqual(NOBODY);
    expect(who(other).kind).toBe('teacher');
    now += 30 * DAY_MS + 1;
    expect(who(other)).toEqual(NOBODY);
  });
});

describe('a candidate’s link', () => {
  it('sets a password once and signs in as that candidate', async () => {
    const { candidateId, token } = await join();
    expect(readJoinLink(app, NOBODY, { token })).toEqual({ name: 'Ada', login: '' });
    const session = await acceptJoinLink(app, NOBODY, { token, login: 'ada', password: 'seven green boats' });
    expect(who(session)).toMatchObject({ kind: 'candidate', candidateId });
    await expect(
      acceptJoinLink(app, NOBODY, { token, login: 'ada', password: 'seven green boats' })
    ).rejects.toMatchObject({ code: 'link-spent' });
  });

  it('made anew sets a new password, ends older sessions and spends the earlier link', async () => {
    const { teacher, candidateId, token } = await join();
    const session = await acceptJoinLink(app, NOBODY, { token, login: 'ada', password: 'seven green boats' });
    const early = makeJoinLink(app, teacher, { candidateId });
    const late = makeJoinLink(app, teacher, { candidateId });
    expect(() => readJoinLink(app, NOBODY, { token: early })).toThrow('new one');
    await acceptJoinLink(app, NOBODY, { token: late, login: 'ada', password: 'eight red boats ashore' });
    expect(who(session)).toEqual(NOBODY);
    await expect(attempt('seven green boats', 'ada')).rejects.toMatchObject({ code: 'wrong-sign-in' });
  });

  it('is too old after two weeks, and a taken sign-in name is said', async () => {
    const { token } = await join();
    await expect(
      acceptJoinLink(app, NOBODY, { token, login: 'MARTHE', password: 'seven green boats' })
    ).rejects.toMatchObject({ code: 'login-taken' });
    now += 14 * DAY_MS + 1;
    expect(() => readJoinLink(app, NOBODY, { token })).toThrow('too old');
  });
});

describe('the demo’s one click', () => {
  it('does not exist in a real studio', async () => {
    await open();
    expect(() => enterDemo(app, NOBODY, {})).toThrow('demo only');
    expect(who(enterDemo({ ...app, isDemo: true }, NOBODY, {})).kind).toBe('teacher');
  });
});
