import { beforeEach, describe, expect, it } from 'vitest';
import { type App } from '../app';
import { layWaiting } from '../../../../tests/fixtures/lay-waiting';
import { latestVersion, putVersion, versionHeads } from '../store/plan-version';
import { readComparison, readCountback, readVersions } from './countback';
import { addAudition, saveCall } from './call';
import {
  addItem,
  addItems,
  orderItems,
  prepareHolds,
  readItem,
  readList,
  removeItem,
  sayHolds,
  saveItem
} from './list';
import { logTouch, readLog, removeTouch } from './log';
import { pinBlock, pinRung, unpinBlock, unpinRung } from './pin';
import { addCandidate, readCandidate, readStudio, saveTime } from './studio';
import { readUsual, saveUsual } from './usual';
import { STUDY, TEACHER, EVENINGS, openStudio, zone } from '../../../../tests/fixtures/small-studio';

let now: number;
let app: App;
let auditionId: string;
let candidateId: string;
let itemId: string;

beforeEach(() => {
  now = Date.parse('2026-11-24T10:00:00Z');
  ({ app, candidateId, auditionId, itemId } = openStudio(() => now, EVENINGS));
});

const countback = () => readCountback(app, TEACHER, { auditionId });

describe('the plan of an audition', () => {
  it('is laid when the list has its first item, and says it is the first laying', () => {
    expect(countback()).toMatchObject({
      number: 1,
      today: '2026-11-24',
      plan: { daysToGo: 46, short: null }
    });
  });

  it('keeps what was said of one section where another of the item is said anew', () => {
    const [whole] = STUDY.sections;
    const halves = [
      { ...whole!, id: 'new-1', toBar: 8 },
      { ...whole!, id: 'new-2', fromBar: 9 }
    ];
    addItem(app, TEACHER, { auditionId, item: { ...STUDY, name: 'Two weathers', sections: halves } });
    const [a, b] = prepareHolds(app, TEACHER, { auditionId }).filter(
      (one) => one.itemName === 'Two weathers'
    );
    const say = (holds: { itemId: string; sectionId: string; bpm: number }[]) =>
      sayHolds(app, TEACHER, { auditionId, evidence: 'self', holds });
    say([
      { ...a!, bpm: 60 },
      { ...b!, bpm: 66 }
    ]);
    say([{ ...b!, bpm: 72 }]);
    expect(countback().plan!.items[1]!.sections.map(({ held }) => held?.bpm)).toEqual([60, 72]);
  });

  it('takes who prepares alone for the player, not for a teacher who has heard it', () => {
    const alone = { kind: 'teacher', accountId: 'a', name: 'Ada', plays: candidateId } as const;
    logTouch(app, alone, { itemId, date: '2026-11-24', minutes: 12, tempoBpm: 60, attempts: 'ccc' });
    expect(countback().plan!.items[0]!.sections[0]!.held).toMatchObject({ bpm: 60, evidence: 'self' });
  });

  it('is laid again after a log entry, which is kept as a laying with what moved', () => {
    const { moves } = logTouch(app, TEACHER, {
      itemId,
      date: '2026-11-24',
      minutes: 12,
      tempoBpm: 60,
      attempts: 'nccc'
    });
    expect(moves.some((m) => m.why === 'holds' && m.bpm === 60)).toBe(true);
    const view = countback();
    expect(view.number).toBe(2);
    expect(view.cause).toBe('log: Study in reeds');
    expect(view.plan!.items[0]!.sections[0]!.held).toMatchObject({ bpm: 60, evidence: 'teacher' });
    expect(readCountback(app, TEACHER, { auditionId, number: 1 }).plan!.items[0]!.heldShare).toBeNull();
  });

  it('gives new items of a pasted list the studio’s usual way to climb, and leaves those that are there', () => {
    addItems(app, TEACHER, { auditionId, items: [{ ...STUDY, name: 'Gate song' }] });
    saveUsual(app, TEACHER, { schools: { strategy: 'chunks', shape: 'equal-bpm' } });
    addItems(app, TEACHER, { auditionId, items: [{ ...STUDY, name: 'Two weathers' }] });
    expect(readList(app, TEACHER, { auditionId }).items.map(({ schools }) => schools?.strategy)).toEqual([
      undefined,
      undefined,
      'chunks'
    ]);
    expect(readUsual(app, TEACHER, {})).toEqual({ strategy: 'chunks', shape: 'equal-bpm' });
  });

  it('begins where it is said to hold, for several sections at once', () => {
    const other = addItem(app, TEACHER, { auditionId, item: { ...STUDY, name: 'Two weathers' } });
    const sections = prepareHolds(app, TEACHER, { auditionId });
    expect(sections.map(({ itemName, isKnown }) => [itemName, isKnown])).toEqual([
      ['Study in reeds', false],
      ['Two weathers', false]
    ]);
    const holds = sections.map((one, i) => ({ ...one, bpm: 60 + i * 6 }));
    sayHolds(app, TEACHER, { auditionId, evidence: 'teacher', holds });
    const held = () => countback().plan!.items.map((item) => item.sections[0]!.held?.bpm ?? null);
    expect([held(), countback().cause]).toEqual([[60, 66], 'what holds was said']);
    expect(prepareHolds(app, TEACHER, { auditionId }).map(({ isKnown }) => isKnown)).toEqual([true, true]);
    // said anew of one, the other stays
    sayHolds(app, TEACHER, {
      auditionId,
      evidence: 'self',
      holds: [{ itemId: other, sectionId: sections[1]!.sectionId, bpm: 72 }]
    });
    expect(held()).toEqual([60, 72]);
    expect(sayHolds(app, TEACHER, { auditionId, evidence: 'self', holds: [] })).toBeNull();
  });

  it('logs once what is typed and sent twice, and never drops another touch typed under its id', () => {
    const touch = { id: 'a-touch', itemId, date: '2026-11-24', minutes: 12, note: '' };
    const log = (more: object) => logTouch(app, TEACHER, { ...touch, ...more, isTyped: true }).id;
    const minutes = () => readLog(app, TEACHER, { auditionId }).touches.map((t) => t.minutes);
    expect([log({}), log({}), minutes()]).toEqual(['a-touch', 'a-touch', [12]]);
    expect(log({ minutes: 20 })).not.toBe('a-touch');
    expect(minutes()).toEqual([20, 12]);
    // taken out and sent once more, as by a slow device: it stays out
    removeTouch(app, TEACHER, { touchId: 'a-touch', isBack: false });
    log({});
    expect(minutes()).toEqual([20]);
  });

  it('is laid again when a day has passed without a log', () => {
    now += 3 * 86_400_000;
    layWaiting(app);
    const view = countback();
    expect(view).toMatchObject({ today: '2026-11-27', cause: 'a new day' });
    expect(view.moves.length).toBeGreaterThan(0);
    expect(view.moves.every((m) => m.why !== 'holds')).toBe(true);
  });

  it('shows nothing of a change that was taken back half way', () => {
    const before = readList(app, TEACHER, { auditionId }).items.map((i) => i.name);
    const items = [
      { ...STUDY, name: 'New' },
      { ...STUDY, name: 'Broken', sections: [{ id: 'new-1' }] as never }
    ];
    expect(() => addItems(app, TEACHER, { auditionId, items })).toThrow();
    expect(readList(app, TEACHER, { auditionId }).items.map((i) => i.name)).toEqual(before);
    expect(countback().plan!.items.map((i) => i.name)).toEqual(before);
  });

  it('is not laid twice for the same facts on the same day', () => {
    countback();
    countback();
    expect(versionHeads(app.db, auditionId)).toHaveLength(1);
  });

  it('counts today where the candidate lives', () => {
    now = Date.parse('2026-11-24T23:30:00Z'); // already the 25th in Brussels
    expect(countback().today).toBe('2026-11-25');
  });

  it('forgets a touch taken out, and knows it again when it is put back', () => {
    const { id } = logTouch(app, TEACHER, {
      itemId,
      date: '2026-11-24',
      minutes: 12,
      tempoBpm: 60,
      attempts: 'ccc'
    });
    removeTouch(app, TEACHER, { touchId: id, isBack: false });
    expect(countback().plan!.items[0]!.sections[0]!.held).toBeNull();
    removeTouch(app, TEACHER, { touchId: id, isBack: true });
    expect(countback().plan!.items[0]!.sections[0]!.held!.bpm).toBe(60);
  });

  it('keeps an item’s log while it is off the list', () => {
    logTouch(app, TEACHER, { itemId, date: '2026-11-24', minutes: 12, tempoBpm: 60, attempts: 'ccc' });
    removeItem(app, TEACHER, { itemId, isBack: false });
    expect(countback().plan).toBeNull();
    removeItem(app, TEACHER, { itemId, isBack: true });
    expect(readLog(app, TEACHER, { auditionId }).touches).toHaveLength(1);
  });

  it('has nothing to say before there is a list, and is history after the last round', () => {
    const empty = addAudition(app, TEACHER, { candidateId, name: 'Later', rounds: [], dates: [] });
    expect(readCountback(app, TEACHER, { auditionId: empty }).plan).toBeNull();
    now = Date.parse('2027-01-10T10:00:00Z');
    layWaiting(app);
    expect(countback().plan!.daysToGo).toBeNull();
  });
});

