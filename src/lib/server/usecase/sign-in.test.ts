import { beforeEach, describe, expect, it } from 'vitest';
import { type App, type Who, NOBODY, isTeaching, makeApp } from '../app';
import { openDb } from '../db/open';
import { openDemo } from '../../../../tests/fixtures/demo-studio';
import { readHolder } from '../grant/grant';
import { passwordFault } from '../password';
import {
  acceptJoinLink,
  changePassword,
  createTeacher,
  endSession,
  enterDemo,
  isNewStudio,
  makeJoinLink,
  noteSession,
  readDraftKey,
  readJoinLink,
  readSession,
  readSessions,
  signIn,
  signOut
} from './sign-in';
import { addCandidate, readStudio } from './studio';

const DAY_MS = 86_400_000;
let now: number;
let app: App;

beforeEach(() => {
  now = Date.parse('2026-11-24T10:00:00Z');
  app = makeApp(openDb(':memory:'), () => now);
});

/** As with every request: who asks, and that they did. */
const who = (token: string) => {
  const person = readSession(app, NOBODY, { token });
  noteSession(app, NOBODY, { token });
  return person;
};
/** As whoever has the link. */
const accept = async (token: string, account: { login: string; password: string; device: string }) =>
  acceptJoinLink(app, readHolder(app, 'join', token), account);
const readLink = (token: string) => readJoinLink(app, readHolder(app, 'join', token), {});
const open = () =>
  createTeacher(app, NOBODY, {
    name: 'Marthe',
    login: 'marthe',
    password: 'three quiet herons',
    device: 'a browser'
  });
const attempt = async (
  password: string,
  login = 'marthe',
  { address = '10.0.0.1', knownDevice }: { address?: string; knownDevice?: string } = {}
) => (await signIn(app, NOBODY, { login, password, address, device: 'a browser', knownDevice })).session;

async function join(): Promise<{ teacher: Who; candidateId: string; token: string }> {
  const teacher = who(await open());
  const candidateId = addCandidate(app, teacher, {
    name: 'Ada',
    instruments: 'oboe',
    zone: 'Europe/Brussels'
  });
  return { teacher, candidateId, token: makeJoinLink(app, teacher, { candidateId }) };
}

describe('who prepares alone', () => {
  it('is teacher and candidate in one: may what both may, and vouches for what is played as the player', async () => {
    const alone = { instruments: 'oboe', zone: 'Europe/Brussels' };
    const account = { name: 'Ada', login: 'ada', password: 'seven green boats', device: 'a browser', alone };
    const token = await createTeacher(app, NOBODY, account);
    const ada = readSession(app, NOBODY, { token });
    expect(ada).toMatchObject({ kind: 'teacher', name: 'Ada', plays: expect.any(String) });
    expect(isTeaching(ada)).toBe(false);
    const { rows } = readStudio(app, ada, {});
    expect(rows.map(({ id, name, instruments }) => [id, name, instruments])).toEqual([
      [(ada as { plays: string }).plays, 'Ada', 'oboe']
    ]);
    // a teacher of several plays for none of them
    expect(isTeaching({ kind: 'teacher', accountId: 'm', name: 'Marthe' })).toBe(true);
  });
});

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

  it('from elsewhere guessed at, does not lock the device out that has signed in before', async () => {
    await open();
    const first = { login: 'marthe', password: 'three quiet herons', address: '10.0.0.1', device: '' };
    const { knownDevice } = await signIn(app, NOBODY, { ...first, knownDevice: undefined });
    for (let i = 0; i < 40; i += 1)
      await expect(attempt('guess', 'marthe', { address: `10.1.0.${i}` })).rejects.toThrow();
    // a stranger waits, wherever the stranger is
    await expect(attempt('three quiet herons', 'marthe', { address: '10.2.0.1' })).rejects.toMatchObject({
      code: 'too-many-attempts'
    });
    expect(who(await attempt('three quiet herons', 'marthe', { knownDevice })).kind).toBe('teacher');
    // and guessing on it ends as everywhere
    for (let i = 0; i < 8; i += 1)
      await expect(attempt('guess', 'marthe', { knownDevice })).rejects.toMatchObject({
        code: 'wrong-sign-in'
      });
    await expect(attempt('guess', 'marthe', { knownDevice })).rejects.toMatchObject({
      code: 'too-many-attempts'
    });
  });

  it('ends by signing out, after seven days without use, and after thirty days with it', async () => {
    const token = await open();
    const [other, idle] = [await attempt('three quiet herons'), await attempt('three quiet herons')];
    signOut(app, NOBODY, { token });
    expect(who(token)).toEqual(NOBODY);
    for (let day = 0; day < 30; day += 6) {
      expect(who(other).kind).toBe('teacher');
      now += 6 * DAY_MS;
    }
    expect(who(other)).toEqual(NOBODY);
    now -= 23 * DAY_MS + 1;
    expect(who(idle).kind).toBe('teacher');
    now += 7 * DAY_MS;
    expect(who(idle)).toEqual(NOBODY);
  });
});

