import { beforeEach, describe, expect, it } from 'vitest';
import { type App, NOBODY, makeApp } from '../app';
import { openDb } from '../db/open';
import { addCandidate } from '../usecase/studio';
import { endGrants, hasGrant, isOpen, makeGrant, readHolder, useGrant } from './grant';

const DAY_MS = 86_400_000;
let app: App;
let now: number;
let candidateId: string;

beforeEach(() => {
  now = Date.parse('2026-11-24T10:00:00Z');
  app = makeApp(openDb(':memory:'), () => now);
  const teacher = { kind: 'teacher', accountId: 't', name: 'Marthe' } as const;
  candidateId = addCandidate(app, teacher, { name: 'Ada', instruments: 'oboe', zone: 'Europe/Brussels' });
});
const make = (kind: 'join' | 'feed', opensId = candidateId) => makeGrant(app, kind, { candidateId, opensId });

describe('a grant', () => {
  it('makes its holder known by what it opens, and is kept as a hash alone', () => {
    const token = make('feed', 'an audition');
    expect(readHolder(app, 'feed', token)).toMatchObject({
      kind: 'holder',
      candidateId,
      opensId: 'an audition'
    });
    expect(JSON.stringify(app.db.prepare('SELECT * FROM access_grant').all())).not.toContain(token);
    for (const wrong of ['', 'guess', `${token}x`])
      expect(() => readHolder(app, 'feed', wrong)).toThrow('new one');
    expect(NOBODY.kind).toBe('nobody');
  });

  it('opens nothing of another kind', () => {
    expect(() => readHolder(app, 'join', make('feed'))).toThrow('new one');
  });

  it('that is used up, too old or ended opens nothing', () => {
    const holder = readHolder(app, 'join', make('join'));
    useGrant(app, holder);
    expect(isOpen(app, holder)).toBe(false);
    const late = make('join');
    now += 14 * DAY_MS;
    expect(() => readHolder(app, 'join', late)).toThrow('too old');
    const feed = make('feed');
    now += 1000 * DAY_MS;
    expect(readHolder(app, 'feed', feed).kind).toBe('holder');
    endGrants(app, 'feed', candidateId);
    expect(hasGrant(app, 'feed', candidateId)).toBe(false);
    expect(() => readHolder(app, 'feed', feed)).toThrow('new one');
  });

  it('made anew ends the one before it, and only of the same thing', () => {
    const [first, other] = [make('feed', 'one'), make('feed', 'another')];
    make('feed', 'one');
    expect(() => readHolder(app, 'feed', first)).toThrow('new one');
    expect(readHolder(app, 'feed', other).opensId).toBe('another');
  });
});
