/** Two auditions of one candidate: one set of days, one work on both lists, the same layings wherever one looks. */
import { beforeEach, describe, expect, it } from 'vitest';
import { type Changes, laySeason, trySeason, viewOf } from '../../core/season';
import { type App, makeApp } from '../app';
import { openDb } from '../db/open';
import { latestVersion } from '../store/plan-version';
import { previewCall, readCall, saveCall } from './call';
import { exportCalendar } from './calendar';
import { readCountback } from './countback';
import { readReadiness } from './readiness';
import { readLesson } from './lesson';
import { addItem, readList } from './list';
import { STUDY, TEACHER, addPlayer, addRound, timeOf } from '../../../../tests/fixtures/small-studio';
import { logTouch, readLog } from './log';
import { readStudio } from './studio';
import { takeBack } from './undo';
import { keepChanges, readScratch } from './what-if';

let app: App;
let candidateId: string;
let first: string;
let second: string;

beforeEach(() => {
  app = makeApp(openDb(':memory:'), () => Date.parse('2026-11-24T08:00:00Z'));
  candidateId = addPlayer(app, 'Ada', timeOf(60, [1, 2, 3, 4, 6]));
  first = audition('Harbour Winds', '2027-01-09', ['Gate song', 'Millrace']);
  second = audition('Fenland academy', '2027-03-06', ['Tern', 'Gate song']);
});

function audition(name: string, date: string, names: readonly string[]): string {
  const auditionId = addRound(app, candidateId, { id: `${name}-r`, name, date });
  for (const one of names) addItem(app, TEACHER, { auditionId, item: item(one) });
  return auditionId;
}

function item(name: string) {
  const tempo = { kind: 'pulse', unit: 'quarter', targetBpm: 72 } as const;
  return { ...STUDY, name, toBar: 24, sections: [{ id: 'new-1', fromBar: 1, toBar: 24, tempo }] };
}

const view = (auditionId: string) => readCountback(app, TEACHER, { auditionId });
const planOf = (auditionId: string) => view(auditionId).plan!;
const sectionOf = (auditionId: string, name: string) =>
  readList(app, TEACHER, { auditionId }).items.find((i) => i.name === name)!.sections[0]!.id;
const idOf = (auditionId: string, name: string) =>
  readList(app, TEACHER, { auditionId }).items.find((i) => i.name === name)!.id;
const blocks = (auditionId: string) =>
  planOf(auditionId).days.map((day) => [day.date, day.blocks.map((b) => b.minutes)]);
const log = (itemId: string, tempoBpm: number) =>
  logTouch(app, TEACHER, {
    itemId,
    date: '2026-11-24',
    minutes: 12,
    tempoBpm,
    unit: 'quarter',
    attempts: 'nccc',
    notHeld: [],
    evidence: 'self',
    note: ''
  });

