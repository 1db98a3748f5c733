import { describe, expect, it } from 'vitest';
import { clean, etude, request, roundOn } from '../../../../../tests/fixtures/etude-season';
import { issueOfHunt, rangesOf, sayBroken } from '../../practice';
import type { Touch } from '../../record';
import { laySeason } from '../lay/lay';
import { huntsFor } from './hunts';

/** What is offered of one étude of 96 with a log. */
function offered(log: Touch[], isHurt = false) {
  const given = request([etude('A', 96)], { rounds: [roundOn('2027-01-20')], log });
  const { items, schools } = given;
  return huntsFor(laySeason(given), { items, schools, log, isHurt }).map(({ kind, hunt, bars }) => [
    kind,
    hunt!.bpm,
    bars!.fromBar
  ]);
}

describe('blocks that look for what is weak', () => {
  it('are a probe from 95 % of the target on: six in a hundred faster, as a metronome says it', () => {
    // 92 is 95.8 % of 96; 6 % more are 97.5, and 96 lies nearest; at 96 it is 101.8, and 100 does
    expect(offered([clean('A', '2026-11-23', 92, 10)])).toEqual([['probe', 96, 1]]);
    expect(offered([clean('A', '2026-11-23', 96, 10)])).toEqual([['probe', 100, 1]]);
    expect(offered([clean('A', '2026-11-23', 88, 10)])).toEqual([]);
    expect(offered([])).toEqual([]);
    expect(offered([clean('A', '2026-11-23', 96, 10)], true)).toEqual([]);
  });

  it('may be probed at any other setting from 5 to 10 % faster', () => {
    const log = [clean('A', '2026-11-23', 96, 10)];
    const given = request([etude('A', 96)], { rounds: [roundOn('2027-01-20')], log });
    const [probe] = huntsFor(laySeason(given), { items: given.items, schools: given.schools, log });
    // of 100.8 to 105.6 a metronome says 104 alone; what is proposed stays to be chosen
    expect(probe!.hunt!.choices).toEqual([100, 104]);
    // of 54 and 56 the first is less than 5 % faster than 52: there is nothing to choose
    const slow = request([etude('A', 52)], {
      rounds: [roundOn('2027-01-20')],
      log: [clean('A', '2026-11-23', 52, 10)]
    });
    const [alone] = huntsFor(laySeason(slow), { items: slow.items, schools: slow.schools, log: slow.log });
    expect(alone!.hunt).toEqual({ unit: 'quarter', bpm: 56 });
  });

  it('are the microscope at half of what held once, where less holds now', () => {
    const lost: Touch = {
      id: 'l',
      itemId: 'A',
      date: '2026-11-23',
      minutes: 10,
      tempoBpm: 88,
      unit: 'quarter',
      attempts: 'ncnn'
    };
    const log = [clean('A', '2026-11-20', 88, 10), lost];
    expect(offered(log)).toEqual([['microscope', 44, 1]]);
    expect(offered(log, true)).toEqual([['microscope', 44, 1]]);
    expect(offered([log[0]!])).toEqual([]);
  });

  it('become spots of the bars that follow each other, and say how much is usual', () => {
    expect(rangesOf([9, 4, 5, 5, 12, 6])).toEqual([
      { fromBar: 4, toBar: 6 },
      { fromBar: 9, toBar: 9 },
      { fromBar: 12, toBar: 12 }
    ]);
    expect(rangesOf([])).toEqual([]);
    expect(issueOfHunt('probe', { bpm: 100 })).toBe('broke at 100');
    // ten to twenty of a hundred are expected (handbook; common practice, no published source)
    expect([0, 5, 15, 25].map((count) => sayBroken(count, 100))).toEqual([
      expect.stringContaining('Nothing broke'),
      expect.stringContaining('5 of 100 bars, 5 %: little'),
      expect.stringContaining('15 of 100 bars, 15 %: as much'),
      expect.stringContaining('25 of 100 bars, 25 %: more')
    ]);
  });
});
