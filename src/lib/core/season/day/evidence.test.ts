import { describe, expect, it } from 'vitest';
import { etude } from '../../../../../tests/fixtures/etude-season';
import { readDeskDay } from '../../practice';
import type { DeskEvent, RoadBlock, Touch } from '../../record';
import { dayOf } from '../../units';
import { evidenceOf } from './evidence';

// one section of all bars, target 96
const study = etude('A', 96);
const { fromBar, toBar } = study;
const DATE = '2026-11-24';

const block = (id: string, more: Partial<RoadBlock> = {}): RoadBlock => ({
  id,
  kind: 'ladder',
  itemId: 'A',
  sectionId: study.sections[0]!.id,
  name: 'Study',
  bars: { fromBar, toBar },
  parts: [],
  isJoined: false,
  minutes: 8,
  why: '',
  dueOn: null,
  work: null,
  ...more
});
const warmUp = block('w', { kind: 'warm-up', itemId: null, sectionId: null, bars: null });
const run = block('run', { kind: 'run', sectionId: null, bars: null });
const starts = block('any', { kind: 'any-bar', starts: [1, 2, 3, 4, 5] });
const probe = block('probe', { kind: 'probe' });

/** A day on which these things happened to blocks, in order; each block is begun by its first. */
function day(blocks: readonly RoadBlock[], events: readonly Record<string, unknown>[], date = DATE) {
  let seq = 0;
  const made = (event: Record<string, unknown>) =>
    ({
      id: `${date}-${seq}`,
      device: 'd',
      seq: seq++,
      atMs: seq * 1000,
      date,
      ...event
    }) as unknown as DeskEvent;
  const begun = new Set<unknown>();
  const all = [made({ kind: 'day', blocks })];
  for (const event of events) {
    if (event.block && !begun.has(event.block)) all.push(made({ kind: 'begin', block: event.block }));
    begun.add(event.block);
    all.push(made(event));
  }
  return readDeskDay(all, date)!;
}
const ended = (id: string, how = 'next') => ({ kind: 'end', block: id, seconds: 60, how });
const ran = (isStraight: boolean, isClean: boolean) => ({
  kind: 'ran',
  block: 'run',
  isStraight,
  isClean,
  broke: []
});
const move = (id: string, kind: 'clean' | 'not-yet', bpm: number) => ({
  kind: 'move',
  block: id,
  move: { kind },
  part: 0,
  bpm
});
const page = (mark: 'c' | 'n') => ({ kind: 'page', block: 'r', mark, scanSeconds: 3 });
const found = (foundBy: string) => ({
  kind: 'spot',
  spot: { id: 's', itemId: 'A', fromBar, toBar: fromBar, issue: '', notHeld: [], foundBy, elsewhere: [] }
});

const shown = (days: ReturnType<typeof day>[], log: readonly Touch[] = [], items = [study]) =>
  evidenceOf(days, { items, log, rotation: [] })
    .get('A')!
    .map(({ check, isHeld }) => [check, isHeld]);

