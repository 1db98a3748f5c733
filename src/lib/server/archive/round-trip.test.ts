import { describe, expect, it } from 'vitest';
import { type App, type Who, makeApp } from '../app';
import { openDb } from '../db/open';
import { formatDate, dayOf } from '../../core/units';
import { addAudition, saveCall, takeCall } from '../usecase/call';
import { sayCheck } from '../usecase/readiness';
import { readHome, saveLessonNote, setTarget } from '../usecase/lesson';
import { addWish, answerWish } from '../usecase/wish';
import { addItem, readItem, readList } from '../usecase/list';
import { logTouch } from '../usecase/log';
import { pinBlock, pinRung } from '../usecase/pin';
import { addAway, addCandidate, archiveCandidate, readFacts, saveFacts, saveTime } from '../usecase/studio';
import type { Archive } from '../../schema/archive';
import { exportStudio, importArchive } from '../usecase/archive';
import { dice } from '../../../../tests/fixtures/dice';
import { STUDY } from '../../../../tests/fixtures/small-studio';
import { readArchive, writeArchive } from './file';

/** The whole file. */
const zipped = (archive: Archive) => new Uint8Array(Buffer.concat([...writeArchive(archive)]));

const NOW = Date.parse('2026-11-24T10:00:00Z');
const TODAY = dayOf('2026-11-24');
const TEACHER: Who = { kind: 'teacher', accountId: 't', name: 'Teacher' };
const studio = () => makeApp(openDb(':memory:'), () => NOW);
/** As forms let them through: in one line, or in several. */
const LINES = ['slow', 'é “quoted”', 'ritardando مرحبا', '=1+1', '🎵', 'x'.repeat(200)];

const TEXTS = ['first line\nsecond\tline', ...LINES];

