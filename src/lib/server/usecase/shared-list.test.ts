import { beforeEach, describe, expect, it } from 'vitest';
import { type App, makeApp } from '../app';
import { openDb } from '../db/open';
import { findAudition } from '../store/audition';
import { checkCall, prepareAudition, previewCall, readCall, saveCall, takeCall } from './call';
import { readCountback } from './countback';
import { readReadiness, sayCheck } from './readiness';
import { addItem, previewItem, readItem, readList, removeItem, saveItem } from './list';
import { logTouch } from './log';
import { takeBack } from './undo';
import { saveUsual } from './usual';
import { STUDY, TEACHER, addPlayer, addRound, timeOf } from '../../../../tests/fixtures/small-studio';

const DAY_MS = 86_400_000;
const TIME = timeOf(60, [1, 2, 3, 4, 5, 6, 7]);
let now: number;
let app: App;
let callId: string;
let ada: { candidateId: string; auditionId: string };
let bo: { candidateId: string; auditionId: string };
let adasItem: string;

const itemOf = (who: typeof ada, n = 0) => readList(app, TEACHER, { auditionId: who.auditionId }).items[n]!;
const planOf = (who: typeof ada) => readCountback(app, TEACHER, { auditionId: who.auditionId }).plan!;
const edit = (itemId: string, more: object) => {
  const { item } = readItem(app, TEACHER, { itemId });
  saveItem(app, TEACHER, { itemId, item: { ...item, ...more }, version: item.version });
};

beforeEach(() => {
  now = Date.parse('2026-11-24T10:00:00Z');
  app = makeApp(openDb(':memory:'), () => now);
  const candidateId = addPlayer(app, 'Ada', TIME);
  const auditionId = addRound(app, candidateId);
  ada = { candidateId, auditionId };
  adasItem = addItem(app, TEACHER, { auditionId, item: STUDY });
  callId = findAudition(app.db, auditionId)!.callId;
  const bosId = addPlayer(app, 'Bo', TIME);
  bo = { candidateId: bosId, auditionId: takeCall(app, TEACHER, { candidateId: bosId, callId }) };
});