describe('what the desk says of readiness', () => {
  it('is of a run that it went straight through, and cold where it was the first of the day and clean', () => {
    expect(shown([day([warmUp, run], [ended('w'), ran(true, true)])])).toEqual([
      ['straight', true],
      ['cold', true]
    ]);
    expect(shown([day([run], [ran(true, false)])])).toEqual([
      ['straight', true],
      ['cold', false]
    ]);
    // something else was played before
    expect(shown([day([block('x', { itemId: 'B' }), run], [ended('x'), ran(false, false)])])).toEqual([
      ['straight', false]
    ]);
  });

  it('is nothing of a run of some bars only', () => {
    const part = { ...run, bars: { fromBar, toBar: toBar - 1 } };
    expect(shown([day([part], [ran(true, true)])])).toEqual([]);
  });

  it('is of a first attempt at all bars that it was cold, where it was at the tempo or faster', () => {
    const first = (kind: 'clean' | 'not-yet', bpm: number) =>
      shown([day([block('b')], [move('b', kind, bpm)])]);
    expect(first('clean', 96)).toEqual([['cold', true]]);
    expect(first('not-yet', 100)).toEqual([['cold', false]]);
    expect(first('clean', 80)).toEqual([]);
  });

  it('is of starts when all that are asked were played, and only all of them hold', () => {
    const start = (mark: 'c' | 'n') => ({ kind: 'start', block: 'any', mark });
    const all = Array.from({ length: 5 }, () => start('c'));
    expect(shown([day([starts], all)])).toEqual([['anywhere', true]]);
    expect(shown([day([starts], [...all.slice(1), start('n')])])).toEqual([['anywhere', false]]);
    expect(shown([day([starts], all.slice(1))])).toEqual([]);
  });

  it('is of a probe that nothing broke, once it has ended', () => {
    expect(shown([day([probe], [ended('probe')])])).toEqual([['probe', true]]);
    expect(shown([day([probe], [found('probe'), ended('probe')])])).toEqual([['probe', false]]);
    expect(shown([day([probe], [ended('probe', 'not-today')])])).toEqual([]);
  });

  it('is of fresh pages that three in a row went on, over days; one that stopped begins anew', () => {
    const reading = block('r', { kind: 'minutes', sectionId: null, bars: null });
    const on = (date: string, ...marks: ('c' | 'n')[]) => day([reading], marks.map(page), date);
    expect(shown([on('2026-11-22', 'c', 'c'), on(DATE, 'c')])).toEqual([['fresh', true]]);
    expect(shown([on('2026-11-22', 'c', 'c'), on(DATE, 'n', 'c')])).toEqual([['fresh', false]]);
  });

  it('is of scales by their weakest key, as they stand after a day at the tempo that is asked', () => {
    const item = { ...study, kind: 'scales' as const, name: 'All keys' };
    const way = [88, 96];
    const key = (name: string, bpm: number) => ({ key: name, bpm, stage: 'beats' as const, marks: '' });
    const scales = (...keys: ReturnType<typeof key>[]) => ({
      ...{ unit: 'quarter' as const, octaves: 2, pattern: '', way, stage: 'beats' as const, keys },
      draw: [0]
    });
    const entry = (id: string, name: string) => ({
      ...{ id, name, minutes: 5, often: { kind: 'every' as const, days: 1 } },
      scales: {
        ...{ keys: ['C', 'G'], octaves: 2, unit: 'quarter' as const, fromBpm: 88, toBpm: 96 },
        stage: 'beats' as const
      }
    });
    const played = (of: string, marks: [string, 'c' | 'n'][], rotation = [entry('f', 'All Keys')]) => {
      const one = block('k', {
        ...{ kind: 'fundamentals', itemId: null, sectionId: null, bars: null },
        ...{ fundamental: of, scales: scales(key('C', 96), key('G', 96)) }
      });
      const events = marks.map(([name, mark]) => ({
        ...{ kind: 'key', block: 'k', fundamental: of, key: name, bpm: 96, stage: 'beats', mark }
      }));
      return evidenceOf([day([one], events)], { items: [item], log: [], rotation })
        .get('A')!
        .map(({ check, isHeld, says }) => [check, isHeld, says]);
    };
    const all: [string, 'c'][] = [
      ['C', 'c'],
      ['C', 'c'],
      ['G', 'c'],
      ['G', 'c']
    ];
    expect(played('f', all)).toEqual([['keys', true, 'the weakest key too']]);
    // twice in a row holds, once does not
    expect(played('f', all.slice(0, 3))).toEqual([['keys', false, 'weakest: G']]);
    // of two entries the one of the item's name is meant; a single one is, whatever its name
    expect(played('g', all, [entry('f', 'All keys'), entry('g', 'Others')])).toEqual([]);
    expect(played('g', all, [entry('g', 'Others')])).toHaveLength(1);
    expect(played('gone', all)).toEqual([]);
  });

  it('is vouched for as its touch in the log is, and of the item which that names', () => {
    const touch: Touch = { id: 'run', itemId: 'A', date: DATE, minutes: 1, evidence: 'teacher' };
    const elsewhere = { ...run, itemId: 'twin' };
    const [first] = evidenceOf([day([elsewhere], [ran(true, true)])], {
      items: [study],
      log: [touch],
      rotation: []
    }).get('A')!;
    expect(first).toMatchObject({ by: 'teacher', on: dayOf(DATE) });
  });
});
