import { beforeEach, describe, expect, it } from 'vitest';
import type { DeskEvent } from '../../core/record';
import { archiveCandidate } from '../../schema/archive';
import { readDeskEvents } from '../../schema/desk';
import { type App, type Who, makeApp } from '../app';
import { openDb } from '../db/open';
import { readSeason } from '../laying/facts';
import { findCandidate } from '../store/candidate';
import { findItem } from '../store/item';
import {
  addPlayer,
  addRound,
  asAda,
  openStudio,
  timeOf,
  STUDY,
  TEACHER
} from '../../../../tests/fixtures/small-studio';
import { exportCandidate, importArchive } from './archive';
import { readLog } from './log';
import { addItem, removeItem } from './list';
import { findFirstAudition, keepDeskEvents, readToday } from './desk';

const TODAY = '2026-11-24';
const NOW = Date.parse('2026-11-24T16:00:00Z');

let app: App;
let candidateId: string;
let auditionId: string;
let itemId: string;
let ada: Who;

beforeEach(() => {
  ({ app, candidateId, auditionId, itemId } = openStudio(() => NOW, timeOf(60, [1, 2, 3, 4, 5])));
  ada = asAda(candidateId);
});

/** A day of which the first block is played: three clean at the tempo it begins at. */
function session(device = 'tablet', from = 0): DeskEvent[] {
  // worked whole, not in parts
  const blocks = readToday(app, ada, { auditionId }).roadMap.map((b) => ({
    ...b,
    parts: [],
    isJoined: false
  }));
  const { id, work } = blocks[0]!;
  const made = (seq: number) => ({
    id: `${device}-${from + seq}`,
    device,
    seq: from + seq,
    atMs: NOW + (from + seq) * 60_000,
    date: TODAY
  });
  const clean = { kind: 'clean' } as const;
  return [
    { ...made(0), kind: 'day', blocks },
    { ...made(1), kind: 'begin', block: id },
    { ...made(2), kind: 'move', block: id, move: clean, part: 0, bpm: work!.way[0]! },
    { ...made(3), kind: 'move', block: id, move: clean, part: 0, bpm: work!.way[0]! },
    { ...made(4), kind: 'move', block: id, move: clean, part: 0, bpm: work!.way[0]! },
    { ...made(5), kind: 'end', block: id, seconds: 300, how: 'next' }
  ];
}
const touches = () => readLog(app, ada, { auditionId }).touches;
const keep = (events: readonly DeskEvent[], who: Who = ada) =>
  keepDeskEvents(app, who, { candidateId, events });
describe('what a desk sends', () => {
  it('is logged once, however often and in whatever pieces it is sent, and the plan is laid again from it', () => {
    const before = readLog(app, ada, { auditionId }).plan!;
    const events = session();
    expect(keep(events.slice(0, 4))).toMatchObject({
      isLaid: false,
      kept: events.slice(0, 4).map((e) => e.id)
    });
    expect(touches()).toEqual([]);
    expect(keep(events.slice(2))).toMatchObject({ isLaid: true, notLogged: [] });
    keep(events);
    keep([...events].reverse());
    expect(touches()).toHaveLength(1);
    expect(touches()[0]).toMatchObject({ itemId, date: TODAY, minutes: 5, evidence: 'self' });
    expect(touches()[0]!.series).toMatchObject([{ attempts: 'ccc', tempoBpm: 48, seconds: 300 }]);
    // nothing was known of it: half of 96 was presumed, and now holds
    expect(before.items[0]!.sections[0]!.held).toBeNull();
    expect(readLog(app, ada, { auditionId }).plan!.items[0]!.sections[0]!.held).toMatchObject({ bpm: 48 });
  });

  it('was heard by the teacher where the teacher’s device sent it', () => {
    keep(session(), TEACHER);
    expect(touches()[0]!.evidence).toBe('teacher');
  });

  it('of an item that is off the list is kept, and said; a touch taken out is not logged anew', () => {
    const events = session();
    keep(events.slice(0, 5));
    removeItem(app, TEACHER, { itemId, isBack: false });
    const answer = keep(events);
    expect(answer).toMatchObject({ isLaid: false, kept: events.map((e) => e.id) });
    expect(answer.notLogged).toEqual([
      { block: expect.any(String), says: expect.stringContaining('no longer on the list') }
    ]);
  });

  it('cannot log another candidate’s item, nor take another’s event for its own', () => {
    const events = session();
    keep(events);
    const otherId = addPlayer(app, 'Bo', timeOf(60, [1, 2]));
    const bo: Who = { kind: 'candidate', accountId: 'b', candidateId: otherId, name: 'Bo', isPutAway: false };
    const send = (of: readonly DeskEvent[]) => keepDeskEvents(app, bo, { candidateId: otherId, events: of });
    const day1 = send(events);
    expect(day1.kept).toEqual([]);
    expect(day1.refused).toEqual(events.map(({ id }) => ({ id, says: 'This belongs to somebody else.' })));
    expect(readToday(app, ada, { auditionId }).events).toEqual(events);
    // Ada’s item and bars under ids of Bo’s own
    const made = events[0] as Extract<DeskEvent, { kind: 'day' }>;
    const day = { ...made, blocks: made.blocks.map((b) => ({ ...b, id: `bo-${b.id}` })) };
    const stolen = [
      day,
      ...events.slice(1).map((e) => ({ ...e, block: `bo-${'block' in e ? e.block : ''}` }))
    ] as DeskEvent[];
    const renamed = stolen.map((e) => ({ ...e, id: `bo-${e.id}` }));
    expect(send(renamed).notLogged).toHaveLength(1);
    expect(touches()).toHaveLength(1);
    expect(findItem(app.db, itemId)).toBeDefined();
  });

  it('goes along in an archive, with the touches that came of it', async () => {
    keep(session());
    const archive = exportCandidate(app, TEACHER, { candidateId });
    const read = archiveCandidate.parse(JSON.parse(JSON.stringify(archive.candidates[0])));
    const other = makeApp(openDb(':memory:'), () => NOW);
    await importArchive(other, TEACHER, { archive: { ...archive, candidates: [read] } });
    expect(readToday(other, TEACHER, { auditionId }).events).toEqual(
      readToday(app, ada, { auditionId }).events
    );
    expect(readLog(other, TEACHER, { auditionId }).touches).toEqual(touches());
  });

  it('with a date out of reach is refused, nothing of it is kept, and it holds nothing else back', () => {
    const events = session();
    const far = events.map((event) => ({ ...event, id: `far ${event.id}`, date: '2199-01-01' }));
    const answer = keep([...far, ...events]);
    expect(answer.refused.map(({ id }) => id)).toEqual(far.map(({ id }) => id));
    expect(answer.refused[0]!.says).toMatch(/2199/);
    expect(answer.kept).toEqual(events.map(({ id }) => id));
    expect(readToday(app, ada, { auditionId }).events).toEqual(events);
  });

  it('that an old or broken device has made is said one by one, and what can be read is read', () => {
    const [first, ...rest] = session();
    const read = readDeskEvents([first, { ...rest[0], kind: 'unheard of' }, 7, { id: 'no kind' }]);
    expect(read.events).toEqual([first]);
    expect(read.refused.map(({ id }) => id)).toEqual([rest[0]!.id, '', 'no kind']);
    for (const { says } of read.refused) expect(says).toMatch(/^The studio cannot read it: /);
  });
});