describe('one’s own account', () => {
  const change = (teacher: Who, token: string, password: string, present = 'three quiet herons') =>
    changePassword(app, teacher, { token, present, password });

  it('has its password changed by who knows the present one, and every other session ends', async () => {
    const token = await open();
    const other = await attempt('three quiet herons');
    await expect(change(who(token), token, 'five tall cranes', 'guess')).rejects.toThrow('present password');
    await change(who(token), token, 'five tall cranes');
    expect([who(token).kind, who(other).kind]).toEqual(['teacher', 'nobody']);
    await expect(attempt('three quiet herons')).rejects.toMatchObject({ code: 'wrong-sign-in' });
    expect(who(await attempt('five tall cranes')).kind).toBe('teacher');
  });

  it('lists where one is signed in, and ends a session elsewhere; never somebody else’s', async () => {
    const { teacher, token } = await join();
    const [here] = [await attempt('three quiet herons')];
    const ada = await accept(token, { login: 'ada', password: 'seven green boats', device: '' });
    const { sessions, login } = readSessions(app, teacher, { token: here });
    expect([login, sessions.length, sessions.filter((s) => s.isHere).length]).toEqual(['marthe', 2, 1]);
    endSession(app, teacher, { handle: sessions.find((s) => !s.isHere)!.handle });
    expect(readSessions(app, teacher, { token: here }).sessions).toHaveLength(1);
    const [hers] = readSessions(app, who(ada), { token: ada }).sessions;
    expect(() => endSession(app, teacher, { handle: hers!.handle })).toThrow('nothing here');
    expect(who(ada).kind).toBe('candidate');
  });

  it('keeps drafts under a key of its own, the same every time', async () => {
    const { teacher, token } = await join();
    const ada = who(await accept(token, { login: 'ada', password: 'seven green boats', device: '' }));
    const key = (person: Who) => readDraftKey(app, person, {});
    expect(key(teacher)).toBe(key(teacher));
    expect(key(teacher)).not.toBe(key(ada));
    expect(() => key(NOBODY)).toThrow('Sign in first');
  });
});

describe('a password', () => {
  it.each([
    ['password1234', 'tried first'],
    ['qwertyqwerty', 'tried first'],
    ['123456123456', 'tried first'],
    ['aaaaaaaaaaaaaaaa', 'same few signs'],
    ['abababababab', 'same few signs'],
    ['ostrel-quill-1', 'own name']
  ])('that would be guessed is refused: %s', (password, says) =>
    expect(passwordFault(password, ['Ostrel Quill', 'ostrel'])).toContain(says)
  );

  it('of a few words is taken', () => {
    for (const password of ['three quiet herons', 'marthe likes blue boats', 'Vr5!kk-20x9qz'])
      expect(passwordFault(password, ['Marthe Quill', 'marthe'])).toBeNull();
  });

  it('is hashed one after another, and where many wait the next is told to come again', async () => {
    const crowd = await Promise.allSettled(
      Array.from({ length: 40 }, (_, i) => attempt('guess', `somebody${i}`, { address: `10.3.0.${i}` }))
    );
    const codes = crowd.map((one) =>
      one.status === 'rejected' ? (one.reason as { code: string }).code : ''
    );
    expect(codes.filter((code) => code === 'too-busy')).toHaveLength(16); // 40 less the 24 that may wait
    expect(codes.filter((code) => code === 'wrong-sign-in')).toHaveLength(24);
  });
});

describe('a candidate’s link', () => {
  it('sets a password once and signs in as that candidate', async () => {
    const { candidateId, token } = await join();
    expect(readLink(token)).toEqual({ name: 'Ada', login: '' });
    const session = await accept(token, { login: 'ada', password: 'seven green boats', device: '' });
    expect(who(session)).toMatchObject({ kind: 'candidate', candidateId });
    await expect(
      accept(token, { login: 'ada', password: 'seven green boats', device: '' })
    ).rejects.toMatchObject({ code: 'link-spent' });
  });

  it('made anew sets a new password, ends older sessions and spends the earlier link', async () => {
    const { teacher, candidateId, token } = await join();
    const session = await accept(token, { login: 'ada', password: 'seven green boats', device: '' });
    const early = makeJoinLink(app, teacher, { candidateId });
    const late = makeJoinLink(app, teacher, { candidateId });
    expect(() => readLink(early)).toThrow('new one');
    await accept(late, { login: 'ada', password: 'eight red boats ashore', device: '' });
    expect(who(session)).toEqual(NOBODY);
    await expect(attempt('seven green boats', 'ada')).rejects.toMatchObject({ code: 'wrong-sign-in' });
  });

  it('is too old after two weeks, and a taken sign-in name is said', async () => {
    const { token } = await join();
    await expect(
      accept(token, { login: 'MARTHE', password: 'seven green boats', device: '' })
    ).rejects.toMatchObject({ code: 'login-taken' });
    now += 14 * DAY_MS + 1;
    expect(() => readLink(token)).toThrow('too old');
  });
});

describe('the demo’s one click', () => {
  it('is the only way in there: no password fits, and none is an error', async () => {
    const demo = openDemo(() => now);
    const { login } = demo.db.prepare("SELECT login FROM account WHERE role = 'teacher'").get() as {
      login: string;
    };
    const account = {
      login,
      password: 'three quiet herons',
      address: 'x',
      device: '',
      knownDevice: undefined
    };
    await expect(signIn(demo, NOBODY, account)).rejects.toMatchObject({ code: 'wrong-sign-in' });
    const token = enterDemo(demo, NOBODY, { device: '' });
    const teacher = readSession(demo, NOBODY, { token });
    const change = { token, present: 'x', password: 'five tall cranes' };
    await expect(changePassword(demo, teacher, change)).rejects.toThrow('not your present password');
  });

  it('does not exist in a real studio', async () => {
    await open();
    expect(() => enterDemo(app, NOBODY, { device: '' })).toThrow('demo only');
    expect(who(enterDemo({ ...app, isDemo: true }, NOBODY, { device: '' })).kind).toBe('teacher');
  });
});
