import { describe, expect, it } from 'vitest';
import { layStages } from '../../plan';
import { dayOf, formatDate } from '../../units';
import type { Climb } from '../climb/climb';
import type { SeasonItem } from '../facts/request';
import { askOfClimb } from './ask';
import type { SeasonFrame } from './frame';
import { laySeason } from './lay';
import { etude, freeTime, request } from '../../../../../tests/fixtures/etude-season';

const TODAY = dayOf('2026-11-24');
// 46 days: mocks from 26 Dec, so the ramp ends on the 25th; context from 15 Dec
const STAGES = layStages(TODAY, dayOf('2027-01-09'));
const ITEM = { id: 'a', sections: [{ tempo: { kind: 'pulse', unit: 'quarter', targetBpm: 100 } }] };
const rung = (bpm: number, minutes: number) => ({
  sectionId: 's',
  bpm,
  bars: null,
  share: bpm / 100,
  minutes,
  minutesDone: 0
});
const CLIMB = { rungs: [rung(60, 20), rung(70, 20), rung(75, 20), rung(90, 30)] };

/** What the ladder asks, with the rungs at some tempos pinned to dates. */
function ask(pins: Record<number, string>) {
  const pinned = Object.entries(pins).map(([bpm, date]) => ({
    itemId: 'a',
    sectionId: 's',
    bpm: Number(bpm),
    date
  }));
  const [climb, item, frame] = [
    CLIMB as unknown as Climb,
    ITEM as unknown as SeasonItem,
    { today: TODAY, longest: 25 } as SeasonFrame
  ];
  const { windows, kept } = askOfClimb(climb, item, STAGES, frame, pinned, [])!;
  const say = (day: number) => formatDate(day).slice(5);
  return {
    windows: windows.map((w) => [say(w.from), say(w.to), w.minutes]),
    kept: kept.map((k) => [say(k.day), k.minutes])
  };
}

describe('what a ladder asks of the days', () => {
  it('is the rungs below 80 % before context begins, and the rest by the ramp’s end', () => {
    expect(ask({})).toEqual({
      windows: [
        ['11-24', '12-14', 60],
        ['11-24', '12-25', 30]
      ],
      kept: []
    });
  });

  it('is cut at a pin, with a block on its day; what follows begins the day after and is due by the ramp’s end alone', () => {
    expect(ask({ 70: '2026-12-01' })).toEqual({
      windows: [
        ['11-24', '12-01', 40],
        ['12-02', '12-25', 50]
      ],
      kept: [['12-01', 20]]
    });
  });

  it('is cut by no pin on a day that the leg before it has used, nor after the ramp', () => {
    expect(ask({ 60: '2026-12-01', 70: '2026-12-01' }).windows).toEqual([
      ['11-24', '12-01', 20],
      ['12-02', '12-25', 70]
    ]);
    expect(ask({ 70: '2027-01-05' })).toEqual(ask({}));
  });
});

describe('a day of a plan', () => {
  const reading = etude('r', 100, 16, { kind: 'sight-reading', sections: [], minutesPerWeek: 30 });

  it('has all minutes that were pinned to it by hand, more than the week asks too', () => {
    const pins = [{ itemId: 'r', date: '2026-12-01', minutes: 38 }];
    const plan = laySeason(request([reading], { pins }));
    const { blocks } = plan.days.find((day) => day.date === '2026-12-01')!;
    expect(blocks.map(({ isPinned, minutes }) => [isPinned, minutes])).toEqual([
      [true, 19],
      [true, 19]
    ]);
  });

  it('stands in the order of its clock', () => {
    const spans = [
      { start: '07:30', minutes: 15 },
      { start: '17:00', minutes: 45 }
    ];
    const week = [1, 2, 3, 4, 5, 6].flatMap((weekday) => spans.map((span) => ({ weekday, ...span })));
    const items = ['a', 'b', 'c', 'd'].map((id, i) => etude(id, 100 + i, 12 + 8 * i));
    const { days } = laySeason(request([...items, reading], { time: { ...freeTime(0), week } }));
    const starts = days.map(({ blocks }) => blocks.map(({ start }) => start));
    const timed = starts.filter((day) => day.length > 1 && day.every((start) => start !== null));
    expect(timed.some((day) => day[0]! < '12:00' && day[1]! > '12:00')).toBe(true);
    for (const day of timed) expect(day).toEqual([...day].sort());
  });
});
