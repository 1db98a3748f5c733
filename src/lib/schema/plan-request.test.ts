import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readPlanRequest } from './plan-request';

type Json = Record<string, unknown>;
const example = () =>
  JSON.parse(readFileSync('docs/examples/request.json', 'utf8')) as Json & {
    rounds: Json[];
    items: (Json & { sections: (Json & { tempo: Json })[] })[];
    time: Json & { week: Json[] };
    log: Json[];
  };

const stated = (request: ReturnType<typeof example>) => request.items[1]!.holdsNow as Json[];
const says = (request: ReturnType<typeof example>, other: Json) => Object.assign(stated(request)[0]!, other);

/** The faults of the documented example after one change. */
function faults(change: (request: ReturnType<typeof example>) => void): string[] {
  const request = example();
  change(request);
  const read = readPlanRequest(request);
  return read.ok ? [] : read.faults.map((f) => `${f.path}: ${f.says}`);
}

describe('a plan request', () => {
  it('as the docs show it is sound', () => {
    expect(faults(() => undefined)).toEqual([]);
  });

  it.each<[string, (r: ReturnType<typeof example>) => void, string]>([
    [
      'a round before today',
      (r) => (r.rounds[0]!.date = '2026-11-01'),
      'rounds.0.date: 2026-11-01 is before today'
    ],
    [
      '29 February of a common year',
      (r) => (r.rounds[0]!.date = '2027-02-29'),
      'rounds.0.date: There is no day 2027-02-29'
    ],
    [
      'a local time the clock skips',
      (r) => Object.assign(r.rounds[0]!, { date: '2027-03-28', time: '02:30' }),
      'rounds.0.time: 02:30 does not exist'
    ],
    ['an unknown zone', (r) => (r.rounds[0]!.zone = 'Europe/Nowhere'), 'rounds.0.zone: No such time zone'],
    [
      'a pin of a foreign item',
      (r) => (r.pins = [{ itemId: 'nobody', date: '2026-12-01', minutes: 10 }]),
      'pins.0.itemId: There is no item “nobody”'
    ],
    [
      'a pin of a section the item does not have',
      (r) => (r.pins = [{ itemId: r.items[0]!.id, date: '2026-12-01', sectionId: 'x', bpm: 60 }]),
      'has no section “x”'
    ],
    [
      'a pin that is neither a block nor a rung',
      (r) => (r.pins = [{ itemId: r.items[0]!.id, date: '2026-12-01' }]),
      'pins.0: A pin has itemId and date, and either minutes, or sectionId and bpm.'
    ],
    [
      'a round’s id twice',
      (r) => r.rounds.push({ ...r.rounds[0]! }),
      'rounds.2.id: Two rounds have the same id.'
    ],
    ['a touch’s id twice', (r) => r.log.push({ ...r.log[0]! }), 'Two touches have the same id.'],
    [
      'bars in two sections',
      (r) => r.items[0]!.sections.push({ ...r.items[0]!.sections[0]!, id: 'again' }),
      'stand in two sections'
    ],
    [
      'a cut upside down',
      (r) => (r.items[0]!.cuts = [{ fromBar: 9, toBar: 5 }]),
      'items.0.cuts.0: The cut is upside down: 9 to 5.'
    ],
    ['a cut outside', (r) => (r.items[0]!.cuts = [{ fromBar: 5, toBar: 1999 }]), 'items.0.cuts.0: '],
    [
      'a section due before today',
      (r) => (r.items[0]!.sections[0]!.dueOn = '2026-11-02'),
      'dueOn: 2026-11-02 is before today'
    ],
    [
      'a section due after the last round',
      (r) => (r.items[0]!.sections[0]!.dueOn = '2027-12-02'),
      'dueOn: 2027-12-02 is after the last round'
    ],
    [
      'a pin before today',
      (r) => (r.pins = [{ itemId: r.items[0]!.id, date: '2026-11-01', minutes: 10 }]),
      'pins.0.date: 2026-11-01 is before today'
    ],
    [
      'a pin above the target',
      (r) =>
        (r.pins = [
          { itemId: r.items[0]!.id, date: '2026-12-01', sectionId: r.items[0]!.sections[0]!.id, bpm: 399 }
        ]),
      'it lies above the target'
    ],
    [
      'a touch up to a bar from nowhere',
      (r) => Object.assign(r.log[0]!, { fromBar: undefined, toBar: 4 }),
      'fromBar: From which bar to bar 4?'
    ],
    ['an empty list', (r) => (r.items = []), 'items: The list is empty'],
    [
      'a target below every click',
      (r) => (r.items[1]!.sections[0]!.tempo.targetBpm = 12),
      'items.1.sections.0.tempo.targetBpm: quarter 12 is below the lowest a click can say, 20'
    ],
    [
      'a target above every click',
      (r) => (r.items[1]!.sections[0]!.tempo.targetBpm = 500),
      'above the highest a click can say, 416'
    ],
    [
      'a target from recordings of which none was measured',
      (r) =>
        (r.items[1]!.sections[0]!.tempo = {
          kind: 'recordings',
          unit: 'quarter',
          recordingsBpm: [],
          use: 'mean'
        }),
      'items.1.sections.0.tempo.recordingsBpm: Measure at least one recording.'
    ],
    [
      'a range upside down',
      (r) => (r.items[0]!.sections[0]!.tempo.highBpm = 50),
      'items.0.sections.0.tempo.highBpm: The range is upside down: 58 to 50.'
    ],
    [
      'a stretch outside the range',
      (r) => (r.items[0]!.sections[0]!.tempo.stretchBpm = 80),
      'tempo.stretchBpm: What is wanted lies in the range'
    ],
    [
      'bars outside the item',
      (r) => (r.items[0]!.sections[1]!.toBar = 120),
      'items.0.sections.1.toBar: Bar 120 lies outside the item, bars 1 to 96.'
    ],
    [
      'bars upside down',
      (r) => (r.items[0]!.sections[1]!.toBar = 30),
      'items.0.sections.1.toBar: The bars are upside down: 41 to 30.'
    ],
    ['absurd bars', (r) => (r.items[0]!.toBar = 99_999), 'items.0.toBar: Bars go up to 2000.'],
    ['absurd minutes', (r) => (r.time.week[0]!.minutes = 5000), 'time.week.0.minutes: At most 720 minutes.'],
    ['no minutes', (r) => (r.time.week[0]!.minutes = 0), 'time.week.0.minutes: At least 1 minute.'],
    [
      'a span that overlaps',
      (r) => r.time.week.push({ weekday: 1, start: '17:30', minutes: 30 }),
      'time.week.5.start: It overlaps'
    ],
    [
      'a span past midnight',
      (r) => (r.time.week[0]!.start = '23:30'),
      'time.week.0.minutes: It would run past midnight.'
    ],
    [
      'a touch of tomorrow',
      (r) => (r.log[0]!.date = '2026-11-25'),
      'log.0.date: A touch is logged on its day or later'
    ],
    [
      'a touch outside the item',
      (r) => (r.log[0]!.toBar = 97),
      'log.0.toBar: Étude 14, “Millrace” has bars 1 to 96.'
    ],
    [
      'a touch of an unknown item',
      (r) => (r.log[0]!.itemId = 'none'),
      'log.0.itemId: There is no item “none”'
    ],
    [
      'a round of an unknown item',
      (r) => (r.rounds[0]!.itemIds = ['none']),
      'rounds.0.itemIds.0: There is no item “none”'
    ],
    [
      'a beginning still to come',
      (r) => (r.began = '2026-11-25'),
      'began: 2026-11-25 is after today, 2026-11-24.'
    ],
    [
      'attempts that are no marks',
      (r) => (r.log[0]!.attempts = 'yes'),
      'log.0.attempts: Attempts are c for clean'
    ],
    [
      'what holds on a day to come',
      (r) => says(r, { on: '2026-11-25' }),
      'items.1.holdsNow.0.on: 2026-11-25 is still to come: say what holds today.'
    ],
    [
      'what holds of a section that is not there',
      (r) => says(r, { sectionId: 'f9' }),
      'items.1.holdsNow.0.sectionId: There is no section “f9”.'
    ],
    [
      'what holds of free bars',
      (r) => (r.items[1]!.sections[0]!.tempo = { kind: 'free', minutesPerWeek: 20 }),
      'items.1.holdsNow.0.bpm: These bars are free: no click says what holds.'
    ],
    [
      'what holds at a tempo that no click says',
      (r) => says(r, { bpm: 900 }),
      'items.1.holdsNow.0.bpm: quarter 900 is above the highest a click can say'
    ],
    [
      'what holds of a section said twice',
      (r) => (r.items[1]!.holdsNow = [...stated(r), ...stated(r)]),
      'items.1.holdsNow.1.sectionId: What holds of a section is said once.'
    ],
    [
      '100 kB of text',
      (r) => (r.items[0]!.name = 'x'.repeat(100_000)),
      'items.0.name: At most 120 characters'
    ],
    ['another format', (r) => (r.version = 2), 'version: This program reads version 1.'],
    ['a key nobody knows', (r) => (r.colour = 'red'), '(request): ']
  ])('with %s says so at its path', (_, change, says) => {
    expect(faults(change).join('\n')).toContain(says);
  });

  it('names every fault at once', () => {
    expect(faults((r) => Object.assign(r, { items: [], rounds: [], log: [] }))).toHaveLength(2);
  });

  it('takes what is unusual but no fault', () => {
    expect(faults((r) => (r.items[0]!.name = 'لحن الفجر 🎶'))).toEqual([]);
    expect(faults((r) => (r.rounds[1]!.date = r.rounds[0]!.date))).toEqual([]);
    expect(faults((r) => (r.log[0]!.tempoBpm = 72))).toEqual([]);
    expect(
      faults((r) =>
        r.rounds.push({
          id: 'old',
          name: 'last year',
          date: '2025-05-05',
          zone: 'Europe/Brussels',
          isHistory: true
        })
      )
    ).toEqual([]);
  });
});