/** A studio made through its own use cases, with something of everything that can be stored. */
function randomStudio(seed: number): App {
  const app = studio();
  const roll = dice(seed);
  const line = () => LINES[roll(LINES.length)]!.slice(0, 110);
  const text = () => TEXTS[roll(TEXTS.length)]!;
  const day = (from: number, to: number) => formatDate(TODAY + from + roll(to - from));
  const zone = 'Europe/Brussels';
  let callOf: string | null = null;
  for (let c = 0; c < 2 + roll(2); c += 1) {
    const candidateId = addCandidate(app, TEACHER, {
      name: `Candidate ${c}`,
      instruments: line(),
      zone,
      isMinor: roll(2) === 1
    });
    const exceptions = Array.from({ length: roll(30) }, () => ({
      date: day(-300, 200),
      minutes: roll(3) * 20,
      ...(roll(2) ? { why: line().slice(0, 40).trim() } : {}),
      ...(roll(3) === 0 ? { start: '17:00' } : {})
    }));
    const week = [
      { weekday: 1 + roll(7), minutes: 60, start: '09:30' },
      { weekday: 1, minutes: 20 + roll(60) }
    ];
    const lessons = [{ weekday: 1 + roll(7), minutes: 45, isInside: roll(2) === 1 }];
    const time = {
      week: week.slice(roll(2)),
      exceptions,
      lessons,
      warmUpMin: roll(20),
      fundamentalsMin: roll(20)
    };
    saveTime(app, TEACHER, { candidateId, version: 1, time });
    // more than a year of days away, in three entries
    for (const [from, to] of [
      ['2026-12-01', '2027-06-30'],
      ['2027-08-01', '2028-03-31'],
      ['2028-04-02', '2028-04-20']
    ] as const)
      if (roll(2)) addAway(app, TEACHER, { candidateId, from, to, why: line() });
    const { candidate } = readFacts(app, TEACHER, { candidateId });
    const { name, instruments, isMinor } = candidate;
    saveFacts(app, TEACHER, {
      candidateId,
      version: 1,
      facts: {
        name,
        instruments,
        zone,
        isMinor,
        guardian: line(),
        consentOn: roll(2) ? day(-400, 0) : null,
        privateNote: text()
      }
    });
    const auditionId: string =
      callOf && roll(2)
        ? takeCall(app, TEACHER, { candidateId, callId: callOf })
        : addAudition(app, TEACHER, {
            candidateId,
            name: `Audition ${c}`,
            webAddress: roll(2) ? 'https://hall.example/call' : '',
            rounds: [
              { id: '', name: 'recorded', date: day(20, 40), zone, isHistory: false, uploadBy: day(41, 50) },
              {
                id: '',
                name: 'final',
                date: day(60, 90),
                zone,
                isHistory: false,
                isWeek: roll(2) === 1 || undefined
              }
            ],
            dates: [{ date: day(1, 20), name: line(), kind: 'deadline' }]
          });
    if (readList(app, TEACHER, { auditionId }).items.length === 0)
      for (let i = 0; i < 1 + roll(3); i += 1)
        addItem(app, TEACHER, {
          auditionId,
          item: {
            ...STUDY,
            name: `Study ${c} ${i}`,
            composer: line(),
            errata: [{ bar: 3, says: line() }],
            cuts: roll(2) ? [{ fromBar: 2, toBar: 9 }] : [],
            mostPerDayMin: roll(2) ? 30 : undefined,
            holdsNow: roll(2)
              ? [{ sectionId: 'new-1', bpm: 60, unit: 'quarter', evidence: 'teacher', on: '2026-11-02' }]
              : [],
            schools: roll(2) ? { strategy: 'chunks', tires: ['lips'] } : undefined
          }
        });
    const { audition, items } = readList(app, TEACHER, { auditionId });
    callOf = audition.callId;
    const own = {
      version: audition.ownVersion,
      dates: [{ date: day(30, 50), name: 'mock', kind: 'mock' as const, minutes: 20 }],
      slots: roll(2) ? [{ roundId: audition.rounds.at(-1)!.id, date: day(60, 90), time: '10:40' }] : []
    };
    saveCall(app, TEACHER, { ...audition.call, auditionId, own });
    for (const { id: itemId } of items) {
      for (let t = 0; t < roll(12); t += 1)
        logTouch(app, TEACHER, {
          itemId,
          date: day(-20, 1),
          minutes: 5 + roll(20),
          tempoBpm: 50 + roll(30),
          unit: 'quarter',
          attempts: 'ccncc',
          notHeld: roll(2) ? ['rhythm'] : [],
          note: text()
        });
      if (roll(2)) sayCheck(app, TEACHER, { itemId, check: 'edition', isHeld: true });
      if (roll(2)) pinBlock(app, TEACHER, { itemId, date: day(1, 15), minutes: 15 });
      const { item } = readItem(app, TEACHER, { itemId });
      const sectionId = item.sections[0]!.id;
      if (roll(2)) pinRung(app, TEACHER, { itemId, sectionId, bpm: 72, date: day(5, 30) });
      if (roll(3) === 0) setTarget(app, TEACHER, { itemId, sectionId, bpm: 88 });
    }
    if (roll(2))
      addWish(app, TEACHER, {
        candidateId,
        says: text(),
        ...(roll(2) ? { asks: { kind: 'minutes', weekday: 2, minutes: 45 } as const } : {})
      });
    const [wish] = readHome(app, TEACHER, { candidateId }).wishes;
    if (wish && roll(2)) answerWish(app, TEACHER, { wishId: wish.id, answer: 'accepted', reply: text() });
    saveLessonNote(app, TEACHER, { candidateId, note: text(), was: '' });
    if (roll(4) === 0) archiveCandidate(app, TEACHER, { candidateId, isBack: false });
  }
  return app;
}

const SEEDS = Array.from({ length: 12 }, (_, i) => i + 1);

describe('whatever can be stored', () => {
  it.each(SEEDS)('can be taken out and in again, to the same: studio %i', async (seed) => {
    const out = exportStudio(randomStudio(seed), TEACHER, {});
    const there = studio();
    await importArchive(there, TEACHER, { archive: await readArchive(Buffer.from(zipped(out)), '/nowhere') });
    const again = exportStudio(there, TEACHER, {});
    expect(JSON.parse(JSON.stringify(again.calls))).toEqual(JSON.parse(JSON.stringify(out.calls)));
    expect(JSON.parse(JSON.stringify(again.candidates))).toEqual(JSON.parse(JSON.stringify(out.candidates)));
  });
});
