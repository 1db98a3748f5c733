/** Requests that once gave a plan nobody could follow, kept as they were found. */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readPlanRequest } from '../../../schema/plan-request';
import { dayOf } from '../../units';
import type { SeasonRequest } from '../facts/request';
import { laySeason } from './lay';

function requestOf(name: string): SeasonRequest {
  const read = readPlanRequest(JSON.parse(readFileSync(`tests/cases/plan/${name}.json`, 'utf8')));
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}
const sum = (all: readonly { readonly minutes: number }[]) =>
  all.reduce((total, { minutes }) => total + minutes, 0);

describe('a concerto with a cadenza', () => {
  it('fits where there are far more minutes than it asks, and plays its weekly minutes each week', () => {
    const plan = laySeason(requestOf('cadenza-weekly'));
    expect(plan.short).toBeNull();
    const weekly = plan.agreed.allotments.filter((a) => a.kind === 'minutes');
    const asked = plan.items[0]!.askedMin - sum(plan.agreed.allotments.filter((a) => a.kind === 'ladder'));
    expect(sum(weekly)).toBe(asked);
    expect(weekly.every((a) => a.minutes >= 8)).toBe(true);
  });

  it('played is no work on the ladder, and the week’s minutes are done', () => {
    const request = requestOf('cadenza-played');
    const [before, after] = [laySeason({ ...request, log: [] }), laySeason(request)];
    expect(after.items[0]!.rungs[0]!.minutesDone).toBe(0);
    const rungs = (plan: typeof after) => plan.items[0]!.rungs.map((r) => r.minutes);
    expect(rungs(after)).toEqual(rungs(before));
    // six of the first week's seven days are left: 16 x 6 / 7
    expect(before.items[0]!.askedMin - after.items[0]!.askedMin).toBe(14);
  });

  it('is counted by its weekly minutes also where no bars are free: what was played without a click', () => {
    const request = requestOf('weekly-minutes-played');
    const [without, played] = [laySeason({ ...request, log: [] }), laySeason(request)];
    // 24 x 6 / 7
    expect(without.items[0]!.askedMin - played.items[0]!.askedMin).toBe(21);
    expect(played.items[0]!.rungs[0]!.minutesDone).toBe(0);
  });
});

it('two minutes more than planned make no date of the item later', () => {
  const more = requestOf('two-minutes-more');
  const none = laySeason({ ...more, log: more.log.map((t) => ({ ...t, minutes: t.minutes - 1 })) });
  const plan = laySeason(more);
  const dates = (laid: typeof plan) =>
    laid.items.find((i) => i.id === 'p0')!.rungs.map((r) => dayOf(r.date!));
  dates(plan).forEach((day, i) => expect(day).toBeLessThanOrEqual(dates(none)[i]!));
});
