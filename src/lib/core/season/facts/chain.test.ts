import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { cutChunks, layChain } from './chain';
import { laySeason } from '../lay/lay';
import { plannedStairs } from '../climb/stairs';
import type { SeasonItem, SeasonRequest, Strategy } from './request';
import {
  TODAY,
  etude,
  freeTime,
  request as seasonOf,
  roundOn
} from '../../../../../tests/fixtures/etude-season';

const sections = fc
  .tuple(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 1, max: 400 }))
  .map(([fromBar, bars]) => ({ fromBar, toBar: fromBar + bars - 1 }));

describe('a chunk chain', () => {
  it('covers every bar once by its chunks, and every join by its links, forwards and backwards', () => {
    fc.assert(
      fc.property(sections, fc.boolean(), (section, isBackward) => {
        const chunks = cutChunks(section);
        const bars = chunks.flatMap((c) =>
          Array.from({ length: c.toBar - c.fromBar + 1 }, (_, i) => c.fromBar + i)
        );
        expect(bars).toEqual(
          Array.from({ length: section.toBar - section.fromBar + 1 }, (_, i) => section.fromBar + i)
        );
        const links = layChain(section, isBackward);
        for (const [i, chunk] of chunks.entries()) {
          const next = chunks[i + 1];
          if (!next) continue;
          // the join lies between the last bar of one chunk and the first of the next
          const joins = (b: { fromBar: number; toBar: number }) =>
            b.fromBar <= chunk.toBar && b.toBar >= next.fromBar;
          expect(links.some((l) => l.chunk && joins(l.joined))).toBe(true);
        }
        expect(links.at(-1)).toEqual({ chunk: null, joined: section });
      }),
      { seed: 5, numRuns: 300 }
    );
  });

  it('of 16 bars by hand: four chunks of four, each joined with the one before, then the whole', () => {
    expect(layChain({ fromBar: 1, toBar: 16 }).map((l) => `${l.joined.fromBar}-${l.joined.toBar}`)).toEqual([
      '1-4',
      '1-8',
      '5-12',
      '9-16',
      '1-16'
    ]);
    expect(layChain({ fromBar: 1, toBar: 16 }, true)[1]!.joined).toEqual({ fromBar: 9, toBar: 16 });
  });

  it('of a few bars is the whole alone', () => {
    expect(layChain({ fromBar: 5, toBar: 9 })).toEqual([{ chunk: null, joined: { fromBar: 5, toBar: 9 } }]);
  });
});

const study = (strategy: Strategy, bars = 16) => etude('a', 60, bars, { schools: { strategy } });
const request = (item: SeasonItem, log: SeasonRequest['log'] = []) =>
  seasonOf([item], { rounds: [roundOn('2027-01-09')], time: freeTime(60), log });
const touch = (fromBar: number, toBar: number, tempoBpm: number, attempts = 'ccc') => ({
  id: `${fromBar}-${toBar}-${tempoBpm}`,
  itemId: 'a',
  date: '2026-11-23',
  fromBar,
  toBar,
  minutes: 10,
  tempoBpm,
  attempts
});
const rungs = (asked: SeasonRequest) => laySeason(asked).items[0]!.rungs;
const barsOf = (asked: SeasonRequest) =>
  rungs(asked).map((r) => (r.bars ? `${r.bars.fromBar}-${r.bars.toBar}` : 'whole'));

describe('an item worked in chunks at tempo', () => {
  it('has a dated link for each chunk, all at the target, and asks minutes like rungs do', () => {
    const plan = rungs(request(study('chunks')));
    expect(barsOf(request(study('chunks')))).toEqual(['1-4', '1-8', '5-12', '9-16', 'whole']);
    expect(plan.every((r) => r.bpm === 60 && r.date !== null)).toBe(true);
    expect(plan.map((r) => r.date)).toEqual([...plan.map((r) => r.date)].sort());
    // 4 bars of 4 beats at 60: 16 s. ceil(6.39 x 26 / 60) + 2 = 5; 8 bars: ceil(6.39 x 42 / 60) + 2 = 7; a chunk and its join: 12
    expect(plan.map((r) => r.asksMin)).toEqual([5, 12, 12, 12, 10]);
  });

  it('asks less than the ramp of the same item', () => {
    const asked = (strategy: Strategy) => laySeason(request(study(strategy))).items[0]!.askedMin;
    expect(asked('chunks')).toBeLessThan(asked('ramp'));
    expect(asked('drills')).toBeGreaterThan(asked('ramp'));
  });

  it('is done with a link once its bars held at or near the target, and not by slower or fewer bars', () => {
    expect(barsOf(request(study('chunks'), [touch(1, 8, 58)]))).toEqual(['5-12', '9-16', 'whole']);
    expect(barsOf(request(study('chunks'), [touch(1, 8, 50)]))).toHaveLength(5);
    expect(barsOf(request(study('chunks'), [touch(1, 8, 60, 'ccnc')]))).toHaveLength(5);
    expect(barsOf(request(study('chunks'), [touch(1, 16, 60)]))).toEqual([]);
  });

  it('climbs its stair by the links joined, up to the target', () => {
    const item = laySeason(request(study('chunks'))).items[0]!;
    const stairs = plannedStairs(item, TODAY);
    const below = stairs.map((s) => s.clicksBelow);
    expect(below).toEqual([...below].sort((a, b) => b - a));
    expect(below.at(-1)).toBe(0);
    expect(stairs[1]!.bars).toEqual({ fromBar: 1, toBar: 4 });
  });
});

describe('a combined item', () => {
  it('ramps up to 80 %, then is chained backwards at the target', () => {
    const plan = rungs(request(study('combined')));
    const slow = plan.filter((r) => r.bpm < 60);
    expect(slow.length).toBeGreaterThan(2);
    expect(slow.every((r) => r.bars === null && r.bpm < 48)).toBe(true);
    expect(barsOf(request(study('combined'))).slice(slow.length)).toEqual([
      '13-16',
      '9-16',
      '5-12',
      '1-8',
      'whole'
    ]);
  });
});
