import { describe, expect, it } from 'vitest';
import { laySeason } from '../lay/lay';
import { narrowToCuts } from './narrow';
import type { SeasonItem, SeasonRequest } from './request';
import { freeTime, request as seasonOf, roundOn } from '../../../../../tests/fixtures/etude-season';

const pulse = (targetBpm: number) => ({ kind: 'pulse', unit: 'quarter', targetBpm }) as const;
const item = (cuts: SeasonItem['cuts']): SeasonItem => ({
  id: 'a',
  name: 'Millrace',
  kind: 'etude',
  metre: '4/4',
  fromBar: 1,
  toBar: 48,
  sections: [
    { id: 's', fromBar: 1, toBar: 32, tempo: pulse(60) },
    { id: 't', fromBar: 33, toBar: 48, tempo: pulse(96) }
  ],
  cuts
});
const request = (one: SeasonItem, log: SeasonRequest['log'] = []) =>
  seasonOf([one], { rounds: [roundOn('2027-01-09')], time: freeTime(60), log });
const bars = (one: SeasonItem) => narrowToCuts(one).sections.map((s) => `${s.id} ${s.fromBar}-${s.toBar}`);

describe('a plan narrowed to its cuts', () => {
  it('keeps only their bars, each part of a section by itself', () => {
    expect(bars(item([{ fromBar: 17, toBar: 24 }]))).toEqual(['s 17-24']);
    expect(bars(item([{ fromBar: 29, toBar: 36 }]))).toEqual(['s 29-32', 't 33-36']);
    expect(
      bars(
        item([
          { fromBar: 20, toBar: 24 },
          { fromBar: 1, toBar: 8 }
        ])
      )
    ).toEqual(['s 1-8', 's/2 20-24']);
  });

  it('takes cuts that touch or overlap as one', () => {
    const touching = [
      { fromBar: 1, toBar: 8 },
      { fromBar: 9, toBar: 12 },
      { fromBar: 11, toBar: 16 }
    ];
    expect(bars(item(touching))).toEqual(['s 1-16']);
  });

  it('is the whole item without cuts, or where they leave nothing with a tempo', () => {
    expect(narrowToCuts(item([]))).toEqual(item([]));
    const bare = { ...item([{ fromBar: 40, toBar: 48 }]), sections: [item([]).sections[0]!] };
    expect(narrowToCuts(bare)).toBe(bare);
  });

  it('asks fewer minutes, by the bars that are left', () => {
    const asked = (one: SeasonItem) => laySeason(request(one)).items[0]!.askedMin;
    const cut = asked(item([{ fromBar: 17, toBar: 24 }]));
    expect(cut).toBeLessThan(asked(item([])) / 2);
    // 8 bars of 4 beats at 60 last 32 s: the last rung asks ceil(6.39 x 42 / 60) + 2 = 7
    const rungs = laySeason(request(item([{ fromBar: 17, toBar: 24 }]))).items[0]!.rungs;
    expect(rungs.at(-1)).toMatchObject({ sectionId: 's', bpm: 60, asksMin: 7 });
  });

  it('still runs the whole item once a week from now on, and not more', () => {
    const runs = (one: SeasonItem) =>
      laySeason(request(one)).days.flatMap((day) =>
        day.blocks.filter((b) => b.kind === 'run').map(() => day.date)
      );
    const [narrowed, whole] = [runs(item([{ fromBar: 17, toBar: 24 }])), runs(item([]))];
    expect(narrowed.length).toBeGreaterThan(whole.length);
    // in the last fortnight everything is run
    expect(narrowed.filter((day) => day < '2026-12-26').length).toBeLessThanOrEqual(5);
    expect(narrowed[0]! < whole[0]!).toBe(true);
  });

  it('takes what has held over more bars as evidence for the cut', () => {
    const log = [
      {
        id: 'x',
        itemId: 'a',
        date: '2026-11-23',
        fromBar: 1,
        toBar: 32,
        minutes: 10,
        tempoBpm: 60,
        attempts: 'ccc'
      }
    ];
    expect(laySeason(request(item([{ fromBar: 17, toBar: 24 }]), log)).items[0]!.state).toBe('holds');
  });
});