describe('how long a block may be', () => {
  const longest = () => findCandidate(app.db, candidateId)!.time.longestBlockMin;
  /** Ends as the session's block did, in days of its own. */
  const ended = (n: number, how: 'next' | 'shorter', isMore: boolean) => {
    const [day, begin, ...rest] = session(`d${n}`);
    const last = rest.at(-1)! as Extract<DeskEvent, { kind: 'end' }>;
    const date = `2026-11-${10 + n}`;
    const made = day as Extract<DeskEvent, { kind: 'day' }>;
    const blocks = made.blocks.map((block) => ({ ...block, id: `${block.id.slice(0, 20)}-${n}` }));
    const block = blocks[0]!.id;
    const more: DeskEvent[] = isMore
      ? [{ ...last, id: `more-${n}`, kind: 'more', block, minutes: 3 } as DeskEvent]
      : [];
    const of = [{ ...made, blocks }, { ...begin!, block }, ...more, { ...last, block, how }];
    return of.map((event) => ({ ...event, date })) as DeskEvent[];
  };

  it('is 3 minutes shorter after a wandering mind, never under 8, and once however often it is sent', () => {
    keep(ended(1, 'shorter', false));
    keep(ended(1, 'shorter', false));
    expect(longest()).toBe(22);
    for (let n = 2; n < 9; n += 1) keep(ended(n, 'shorter', false));
    expect(longest()).toBe(8);
  });

  it('is a minute longer after every third block that wanted more, and the plan’s blocks follow', () => {
    keep(ended(1, 'shorter', false));
    [2, 3].forEach((n) => keep(ended(n, 'next', true)));
    expect(longest()).toBe(22);
    keep(ended(4, 'next', true));
    keep(ended(5, 'next', false));
    expect(longest()).toBe(23);
    // three in one sending, as a device sends that was without a line, are a minute as well
    keep([6, 7, 8].flatMap((n) => ended(n, 'next', true)));
    expect(longest()).toBe(24);
    const blocks = readLog(app, ada, { auditionId }).plan!.days.flatMap((day) => day.blocks);
    expect(Math.max(...blocks.map(({ minutes }) => minutes))).toBeLessThanOrEqual(24);
  });
});

describe('pain at the desk', () => {
  it('makes nothing of its days missed, until it is well', () => {
    const event = (date: string, kind: 'hurt' | 'well', seq: number) =>
      ({
        id: `${kind}-${date}`,
        device: 'd',
        seq,
        atMs: Date.parse(`${date}T16:00:00Z`),
        date,
        kind,
        ...(kind === 'hurt' ? { isTold: true } : {})
      }) as DeskEvent;
    keep([event('2026-11-20', 'hurt', 0), event('2026-11-22', 'well', 1), event('2026-11-23', 'hurt', 2)]);
    expect(readSeason(app, auditionId).request.hurtDays).toEqual([
      '2026-11-20',
      '2026-11-21',
      '2026-11-23',
      '2026-11-24'
    ]);
  });
});

describe('today', () => {
  it('names its blocks the same whoever makes the day, and shows what has happened of it', () => {
    const ids = () => readToday(app, ada, { auditionId }).roadMap.map(({ id }) => id);
    expect(ids()).toEqual(ids());
    const events = session();
    keep(events.slice(0, 3));
    expect(readToday(app, ada, { auditionId }).events).toEqual(events.slice(0, 3));
  });

  it('is opened first for the audition that is heard next and has a list', () => {
    const later = addRound(app, candidateId, { id: 'r2', name: 'Later', date: '2027-03-01' });
    addItem(app, TEACHER, { auditionId: later, item: { ...STUDY, name: 'Other study' } });
    expect(findFirstAudition(app, ada, { candidateId })).toBe(auditionId);
    removeItem(app, TEACHER, { itemId, isBack: false });
    expect(findFirstAudition(app, ada, { candidateId })).toBe(later);
    const other = addPlayer(app, 'Bo');
    expect(findFirstAudition(app, TEACHER, { candidateId: other })).toBeNull();
  });
});