describe('two tabs editing the same thing', () => {
  it('let the first save and tell the second, losing nothing', () => {
    const { item } = readItem(app, TEACHER, { itemId });
    saveItem(app, TEACHER, { itemId, item: { ...item, name: 'First' }, version: item.version });
    expect(() =>
      saveItem(app, TEACHER, { itemId, item: { ...item, name: 'Second' }, version: item.version })
    ).toThrow('changed in another window');
    expect(readItem(app, TEACHER, { itemId }).item.name).toBe('First');
  });

  it('hold for the call and for the week too', () => {
    const { audition } = countback();
    const call = {
      auditionId,
      name: 'A',
      rounds: audition.rounds,
      dates: [],
      version: audition.call.version
    };
    saveCall(app, TEACHER, call);
    expect(() => saveCall(app, TEACHER, call)).toThrow('another window');
    const { candidate } = readCandidate(app, TEACHER, { candidateId });
    saveTime(app, TEACHER, { candidateId, time: EVENINGS, version: candidate.timeVersion });
    expect(() =>
      saveTime(app, TEACHER, { candidateId, time: EVENINGS, version: candidate.timeVersion })
    ).toThrow('another window');
  });
});

describe('what is set by hand', () => {
  const rungs = () => countback().plan!.items[0]!.rungs;

  it('holds a rung on its day, through other changes, until it is taken off', () => {
    const rung = rungs()[5]!;
    const pin = { itemId, sectionId: rung.sectionId, bpm: rung.bpm };
    pinRung(app, TEACHER, { ...pin, date: '2026-12-12' });
    expect(rungs().find((r) => r.bpm === rung.bpm)).toMatchObject({
      date: '2026-12-12',
      pinnedTo: '2026-12-12'
    });
    expect(countback().cause).toBe(`Study in reeds ${rung.bpm} pinned on Sat 12 Dec`);
    addItem(app, TEACHER, { auditionId, item: { ...STUDY, name: 'Another' } });
    expect(rungs().find((r) => r.bpm === rung.bpm)!.date).toBe('2026-12-12');
    unpinRung(app, TEACHER, pin);
    expect(rungs().every((r) => r.pinnedTo === null)).toBe(true);
  });

  it('holds a block’s minutes on its day, and one pin a day', () => {
    const minutesOn = (date: string) =>
      countback()
        .plan!.days.find((d) => d.date === date)!
        .blocks.filter((b) => b.itemId === itemId && b.isPinned)
        .reduce((sum, b) => sum + b.minutes, 0);
    pinBlock(app, TEACHER, { itemId, date: '2026-12-05', minutes: 10 });
    pinBlock(app, TEACHER, { itemId, date: '2026-12-05', minutes: 22 });
    expect(minutesOn('2026-12-05')).toBeGreaterThanOrEqual(22);
    unpinBlock(app, TEACHER, { itemId, date: '2026-12-05' });
    expect(minutesOn('2026-12-05')).toBe(0);
  });

  it('says that a day is over instead of pinning to it', () => {
    expect(() => pinBlock(app, TEACHER, { itemId, date: '2026-11-23', minutes: 10 })).toThrow(
      'That day is over'
    );
  });

  it('stays unkept, and says so by its date, where the day has no minutes', () => {
    const rung = rungs()[3]!;
    pinRung(app, TEACHER, { itemId, sectionId: rung.sectionId, bpm: rung.bpm, date: '2026-12-11' }); // a Friday: none
    const pinned = rungs().find((r) => r.bpm === rung.bpm)!;
    expect(pinned.pinnedTo).toBe('2026-12-11');
    expect(pinned.date).not.toBe('2026-12-11');
  });
});

