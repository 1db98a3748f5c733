/** A change is a value: carried out once however often it comes, taken back exactly, and tried without a trace. */
import { beforeEach, describe, expect, it } from 'vitest';
import { type App } from '../app';
import { previewCall, readCall } from '../usecase/call';
import { addItem, previewItem, readList } from '../usecase/list';
import { logTouch, readLog } from '../usecase/log';
import { addCandidate } from '../usecase/studio';
import { STUDY, TEACHER, openStudio, timeOf, zone } from '../../../../tests/fixtures/small-studio';
import { applyChange, findStep, takeBackChange } from './apply';
import { type Edit, type EditKind, PLACES, placeOf } from './places';

const TIME = { ...timeOf(60, [1, 2, 3, 4, 6]), warmUpMin: 10, fundamentalsMin: 10 };
let app: App;
let candidateId: string;
let auditionId: string;
let itemId: string;
let otherId: string;
let touchId: string;

beforeEach(() => {
  const now = Date.parse('2026-11-24T10:00:00Z');
  ({ app, candidateId, auditionId, itemId } = openStudio(() => now, TIME));
  otherId = addItem(app, TEACHER, { auditionId, item: { ...STUDY, name: 'Tern' } });
  const touch = { itemId, date: '2026-11-24', minutes: 12, tempoBpm: 60, attempts: 'nccc' };
  touchId = logTouch(app, TEACHER, touch).id;
});

/** All that is kept, as the file would be; without the register of changes itself. */
function everything(): string {
  const tables = app.db.prepare<[], string>("SELECT name FROM sqlite_master WHERE type = 'table'").pluck();
  const kept = tables.all().filter((name) => !['change', 'plan_version', 'studio_key'].includes(name));
  return JSON.stringify(kept.map((name) => [name, app.db.prepare(`SELECT * FROM "${name}"`).all()]));
}
const sectionId = () => readList(app, TEACHER, { auditionId }).items[0]!.sections[0]!.id;
const sections = () => readList(app, TEACHER, { auditionId }).items[0]!.sections;
const apply = (edits: readonly Edit[], id?: string) =>
  applyChange(app, { id, candidateId, edits, cause: 'a change' });

/** One of every kind there is; a new kind has to be given its own here. */
const SAMPLES: { readonly [K in EditKind]: () => Extract<Edit, { kind: K }> } = {
  item: () => ({ kind: 'item', about: { itemId }, to: { ...STUDY, name: 'Terns' } }),
  call: () => {
    const { call } = readCall(app, TEACHER, { auditionId }).audition;
    const slots = [{ roundId: 'r1', date: '2027-01-10', time: '10:00' }];
    return { kind: 'call', about: { auditionId }, to: { ...call, name: 'Fenland', slots } };
  },
  time: () => ({ kind: 'time', about: { candidateId }, to: { ...TIME, warmUpMin: 5 } }),
  facts: () => {
    const about = { candidateId };
    return { kind: 'facts', about, to: { ...PLACES.facts.read(app, about)!, name: 'Ida', privateNote: 'x' } };
  },
  sections: () => {
    const to = { sections: sections().map((s) => ({ ...s, toBar: s.toBar - 1 })) };
    return { kind: 'sections', about: { itemId }, to };
  },
  target: () => ({ kind: 'target', about: { itemId, sectionId: sectionId() }, to: 82 }),
  schools: () => ({ kind: 'schools', about: { itemId }, to: { strategy: 'chunks' } }),
  step: () => ({ kind: 'step', about: { itemId }, to: { kind: 'zigzag' } }),
  'left-out': () => ({ kind: 'left-out', about: { itemId }, to: true }),
  'on-list': () => ({ kind: 'on-list', about: { itemId }, to: false }),
  slot: () => ({ kind: 'slot', about: { auditionId, roundId: 'r1' }, to: { date: '2027-01-12' } }),
  'days-into-mock': () => ({ kind: 'days-into-mock', about: { auditionId }, to: 4 }),
  order: () => ({ kind: 'order', about: { auditionId }, to: [otherId, itemId] }),
  note: () => ({ kind: 'note', about: { candidateId, date: '2026-11-24' }, to: 'slower' }),
  wish: () => ({
    kind: 'wish',
    about: { candidateId, wishId: 'w' },
    to: { id: 'w', madeOn: '2026-11-24', says: 'the other one', answer: null }
  }),
  checked: () => ({ kind: 'checked', about: { auditionId }, to: '2026-11-24' }),
  'block-pin': () => ({ kind: 'block-pin', about: { itemId, date: '2026-11-26' }, to: 20 }),
  'rung-pin': () => ({
    kind: 'rung-pin',
    about: { itemId, sectionId: sectionId(), bpm: 64 },
    to: '2026-12-01'
  }),
  said: () => ({
    kind: 'said',
    about: { itemId, saidId: 'said' },
    to: { id: 'said', check: 'edition', date: '2026-11-24', isHeld: true, by: 'teacher' }
  }),
  'round-day': () => ({
    kind: 'round-day',
    about: { auditionId, roundId: 'r1' },
    to: { roundId: 'r1', travelMin: 48, minutes: {}, notes: { eat: 'bread, tea' }, place: 'hall 1' }
  }),
  thought: () => ({ kind: 'thought', about: { itemId }, to: 'air to the end of the line' }),
  'check-levels': () => ({ kind: 'check-levels', about: { itemId }, to: { probe: 'off' } }),
  touch: () => ({ kind: 'touch', about: { itemId, touchId }, to: null }),
  heard: () => ({ kind: 'heard', about: { itemId, touchId }, to: { evidence: 'recording' } }),
  prescreen: () => {
    const to = { roundId: 'r1', rules: 'one take', pattern: '{item}', chosen: [], films: [] };
    return { kind: 'prescreen', about: { auditionId, roundId: 'r1' }, to };
  },
  tasks: () => {
    const to = [{ id: 't', name: 'travel', dueOn: '2026-12-20', who: 'Bo', doneOn: null }];
    return { kind: 'tasks', about: { auditionId }, to };
  },
  mock: () => {
    const booked = { stage: 3, date: '2026-12-28', place: 'room 2', minutes: 30 };
    const draw = [{ itemId, fromBar: 1, toBar: 8, isOdd: false }];
    const run = {
      number: 4,
      seed: 7,
      draw,
      at: null,
      sinceMs: null,
      broken: [],
      played: [],
      isOpened: false
    };
    const jurors = [{ id: 'j', name: 'Ada', ballot: [], settled: [] }];
    return { kind: 'mock', about: { auditionId, mockId: 'm' }, to: { id: 'm', ...booked, ...run, jurors } };
  }
};

