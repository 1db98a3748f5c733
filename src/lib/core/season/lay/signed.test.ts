/** What a teacher looks for in a plan, counted over seeded random seasons that fit and over five lists as people have them. */
import { describe, expect, it } from 'vitest';
import { LISTS, pupil, pupilsSeason } from '../../../../../tests/cases/lists';
import { randomSeason, randomSeasons } from '../../../../../tests/fixtures/random-season';
import {
  type Count,
  countContact,
  countFew,
  countShape,
  countSteps,
  movedByMissing,
  unevennessOf
} from '../../../../../tests/fixtures/signed';
import { dayOf } from '../../units';
import { compareLayings } from '../laid/moves';
import type { SeasonRequest } from '../facts/request';
import { laySeason } from './lay';

/** Weeks with minutes of their own beside ladders on full days. */
const CROWDED = [136, 179].map(randomSeason);
const FITTING = [...randomSeasons(120), ...CROWDED]
  .map((season) => ({ season, plan: laySeason(season) }))
  .filter(({ plan }) => plan.short === null);
const share = (counts: readonly Count[]) =>
  counts.reduce((sum, c) => sum + c.kept, 0) / counts.reduce((sum, c) => sum + c.of, 0);
const worst = (counts: readonly Count[]) =>
  Math.min(...counts.filter((c) => c.of > 0).map((c) => c.kept / c.of));
const quantile = (values: readonly number[], at: number) =>
  [...values].sort((a, b) => a - b)[Math.floor(at * (values.length - 1))]!;

describe('over random seasons that fit', () => {
  it('a climbing item rests no longer than it may', () => {
    expect(share(FITTING.map(({ plan }) => countContact(plan)))).toBeGreaterThan(0.98);
  });

  it('no more than two rungs of an item are completed on a day', () => {
    const counts = FITTING.map(({ plan }) => countSteps(plan));
    expect(share(counts)).toBeGreaterThan(0.99);
    expect(worst(counts)).toBeGreaterThan(0.85);
  });

  it('rungs lie within a quarter of their ramp of where its shape puts them', () => {
    const counts = FITTING.map(({ plan, season }) => countShape(plan, season));
    expect(share(counts)).toBeGreaterThan(0.95);
    expect(worst(counts)).toBeGreaterThan(0.75);
  });

  it('a day has no more than twelve blocks and touches', () => {
    expect(share(FITTING.map(({ plan }) => countFew(plan)))).toBeGreaterThan(0.99);
  });

  it('a missed day moves few dates of what was not missed', () => {
    const moved = FITTING.slice(0, 50).flatMap(({ plan, season }) => movedByMissing(plan, season) ?? []);
    expect(quantile(moved, 0.5)).toBeLessThan(0.05);
  });

  it('the load is near the least that it could be, touches and runs included', () => {
    const all = FITTING.map(({ plan, season }) => unevennessOf(plan, season));
    expect(quantile(all, 0.5)).toBeLessThan(1.05);
    expect(quantile(all, 0.9)).toBeLessThan(1.1);
  });
});

describe.each(LISTS)('the plan of $says', ({ request }) => {
  const season: SeasonRequest = request();
  const plan = laySeason(season);

  it('fits, keeps in contact, climbs steadily and evenly, with a few things a day', () => {
    expect(plan.short).toBeNull();
    expect(share([countContact(plan)])).toBeGreaterThan(0.95);
    expect(share([countSteps(plan)])).toBe(1);
    // a day on which much is due before context may have more
    expect(share([countFew(plan)])).toBeGreaterThan(0.95);
    expect(unevennessOf(plan, season)).toBeLessThan(1.1);
  });

  it('asks two fifths of a usual day at most on the last two days together', () => {
    const before = plan.days.filter((d) => d.plannedMin > 0 && d.date < plan.stages!.mockFrom);
    const usual = before.slice(-24).reduce((sum, d) => sum + d.plannedMin, 0) / Math.min(24, before.length);
    const last = plan.days.slice(-2).reduce((sum, d) => sum + d.plannedMin, 0);
    expect(last).toBeLessThanOrEqual(0.4 * usual + 1);
  });
});

it('of 22 excerpts some five to ten climb on a day', () => {
  const plan = laySeason(LISTS[0]!.request());
  const days = plan.days.filter((d) => d.date < plan.stages!.mockFrom && d.blocks.length > 0);
  const climb = days.map((d) => d.blocks.filter((b) => b.kind === 'ladder').length);
  expect(quantile(climb, 0.1)).toBeGreaterThanOrEqual(5);
  expect(quantile(climb, 0.9)).toBeLessThanOrEqual(10);
});

describe('the season of a pupil', () => {
  const told = pupilsSeason();
  const blocksOn = (n: number, day: number) =>
    told[n]!.plan.days.filter((d) => d.capacityMin > 0)[day]!.blocks.map((b) => b.itemId);

  it('puts what was missed first, by the third practice day, and leaves the rest where it was', () => {
    const missed = told[0]!.plan.days[0]!.blocks.map((b) => b.itemId);
    expect(missed.length).toBeGreaterThan(0);
    const near = [0, 1, 2].flatMap((day) => blocksOn(1, day));
    for (const id of missed) expect(near).toContain(id);
    const others = compareLayings(told[0]!.plan, told[1]!.plan).filter((m) => !missed.includes(m.itemId));
    const rungs = told[0]!.plan.items.filter((i) => !missed.includes(i.id)).flatMap((i) => i.rungs).length;
    // days of 35 minutes that are full have little room for what was missed
    expect(others.length / rungs).toBeLessThan(0.3);
    // and what moves, moves by half a week at most
    for (const { from, to } of others) expect(Math.abs(dayOf(to!) - dayOf(from!))).toBeLessThanOrEqual(4);
  });

  it('leaves no practice day of the next fortnight empty, also after an early success', () => {
    for (const { plan } of told) {
      const next = plan.days.slice(0, 14).filter((d) => d.capacityMin > 0);
      const later = plan.days.slice(14).filter((d) => d.date < plan.stages!.mockFrom && d.capacityMin > 0);
      const usual = later.reduce((sum, d) => sum + d.plannedMin, 0) / later.length;
      // the day of the success itself has been played
      for (const day of next.slice(1)) expect(day.plannedMin).toBeGreaterThan((2 / 3) * usual);
    }
  });

  it('laid again with nothing new stays as it is', () => {
    const first = laySeason(pupil());
    expect(compareLayings(first, laySeason({ ...pupil(), previous: first.agreed }))).toEqual([]);
  });
});
