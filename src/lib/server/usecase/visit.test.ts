import { beforeEach, describe, expect, it } from 'vitest';
import { type App, type Who } from '../app';
import { readHolder } from '../grant/grant';
import { saveLessonNote } from './lesson';
import { logTouch } from './log';
import { readFacts, saveFacts } from './studio';
import { endVisit, makeVisit, readGuardianWeek, readSubstitute } from './visit';
import { TEACHER, openStudio, timeOf } from '../../../../tests/fixtures/small-studio';

const DAY_MS = 86_400_000;
let now: number;
let app: App;
let candidateId: string;
let itemId: string;

beforeEach(() => {
  now = Date.parse('2026-11-24T10:00:00Z'); // a Tuesday
  const lessons = [{ weekday: 2, start: '16:00', minutes: 45, isInside: true }];
  ({ app, candidateId, itemId } = openStudio(() => now, {
    ...timeOf(60, [1, 2, 3, 4, 5], '17:00'),
    lessons
  }));
  const { candidate } = readFacts(app, TEACHER, { candidateId });
  const { name, instruments, zone, isMinor } = candidate;
  const facts = {
    name,
    instruments,
    zone,
    isMinor,
    guardian: 'Joke, 0400',
    privateNote: 'shy',
    consentOn: null
  };
  saveFacts(app, TEACHER, { candidateId, facts, version: candidate.factsVersion });
  saveLessonNote(app, TEACHER, { candidateId, note: 'Slower, and louder', was: '' });
  logTouch(app, TEACHER, {
    itemId,
    date: '2026-11-23',
    minutes: 12,
    tempoBpm: 60,
    attempts: 'cnccc',
    note: 'cracked'
  });
});

const held = (kind: 'guardian' | 'substitute', until?: string): (() => Who) => {
  const token = makeVisit(app, TEACHER, { candidateId, kind, until });
  return () => readHolder(app, kind, token);
};

describe('a guardian’s link', () => {
  it('reads seven days with their minutes, lessons and dates, and nothing that was said or did not hold', () => {
    const week = readGuardianWeek(app, held('guardian')(), {});
    expect(week.days.map(({ date }) => date.slice(-2))).toEqual(['24', '25', '26', '27', '28', '29', '30']);
    expect(week.days[0]).toMatchObject({ lessons: ['16:00'] });
    expect(week.days[0]!.blocks[0]).toMatchObject({ name: 'Study in reeds' });
    for (const { minutes, blocks } of week.days)
      expect(minutes).toBe(blocks.reduce((sum, block) => sum + block.minutes, 0));
    expect(week).toMatchObject({ playedMin: 12, playedDays: 1, next: { date: '2027-01-09' } });
    for (const word of ['shy', 'Joke', 'louder', 'cracked', '60'])
      expect(JSON.stringify(week)).not.toContain(word);
  });

  it('works until it is ended, and half a year at most', () => {
    const guardian = held('guardian');
    now += 179 * DAY_MS;
    expect(guardian().kind).toBe('holder');
    endVisit(app, TEACHER, { candidateId, kind: 'guardian' });
    expect(guardian).toThrow('new one');
    const late = held('guardian');
    now += 180 * DAY_MS;
    expect(late).toThrow('too old');
  });
});

describe('a substitute’s link', () => {
  it('reads the list, what holds, what is next and the notes to take home; no private note, no guardian', () => {
    const lesson = readSubstitute(app, held('substitute', '2026-11-25')(), {});
    expect(lesson.items).toMatchObject([
      {
        name: 'Study in reeds',
        sections: [{ says: expect.stringContaining('holds at 60') }],
        next: { tempo: { bpm: 63, unit: 'quarter' } }
      }
    ]);
    expect(lesson.notes).toMatchObject([{ note: 'Slower, and louder' }]);
    for (const word of ['shy', 'Joke', 'cracked']) expect(JSON.stringify(lesson)).not.toContain(word);
  });

  it('is made for no day that lies further than it could work', () => {
    // from 24 November at eleven sixty days end on 23 January at eleven
    expect(() => held('substitute', '2027-01-23')).toThrow('at most sixty days');
    expect(held('substitute', '2027-01-22')().kind).toBe('holder');
  });

  it('ends with its day where the candidate lives, and is made for no day that is over', () => {
    const substitute = held('substitute', '2026-11-25');
    // midnight in Brussels is 23:00 UTC
    now = Date.parse('2026-11-25T22:59:59Z');
    expect(substitute().kind).toBe('holder');
    now += 1000;
    expect(substitute).toThrow('too old');
    expect(() => held('substitute', '2026-11-24')).toThrow('Choose today or a later day');
  });

  it('is one at a time, and is not a guardian’s', () => {
    const first = held('substitute', '2026-11-30');
    held('substitute', '2026-11-30');
    expect(first).toThrow('new one');
    const guardian = held('guardian')();
    expect(() => readSubstitute(app, guardian, {})).toThrow('new one');
  });
});