describe('two auditions of one candidate', () => {
  it('are laid as one: the same blocks on the same days, each counting down to its own round', () => {
    expect(blocks(first)).toEqual(blocks(second));
    expect([planOf(first).daysToGo, planOf(second).daysToGo]).toEqual([46, 102]);
    for (const day of planOf(first).days) expect(day.plannedMin).toBeLessThanOrEqual(day.capacityMin);
  });

  it('stand on one axis: own items first, then the other’s with its name, the shared work once', () => {
    const names = (auditionId: string) =>
      view(auditionId).items.map((i) => [
        planOf(auditionId).items.find((p) => p.id === i.id)!.name,
        i.forAudition ?? (i.alsoFor ? `also ${i.alsoFor}` : 'own')
      ]);
    expect(names(first)).toEqual([
      ['Gate song', 'own'],
      ['Millrace', 'own'],
      ['Tern', 'Fenland academy']
    ]);
    expect(names(second)).toEqual([
      ['Tern', 'own'],
      ['Gate song', 'also Harbour Winds'],
      ['Millrace', 'Harbour Winds']
    ]);
    expect(view(first).audition.dates).toContainEqual({
      date: '2027-03-06',
      name: 'Fenland academy, first round',
      kind: 'other'
    });
    expect(planOf(second).items.find((i) => i.id === idOf(second, 'Gate song'))!.dayZero).toBe('2027-01-09');
  });

  it('share what is logged under either, and lay both again at once', () => {
    const before = [first, second].map((id) => latestVersion(app.db, id)!.number);
    log(idOf(second, 'Gate song'), 60);
    const held = (auditionId: string) =>
      planOf(auditionId).items.find((i) => i.id === idOf(auditionId, 'Gate song'))!.sections[0]!.held?.bpm;
    expect([held(first), held(second)]).toEqual([60, 60]);
    expect(blocks(first)).toEqual(blocks(second));
    const after = [first, second].map((id) => latestVersion(app.db, id)!);
    expect(after.map((v) => v.number)).toEqual(before.map((n) => n + 1));
    expect(after[0]!.plan.agreed).toEqual(after[1]!.plan.agreed);
    expect(view(first).practised).toEqual({ '2026-11-24': 12 });
    expect(readLesson(app, TEACHER, { auditionId: first }).read[0]!.touches).toBe(1);
  });

  it('keep readiness and the calendar to what is each one’s own', () => {
    const read = readReadiness(app, TEACHER, { auditionId: second }).readings.map((r) => r.name);
    expect(read.sort()).toEqual(['Gate song', 'Tern']);
    const text = (auditionId: string) => exportCalendar(app, TEACHER, { auditionId, by: 'block' }).text;
    expect(text(first)).toContain('SUMMARY:Gate song');
    expect(text(second)).not.toContain('SUMMARY:Gate song');
    expect(text(second)).toContain('SUMMARY:Tern');
    const [row] = readStudio(app, TEACHER, {}).rows;
    expect(row!.auditions.map((a) => [a.name, a.items])).toEqual([
      ['Harbour Winds', 2],
      ['Fenland academy', 2]
    ]);
  });

  it('let the day’s blocks of either be logged from either', () => {
    const { items } = readLog(app, TEACHER, { auditionId: first });
    expect(items.map((i) => i.name)).toEqual(['Gate song', 'Millrace', 'Tern']);
    log(idOf(second, 'Tern'), 50);
    expect(planOf(first).items.find((i) => i.name === 'Tern')!.sections[0]!.held?.bpm).toBe(50);
  });

  it('show before it is saved what a moved round does, with the other audition still there', () => {
    const { rounds, version } = readCall(app, TEACHER, { auditionId: first }).audition.call;
    const moved = { name: 'Harbour Winds', rounds: [{ ...rounds[0]!, date: '2027-01-16' }], dates: [] };
    const [shown] = previewCall(app, TEACHER, { auditionId: first, ...moved });
    saveCall(app, TEACHER, { auditionId: first, ...moved, version });
    expect(shown!.after!.daysToGo).toBe(53);
    expect(shown!.after!.askedMin).toBe(planOf(first).items.reduce((sum, i) => sum + i.askedMin, 0));
    expect(planOf(first).items).toHaveLength(3);
  });

  it('try and keep changes on items of both, taken back as one', () => {
    const stood = blocks(second);
    const { request } = readScratch(app, TEACHER, { auditionId: second });
    expect(request.items.map((i) => i.name).sort()).toEqual(['Gate song', 'Millrace', 'Tern']);
    const undoToken = keepChanges(app, TEACHER, {
      auditionId: second,
      changes: { daysIntoMock: 2, items: [{ itemId: idOf(first, 'Millrace'), isLeftOut: true }] }
    });
    expect(planOf(first).items.find((i) => i.name === 'Millrace')!.state).toBe('left-out');
    expect(blocks(first)).toEqual(blocks(second));
    takeBack(app, TEACHER, { undoToken });
    expect(planOf(first).items.find((i) => i.name === 'Millrace')!.state).toBe('climbing');
    const minutes = (of: typeof stood) => of.flatMap(([, all]) => all as number[]).reduce((a, b) => a + b, 0);
    expect(minutes(blocks(second))).toBe(minutes(stood));
  });

  it.each<[string, (shared: string) => Changes]>([
    [
      'the second before the first',
      () => ({ rounds: [{ roundId: 'Fenland academy-r', date: '2026-12-19' }] })
    ],
    ['a shared work left out', (itemId) => ({ items: [{ itemId, isLeftOut: true }] })],
    ['a shared work in chunks', (itemId) => ({ items: [{ itemId, schools: { strategy: 'chunks' } }] })],
    [
      'less of a shared work here than there',
      (itemId) => ({
        items: [{ itemId, targets: [{ sectionId: sectionOf(first, 'Gate song'), bpm: 60 }] }]
      })
    ],
    [
      'all at once',
      (itemId) => ({
        week: [{ weekday: 1, addMin: 10 }],
        daysIntoMock: 3,
        items: [{ itemId, isLeftOut: true }]
      })
    ]
  ])('lay on a scratch copy what is laid when it is kept: %s', (_, changesOf) => {
    for (const looked of [first, second]) {
      const { parts, plan } = readScratch(app, TEACHER, { auditionId: looked });
      const changes = changesOf(idOf(first, 'Gate song'));
      if (changes.rounds && looked === first) continue; // a round is moved from its own audition
      const { request, names } = trySeason(parts, looked, plan!.agreed).with(changes);
      const drawn = viewOf(laySeason(request), names!);
      const undoToken = keepChanges(app, TEACHER, { auditionId: looked, changes });
      expect(planOf(looked)).toEqual(drawn);
      takeBack(app, TEACHER, { undoToken });
    }
  });
});