describe('two layings', () => {
  it('stand side by side, and a laying that is not there is said to be none', () => {
    logTouch(app, TEACHER, { itemId, date: '2026-11-24', minutes: 12, tempoBpm: 60, attempts: 'nccc' });
    const view = readComparison(app, TEACHER, { auditionId, a: 1, b: 2 });
    expect(view.a).toMatchObject({ number: 1, reasons: [] });
    expect(view.sides.items[0]!.rungs.filter((r) => r.b === 'holds').length).toBeGreaterThan(0);
    expect(() => readComparison(app, TEACHER, { auditionId, a: 1, b: 9 })).toThrow('nothing here');
    expect(() => readComparison(app, TEACHER, { auditionId, a: Number.NaN, b: 1 })).toThrow('nothing here');
  });
});

describe('the list', () => {
  it('keeps the order it is put in and passes over ids of other lists', () => {
    const second = addItem(app, TEACHER, { auditionId, item: { ...STUDY, name: 'Second' } });
    orderItems(app, TEACHER, { auditionId, ids: [second, 'foreign', itemId, second] });
    expect(readList(app, TEACHER, { auditionId }).items.map((i) => i.name)).toEqual([
      'Second',
      'Study in reeds'
    ]);
  });

  it('keeps names in any script as they are', () => {
    const id = addItem(app, TEACHER, { auditionId, item: { ...STUDY, name: 'لحن الفجر 🎶' } });
    expect(readItem(app, TEACHER, { itemId: id }).item.name).toBe('لحن الفجر 🎶');
  });
});

