import { describe, expect, it } from 'vitest';
import { etude, request, roundOn } from '../../../../../tests/fixtures/etude-season';
import { randomSeasons } from '../../../../../tests/fixtures/random-season';
import { dayOf } from '../../units';
import { askInShape, readShape } from './in-shape';
import { laySeason, readAsking } from './lay';

/** Two studies that the first round hears, and two that the later alone does. */
function twoRounds(minutesADay: number) {
  const items = ['a', 'b', 'y', 'z'].map((id) => etude(id, 120, 24));
  const rounds = [
    { ...roundOn('2027-01-10'), id: 'first', itemIds: ['a', 'b'] },
    { ...roundOn('2027-03-10'), id: 'second' }
  ];
  return request(items, { rounds }, minutesADay);
}

describe('what only a later round hears', () => {
  it('begins as its ramp would have it where days are light, though the even load would wait for the earlier round', () => {
    const season = twoRounds(120);
    const plan = laySeason(season);
    const { cases, frame } = readAsking(season);
    for (const id of ['y', 'z']) {
      const { places, play } = readShape(
        cases.find(({ item }) => item.id === id)!,
        frame.today
      );
      plan.items
        .find((item) => item.id === id)!
        .rungs.forEach(({ date }, i) => expect(dayOf(date!)).toBeLessThanOrEqual(places[i]! + play));
    }
    expect(plan.unkept!.filter(({ point }) => point === 'shape')).toEqual([]);
  });

  it('waits where that would fill days that are full already, and the plan says so', () => {
    const { short, unkept } = laySeason(twoRounds(40));
    expect(short).toBeNull();
    expect(unkept!.filter(({ point }) => point === 'shape').map(({ itemId }) => itemId)).toEqual(['y', 'z']);
  });
});

describe('a ladder asked for in shape', () => {
  it('asks the same minutes, none of them later than before', () => {
    let asked = 0;
    for (const season of randomSeasons(40)) {
      const { asks, frame } = readAsking(season);
      for (const ask of asks) {
        const nothing = { ...ask, allotments: [], shortMin: 0, pieceMin: 0, leftOutMin: 0 };
        const late = askInShape(ask, nothing, frame);
        if (!late) continue;
        asked += 1;
        const dueBy = (windows: typeof ask.asked.windows, day: number) =>
          windows.reduce((sum, { to, minutes }) => sum + (to <= day ? minutes : 0), 0);
        for (const { to } of late.asked.windows)
          expect(dueBy(late.asked.windows, to)).toBeGreaterThanOrEqual(dueBy(ask.asked.windows, to));
        expect(dueBy(late.asked.windows, Infinity)).toBe(dueBy(ask.asked.windows, Infinity));
      }
    }
    expect(asked).toBeGreaterThan(40);
  });

  it('is left alone where what was laid is in shape', () => {
    const { asks, frame } = readAsking(twoRounds(120));
    for (const ask of asks) {
      const all = ask.asked.windows.reduce((sum, { minutes }) => sum + minutes, 0);
      const allotments = [{ day: frame.today, minutes: all }] as const;
      expect(
        askInShape(ask, { ...ask, allotments, shortMin: 0, pieceMin: 0, leftOutMin: 0 }, frame)
      ).toBeNull();
    }
  });
});
