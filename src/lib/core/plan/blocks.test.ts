import { describe, expect, it } from 'vitest';
import { type RandomStudio, randomStudio } from '../../../../tests/fixtures/random-studio';
import { type Allotted, allot } from './allot';
import { LEAST_LONG_BLOCK_MIN } from './block-task';

const lay = ({ demands, room }: RandomStudio) =>
  allot(
    demands.map((demand) => ({ ...demand, kept: [] })),
    room
  );
const sum = (of: readonly { minutes: number }[]) => of.reduce((total, { minutes }) => total + minutes, 0);
const STUDIOS = Array.from({ length: 120 }, (_, i) => randomStudio(i + 1));

function loads({ byAsked }: Allotted): Map<number, number> {
  const load = new Map<number, number>();
  for (const { day, minutes } of byAsked.flat()) load.set(day, (load.get(day) ?? 0) + minutes);
  return load;
}

describe('whole blocks, over seeded random studios', () => {
  it('exceed no day and no item’s most, and none is shorter than the least', () => {
    for (const studio of STUDIOS) {
      const laid = lay(studio);
      for (const [day, minutes] of loads(laid)) expect(minutes).toBeLessThanOrEqual(studio.room.get(day)!);
      studio.demands.forEach((demand, i) => {
        for (const { minutes } of laid.byAsked[i]!) {
          expect(minutes).toBeGreaterThanOrEqual(LEAST_LONG_BLOCK_MIN);
          expect(minutes).toBeLessThanOrEqual(demand.mostPerDay);
        }
      });
    }
  });

  it('lie within their windows: what a window asks has lain down by its end, unless it is said to be short', () => {
    for (const { demands, room } of STUDIOS) {
      const { byAsked, shortMin, pieceMin } = lay({ demands, room });
      demands.forEach(({ windows }, i) => {
        const due = (day: number) => sum(windows.filter((w) => w.to <= day));
        const given = (day: number) => sum(byAsked[i]!.filter((a) => a.day <= day));
        for (const { to } of windows)
          expect(given(to) + shortMin[i]! + pieceMin[i]!).toBeGreaterThanOrEqual(due(to));
        const [first, last] = [
          Math.min(...windows.map((w) => w.from)),
          Math.max(...windows.map((w) => w.to))
        ];
        expect(byAsked[i]!.every((a) => a.day >= first && a.day <= last)).toBe(true);
      });
    }
  });

  it('account for every minute asked, as placed, short, or left in pieces', () => {
    for (const studio of STUDIOS) {
      const { byAsked, shortMin, pieceMin } = lay(studio);
      studio.demands.forEach(({ windows }, i) =>
        expect(sum(byAsked[i]!) + shortMin[i]! + pieceMin[i]!).toBe(sum(windows))
      );
    }
  });

  it('leave less than a block over of every item where all fits with minutes to spare', () => {
    let fitting = 0;
    for (const studio of STUDIOS) {
      const { shortMin, pieceMin } = lay(studio);
      if (shortMin.some((minutes) => minutes > 0)) continue;
      fitting += 1;
      expect(Math.max(...pieceMin)).toBeLessThan(LEAST_LONG_BLOCK_MIN);
    }
    expect(fitting).toBeGreaterThan(STUDIOS.length / 3);
  });

  it('leave minutes over only where no day has a block’s room left for the item', () => {
    for (const studio of STUDIOS) {
      const laid = lay(studio);
      const load = loads(laid);
      studio.demands.forEach(({ windows, mostPerDay }, i) => {
        if (laid.pieceMin[i]! < LEAST_LONG_BLOCK_MIN) return;
        // the first window is open on all days on which any of the item's minutes may lie early
        const early = windows.reduce((a, b) => (b.to < a.to ? b : a));
        for (const [day, room] of studio.room) {
          if (day < early.from || day > early.to || mostPerDay < LEAST_LONG_BLOCK_MIN) continue;
          const there = laid.byAsked[i]!.find((a) => a.day === day)?.minutes ?? 0;
          const spare = room - (load.get(day) ?? 0);
          expect(
            there > 0 ? Math.min(spare, mostPerDay - there) : Math.floor(spare / LEAST_LONG_BLOCK_MIN)
          ).toBe(0);
        }
      });
    }
  });

  it('are the same to the byte for the same studio', () => {
    for (const studio of STUDIOS.slice(0, 30))
      expect(JSON.stringify(lay(structuredClone(studio)))).toBe(JSON.stringify(lay(studio)));
  });

  it('laid again with nothing changed stay as they are', () => {
    for (const studio of STUDIOS.slice(0, 60)) {
      const first = lay(studio);
      if (first.shortMin.some((m) => m > 0) || first.pieceMin.some((m) => m > 0)) continue;
      const again = allot(
        studio.demands.map((demand, i) => ({
          ...demand,
          kept: first.byAsked[i]!.map((a) => ({ ...a, isPinned: false }))
        })),
        studio.room
      );
      expect(again.byAsked).toEqual(first.byAsked);
    }
  });
});
