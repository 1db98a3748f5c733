import { describe, expect, it } from 'vitest';
import { TODAY, clean, etude, request, roundOn } from '../../../../../tests/fixtures/etude-season';
import { asBegun } from '../../practice';
import { laySeason } from '../lay/lay';
import { followDay } from './follow';
import { blocksToAdd, makeRoadMap } from './road-map';

const time = {
  week: [1, 2, 3, 4, 5, 6, 7].map((weekday) => ({ weekday, start: '17:00', minutes: 60 })),
  ...{ exceptions: [], lessons: [], mocks: [], warmUpMin: 10, fundamentalsMin: 0 }
};
const given = request([etude('A', 96, 60), etude('B', 108, 60), etude('C', 80, 60)], {
  rounds: [roundOn('2026-12-20')],
  log: [clean('A', '2026-11-23', 60, 10), clean('B', '2026-11-23', 66, 10)],
  time
});
const plan = laySeason(given);
const facts = { items: given.items, time, log: given.log };
const blocks = asBegun(makeRoadMap(plan, facts, TODAY, (i) => `b${i}`));
const day = (changed: typeof blocks) => ({ date: TODAY, blocks: changed, found: [] });
const today = (of: typeof plan) =>
  of.days.find(({ date }) => date === TODAY)!.blocks.map((b) => [b.itemId, b.minutes, b.start]);

describe('a plan that follows the day', () => {
  const planned = today(plan);

  it('is the plan while nothing was changed', () => {
    expect(planned.length).toBeGreaterThan(1);
    expect(planned[0]![2]).toBe('17:10');
    expect(followDay(plan, null)).toBe(plan);
    expect(today(followDay(plan, day(blocks)))).toEqual(planned);
  });

  it('has another order, other minutes and what was added, each begun when the one before is over', () => {
    const [warmUp, first, second] = blocks as [(typeof blocks)[0], (typeof blocks)[0], (typeof blocks)[0]];
    const added = asBegun([{ ...blocksToAdd(plan, facts, TODAY)[0]!, id: 'x' }])[0]!;
    const rest = blocks.slice(3).map((block) => ({ ...block, isDropped: true }));
    const changed = [warmUp, { ...second, minutes: 20 }, { ...first, minutes: 7 }, added, ...rest];
    expect(today(followDay(plan, day(changed)))).toEqual([
      [second.itemId, 20, '17:10'],
      [first.itemId, 7, '17:30'],
      [added.itemId, 8, '17:37']
    ]);
    // other days stay
    expect(followDay(plan, day(changed)).days.slice(1)).toEqual(plan.days.slice(1));
  });
});