describe('a change', () => {
  it.each(Object.keys(PLACES) as EditKind[])(
    'of %s is carried out, and taken back to what was there',
    (kind) => {
      const edit = SAMPLES[kind]();
      const read = () => placeOf(edit).read(app, edit.about) ?? null;
      const before = read();
      const token = apply([edit]);
      const after = read();
      expect(after).not.toEqual(before);
      takeBackChange(app, findStep(app, token)!);
      expect(read()).toEqual(before);
      // and once more, from its own side: what was taken back can be done again
      apply([edit]);
      expect(read()).toEqual(after);
    }
  );

  it('of several at once is taken back as one', () => {
    const kinds: EditKind[] = ['time', 'target', 'left-out', 'order', 'slot', 'said'];
    const edits = kinds.map((kind) => SAMPLES[kind]());
    const reads = () => edits.map((edit) => placeOf(edit).read(app, edit.about) ?? null);
    const before = reads();
    const token = apply(edits);
    takeBackChange(app, findStep(app, token)!);
    expect(reads()).toEqual(before);
    expect(findStep(app, token)).toBeUndefined();
  });

  it('that says two things of one place is taken back to what was there before both', () => {
    const edit = SAMPLES.time();
    const token = apply([
      edit,
      { ...edit, to: { ...TIME, warmUpMin: 7 } },
      SAMPLES.target(),
      SAMPLES.sections()
    ]);
    expect(PLACES.time.read(app, { candidateId })!.warmUpMin).toBe(7);
    takeBackChange(app, findStep(app, token)!);
    expect(PLACES.time.read(app, { candidateId })).toEqual(TIME);
    expect(PLACES.sections.read(app, { itemId })!.ownSections).toBeNull();
  });

  it('that comes twice is one, also when it was taken back or somebody has gone on since', () => {
    const edit = SAMPLES.time();
    const token = apply([edit], 'made on the device');
    const once = everything();
    expect(apply([edit], 'made on the device')).toBe(token);
    expect(everything()).toBe(once);
    apply([{ ...edit, to: { ...TIME, warmUpMin: 7 } }], 'another');
    const later = everything();
    expect(apply([edit], 'made on the device')).toBe(token);
    expect(everything()).toBe(later);
    expect(() => takeBackChange(app, findStep(app, token)!)).toThrow('changed again since');
  });

  it('is nobody else’s: the id of another’s change is refused', () => {
    apply([SAMPLES.time()], 'made on the device');
    const other = addCandidate(app, TEACHER, { name: 'Bo', instruments: 'oboe', zone });
    expect(() =>
      applyChange(app, { id: 'made on the device', candidateId: other, edits: [], cause: 'x' })
    ).toThrow('belongs to somebody else');
  });

  it('that cannot be kept leaves nothing of what went before it', () => {
    const before = everything();
    const run = app.db.transaction(() =>
      apply([SAMPLES.time(), { ...SAMPLES.target(), to: 5000 }, SAMPLES['left-out']()])
    );
    expect(run).toThrow();
    expect(everything()).toBe(before);
  });
});

describe('a touch', () => {
  it('with an id that was logged before is in the log once', () => {
    const touch = { id: 'from a device', itemId, date: '2026-11-24', minutes: 5, attempts: 'c' };
    logTouch(app, TEACHER, touch);
    logTouch(app, TEACHER, { ...touch, minutes: 50 });
    const { touches } = readLog(app, TEACHER, { auditionId });
    expect(touches.map((t) => t.minutes).sort((a, b) => a - b)).toEqual([5, 12]);
    expect(() => logTouch(app, TEACHER, { ...touch, itemId: otherId })).toThrow('belongs to somebody else');
  });
});

describe('what is only looked at', () => {
  it('leaves no trace, whether it could be kept or not', () => {
    const plans = () => app.db.prepare('SELECT * FROM plan_version').all();
    const before = [everything(), plans(), app.db.prepare('SELECT * FROM change').all()];
    const { call } = readCall(app, TEACHER, { auditionId }).audition;
    const rounds = call.rounds.map((round) => ({ ...round, date: '2027-01-02' }));
    const [effect] = previewCall(app, TEACHER, { auditionId, name: 'Fenland', rounds, dates: [] });
    expect([effect!.before!.daysToGo, effect!.after!.daysToGo]).toEqual([46, 39]); // a week earlier
    previewItem(app, TEACHER, { itemId, item: { ...STUDY, toBar: 12, name: 'Terns' } });
    const far = rounds.map((round) => ({ ...round, date: '2199-01-02' }));
    expect(() => previewCall(app, TEACHER, { auditionId, name: 'x', rounds: far, dates: [] })).toThrow(
      'two years ahead'
    );
    expect([everything(), plans(), app.db.prepare('SELECT * FROM change').all()]).toEqual(before);
  });
});
