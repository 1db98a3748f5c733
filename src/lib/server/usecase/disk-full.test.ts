import { expect, it } from 'vitest';
import { type Who, NOBODY, makeApp } from '../app';
import { openDb } from '../db/open';
import { createTeacher, noteSession, readSession } from './sign-in';
import { addCandidate } from './studio';
import { listCandidates } from '../store/candidate';

const TEACHER: Who = { kind: 'teacher', accountId: 't', name: 'Teacher' };
const HOUR_MS = 3_600_000;

it('a full disk is said as such, nothing is half kept, and what is there can still be read', async () => {
  let now = Date.parse('2026-11-24T10:00:00Z');
  const app = makeApp(openDb(':memory:'), () => now);
  const account = { name: 'Marthe', login: 'marthe', password: 'three quiet herons', device: 'x' };
  const token = await createTeacher(app, NOBODY, account);
  const add = (name: string) =>
    addCandidate(app, TEACHER, { name, instruments: 'oboe '.repeat(10), zone: 'Europe/Brussels' });
  add('First');
  // no page more than there is: SQLite then says what it says on a full disk
  const pages = app.db.pragma('page_count', { simple: true }) as number;
  app.db.pragma(`max_page_count = ${pages}`);
  const names = () => listCandidates(app.db).map(({ name }) => name);
  let kept = names();
  const fill = () => {
    for (;;) {
      kept = names();
      add(`One of ${kept.length}`);
    }
  };
  expect(fill).toThrowError(expect.objectContaining({ code: 'disk-full' }) as Error);
  expect(names()).toEqual(kept);
  now += 2 * HOUR_MS;
  try {
    noteSession(app, NOBODY, { token });
  } catch (thrown) {
    expect(thrown).toMatchObject({ code: 'disk-full' });
  }
  expect(readSession(app, NOBODY, { token }).kind).toBe('teacher');
  app.db.pragma(`max_page_count = ${pages + 100}`);
  add('Last');
  expect(names()).toContain('Last');
});