describe('a list that two candidates take', () => {
  it('gives each its items with a log of their own', () => {
    logTouch(app, TEACHER, {
      itemId: adasItem,
      date: '2026-11-24',
      minutes: 12,
      tempoBpm: 60,
      attempts: 'ccc'
    });
    expect(itemOf(bo)).toMatchObject({ name: STUDY.name, listItemId: itemOf(ada).listItemId });
    expect(itemOf(bo).id).not.toBe(adasItem);
    expect(planOf(ada).items[0]!.heldShare).toBeGreaterThan(0.5);
    expect(planOf(bo).items[0]!.heldShare).toBeNull();
  });

  it('has a new item climb for each other taker as is usual in the studio', () => {
    saveUsual(app, TEACHER, { schools: { inARow: 5 } });
    const item = { ...STUDY, name: 'Second', schools: { inARow: 2 } };
    addItem(app, TEACHER, { auditionId: ada.auditionId, item });
    expect([ada, bo].map((who) => itemOf(who, 1).schools?.inARow)).toEqual([2, 5]);
  });

  it('is offered to those who have not taken it, and taken once', () => {
    const cy = addPlayer(app, 'Cy', TIME);
    expect(prepareAudition(app, TEACHER, { candidateId: cy }).calls).toMatchObject([
      { id: callId, name: 'Wind band', items: 1, takers: ['Ada', 'Bo'] }
    ]);
    expect(prepareAudition(app, TEACHER, { candidateId: bo.candidateId }).calls).toEqual([]);
    expect(() => takeCall(app, TEACHER, { candidateId: bo.candidateId, callId })).toThrow('taken that list');
  });

  it('carries a correction to both, dated, and asks both for it again', () => {
    for (const itemId of [adasItem, itemOf(bo).id])
      sayCheck(app, TEACHER, { itemId, check: 'errata', isHeld: true });
    now += DAY_MS;
    edit(adasItem, { errata: [{ bar: 7, says: 'B flat' }] });
    for (const who of [ada, bo]) {
      expect(itemOf(who).errata).toEqual([{ bar: 7, says: 'B flat', addedOn: '2026-11-25' }]);
      const [reading] = readReadiness(app, TEACHER, { auditionId: who.auditionId }).readings;
      expect(reading!.checks.find((c) => c.kind === 'errata')!.state).toBe('not yet');
    }
    now += DAY_MS;
    edit(adasItem, {
      errata: [
        { bar: 7, says: 'B flat' },
        { bar: 9, says: 'tie' }
      ]
    });
    expect(itemOf(bo).errata.map((e) => e.addedOn)).toEqual(['2026-11-25', '2026-11-26']);
  });

  it('moves both plans when its tempo changes, and says so in both', () => {
    edit(adasItem, {
      sections: [{ ...itemOf(ada).sections[0]!, tempo: { kind: 'pulse', unit: 'quarter', targetBpm: 120 } }]
    });
    for (const who of [ada, bo]) {
      const view = readCountback(app, TEACHER, { auditionId: who.auditionId });
      expect(view.plan!.items[0]!.sections[0]!.targetBpm).toBe(120);
      expect(view.cause).toBe('Study in reeds changed');
      expect(view.moves.length).toBeGreaterThan(0);
    }
  });

  it('leaves a target of one’s own with the one who has it, and moves its bars when the list’s are corrected', () => {
    const own = [{ ...itemOf(bo).sections[0]!, tempo: { kind: 'pulse', unit: 'quarter', targetBpm: 72 } }];
    edit(itemOf(bo).id, { sections: own, hasOwnSections: true });
    expect(itemOf(bo)).toMatchObject({ hasOwnSections: true });
    expect(planOf(bo).items[0]!.sections[0]!.targetBpm).toBe(72);
    expect(planOf(ada).items[0]!.sections[0]!.targetBpm).toBe(96);
    edit(adasItem, { toBar: 18, sections: [{ ...itemOf(ada).sections[0]!, toBar: 18 }] });
    expect(itemOf(bo).sections[0]).toMatchObject({ toBar: 18, tempo: { targetBpm: 72 } });
    edit(itemOf(bo).id, { hasOwnSections: false, sections: itemOf(ada).sections });
    expect(itemOf(bo).hasOwnSections).toBe(false);
  });

  it('narrows every plan to cuts, as was shown before they were saved', () => {
    const before = [ada, bo].map((who) => planOf(who).items[0]!.askedMin);
    const { item } = readItem(app, TEACHER, { itemId: adasItem });
    const cut = { ...item, cuts: [{ fromBar: item.fromBar, toBar: item.fromBar + 3 }] };
    const shown = previewItem(app, TEACHER, { itemId: adasItem, item: cut });
    expect(shown.map((effect) => effect.before!.askedMin)).toEqual(before);
    expect([ada, bo].map((who) => planOf(who).items[0]!.askedMin)).toEqual(before);
    edit(adasItem, { cuts: cut.cuts });
    const after = [ada, bo].map((who) => planOf(who).items[0]!);
    expect(after.map((i) => i.askedMin)).toEqual(shown.map((effect) => effect.after!.askedMin));
    for (const [i, one] of after.entries()) {
      expect(one.askedMin).toBeLessThan(before[i]!);
      expect(one.sections.map((s) => [s.fromBar, s.toBar])).toEqual([[item.fromBar, item.fromBar + 3]]);
    }
  });

  it('tells the second of two who change it at once, whoever’s page they came from', () => {
    const { item: seen } = readItem(app, TEACHER, { itemId: itemOf(bo).id });
    edit(adasItem, { edition: 'third printing' });
    expect(() =>
      saveItem(app, TEACHER, { itemId: seen.id, item: { ...seen, edition: 'x' }, version: seen.version })
    ).toThrow('another window');
  });

  it('gains and loses an item for both, in the order each has put it', () => {
    const second = addItem(app, TEACHER, { auditionId: bo.auditionId, item: { ...STUDY, name: 'Second' } });
    expect(itemOf(ada, 1).name).toBe('Second');
    removeItem(app, TEACHER, { itemId: second, isBack: false });
    expect(readList(app, TEACHER, { auditionId: ada.auditionId }).items).toHaveLength(1);
    removeItem(app, TEACHER, { itemId: second, isBack: true });
    expect(itemOf(ada, 1).name).toBe('Second');
  });
});