describe('the studio', () => {
  it('shows every candidate, the nearest date first, with what does not fit', () => {
    const later = addCandidate(app, TEACHER, { name: 'Zed', instruments: 'flute', zone });
    const rounds = [{ id: 'r2', name: 'round', date: '2026-12-01', zone, isHistory: false }];
    const near = addAudition(app, TEACHER, { candidateId: later, name: 'Soon', rounds, dates: [] });
    addItem(app, TEACHER, { auditionId: near, item: STUDY });
    const { rows } = readStudio(app, TEACHER, {});
    expect(rows.map((r) => r.name)).toEqual(['Zed', 'Ada']);
    expect(rows[0]!.auditions[0]).toMatchObject({ daysToGo: 7, items: 1 });
    expect(rows[0]!.auditions[0]!.shortMin).toBeGreaterThan(0); // Zed has no minutes at all
    expect(rows[1]!.auditions[0]!.shortMin).toBe(0);
  });
});

describe('earlier layings', () => {
  it('lists layings newest first', () => {
    logTouch(app, TEACHER, { itemId, date: '2026-11-24', minutes: 12, tempoBpm: 60, attempts: 'ccc' });
    expect(readVersions(app, TEACHER, { auditionId }).versions.map((v) => v.number)).toEqual([2, 1]);
    expect(latestVersion(app.db, auditionId)!.number).toBe(2);
  });

  it('come a page at a time, newest first, none twice and none left out', () => {
    const latest = latestVersion(app.db, auditionId)!;
    for (let number = latest.number + 1; number <= 95; number += 1)
      putVersion(app.db, auditionId, { ...latest, number });
    const pages: number[][] = [];
    let before: number | undefined;
    do {
      const page = readVersions(app, TEACHER, { auditionId, before });
      pages.push(page.versions.map((v) => v.number));
      before = page.earlier ?? undefined;
    } while (before);
    expect(pages.map((page) => page.length)).toEqual([40, 40, 15]);
    expect(pages.flat()).toEqual(Array.from({ length: 95 }, (_, i) => 95 - i));
  });
});