describe('the dates of a call', () => {
  /** Saves Bo's own part of the call, and the call as it is. */
  const saveOwn = (slots: { roundId: string; date: string; time?: string | undefined }[]) => {
    const { auditionId } = bo;
    const { call: now, ownVersion: version } = readCall(app, TEACHER, { auditionId }).audition;
    saveCall(app, TEACHER, { ...now, auditionId, own: { dates: [], version, slots } });
  };

  const call = () => readCall(app, TEACHER, { auditionId: ada.auditionId }).audition.call;
  const moved = (date: string) => ({
    name: 'Wind band',
    dates: [],
    rounds: call().rounds.map((r) => ({ ...r, date }))
  });

  it('show what a moved audition would do to every plan before anything is saved', () => {
    const effects = previewCall(app, TEACHER, { auditionId: ada.auditionId, ...moved('2027-01-16') });
    expect(effects.map((e) => [e.candidateName, e.before!.daysToGo, e.after!.daysToGo])).toEqual([
      ['Ada', 46, 53],
      ['Bo', 46, 53]
    ]);
    expect(effects[0]!.moved).toBeGreaterThan(0);
    expect(call().rounds[0]!.date).toBe('2027-01-09');
    expect(planOf(ada).daysToGo).toBe(46);
    saveCall(app, TEACHER, { auditionId: ada.auditionId, version: call().version, ...moved('2027-01-16') });
    expect([planOf(ada).daysToGo, planOf(bo).daysToGo]).toEqual([53, 53]);
    expect(planOf(bo).items[0]!.rungs.at(-1)!.date).toBe(
      effects[1]!.after!.lastTarget // what was shown is what comes
    );
  });

  it('give way to a candidate’s own slot, which outlives a change of the call', () => {
    saveOwn([{ roundId: 'r1', date: '2027-01-11', time: '09:30' }]);
    expect([planOf(ada).daysToGo, planOf(bo).daysToGo]).toEqual([46, 48]);
    saveCall(app, TEACHER, { auditionId: ada.auditionId, version: call().version, ...moved('2027-01-16') });
    expect([planOf(ada).daysToGo, planOf(bo).daysToGo]).toEqual([53, 48]);
    saveOwn([]);
    expect(planOf(bo).daysToGo).toBe(53);
  });

  it('refuse a slot in the past, years ahead, or at an hour the clock skips', () => {
    const slot = (date: string, time?: string) => () => saveOwn([{ roundId: 'r1', date, time }]);
    expect(slot('2026-11-23')).toThrow('2026-11-23 is before today.');
    expect(slot('2062-01-09')).toThrow('more than two years ahead');
    expect(slot('2027-03-28', '02:30')).toThrow('02:30 does not exist on 2027-03-28');
    expect(planOf(bo).daysToGo).toBe(46);
  });

  it('know a round to the week only, and the day by which takes are uploaded', () => {
    const [round] = call().rounds;
    const rounds = [{ ...round!, isWeek: true, uploadBy: '2027-01-14' }];
    saveCall(app, TEACHER, { auditionId: ada.auditionId, version: 1, name: 'Wind band', dates: [], rounds });
    const { audition } = readCall(app, TEACHER, { auditionId: bo.auditionId });
    expect(audition.rounds[0]).toMatchObject({ isWeek: true, uploadBy: '2027-01-14' });
    expect(audition.dates[0]).toEqual({
      date: '2027-01-14',
      name: 'upload of first round',
      kind: 'deadline'
    });
  });

  it('ask for the page to be looked at again after a week, once for all who take the list', async () => {
    const { readStudio } = await import('./studio');
    const due = () => readStudio(app, TEACHER, {}).rechecks;
    expect(due()).toMatchObject([{ name: 'Wind band', daysSince: null }]);
    checkCall(app, TEACHER, { auditionId: bo.auditionId });
    expect(due()).toEqual([]);
    now += 6 * DAY_MS;
    expect(due()).toEqual([]);
    now += DAY_MS;
    expect(due()).toMatchObject([{ daysSince: 7 }]);
    takeBack(app, TEACHER, { undoToken: checkCall(app, TEACHER, { auditionId: ada.auditionId }) });
    expect(due()).toMatchObject([{ daysSince: 7 }]);
    now = Date.parse('2027-01-09T10:00:00Z');
    expect(due()).toEqual([]); // the last round is today: nothing is published any more
  });
});
