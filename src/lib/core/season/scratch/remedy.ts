/**
 * What would make a plan fit that does not: each remedy the least of its kind, found exactly, with the changes that carry it out.
 * Minutes come from plan/extra.ts; give-back, mock days, fundamentals and what to leave out are scanned from the least up,
 * each trial decided by a flow. "None" is an answer too. Sorted by what they cost the candidate (judgement): ease within the
 * allowed range first, then how it is worked, then rest and time, last an item of the list.
 */
import { clicksBetween, clicksLower } from '../../tempo';
import type { Bpm } from '../../units';
import type { Changes, ItemChange } from './change';
import type { ItemCase } from '../lay/frame';
import { layShort, readAsking } from '../lay/lay';
import { recommendStrategy } from '../climb/strategy';
import { addAlike, addByWeekday } from './more-minutes';
import {
  REMEDY_KINDS,
  type Remedy,
  type RemedyKind,
  count,
  fits,
  fitsWith,
  laysWhole,
  leastThat,
  list,
  none
} from './trial';
import type { SeasonItem } from '../facts/request';
import type { Tried } from './tried';

/**
 * All remedies of a plan that does not fit, in the order of REMEDY_KINDS; none where it fits. Each is found when it is asked for:
 * the first can be shown while the next is looked for.
 */
export function* findRemedies(season: Tried): Generator<Remedy, void> {
  if (fits(readAsking(season.request))) return;
  for (const kind of REMEDY_KINDS) {
    if (kind === 'minutes-alike') continue;
    const remedy = findRemedy(season, kind);
    if (kind === 'minutes-by-weekday') yield* comparedMinutes(remedy, findRemedy(season, 'minutes-alike'));
    else yield remedy;
  }
}

/** Minutes by weekday are a way of their own only where they are fewer. */
function comparedMinutes(byWeekday: Remedy, alike: Remedy): [Remedy, Remedy] {
  const says = 'No other share of the weekdays needs fewer minutes than the same on each.';
  const isOwn = !byWeekday.changes || weekOf(byWeekday) < weekOf(alike);
  return [isOwn ? byWeekday : none(byWeekday.kind, says), alike];
}

const weekOf = (remedy: Remedy) =>
  remedy.changes?.week?.reduce((sum, { addMin }) => sum + addMin, 0) ?? Infinity;

/** The least remedy of one kind; where even then some is left in pieces too short for a block, it says so. Cost: some flows. */
export function findRemedy(season: Tried, kind: RemedyKind): Remedy {
  const remedy = findLeast(season, kind);
  const left = remedy.changes && layShort(season.with(remedy.changes).request);
  if (!left) return remedy;
  return {
    ...remedy,
    says: `${remedy.says} ${left.minutes} min would still be in pieces too short for a block.`
  };
}

function findLeast(season: Tried, kind: RemedyKind): Remedy {
  switch (kind) {
    case 'stretch':
      return giveBackStretch(season);
    case 'strategy':
      return workInChunks(season);
    case 'mock-days':
      return useMockDays(season);
    case 'minutes-by-weekday':
      return addByWeekday(season);
    case 'minutes-alike':
      return addAlike(season);
    case 'fundamentals':
      return takeFundamentals(season);
    case 'leave-out':
      return leaveOut(season);
  }
}

/** A stretch above the low end of a published range, by whole clicks down. */
type Stretch = {
  readonly itemId: string;
  readonly name: string;
  readonly sectionId: string;
  readonly steps: readonly Bpm[];
};

function stretchesOf(items: readonly SeasonItem[]): Stretch[] {
  return items.flatMap((item) =>
    item.sections.flatMap(({ id: sectionId, tempo }) => {
      if (tempo.kind !== 'range' || tempo.stretchBpm === undefined || tempo.stretchBpm <= tempo.lowBpm)
        return [];
      const { lowBpm, stretchBpm, unit } = tempo;
      const most = Math.ceil(clicksBetween(lowBpm, stretchBpm, unit) - 1e-9);
      const steps = Array.from({ length: most + 1 }, (_, c) =>
        c === most ? lowBpm : Math.max(lowBpm, Math.round(clicksLower(stretchBpm, unit, c)))
      );
      return [{ itemId: item.id, name: item.name, sectionId, steps }];
    })
  );
}

/** The smallest most clicks each gives back, then given again in the list's order as far as it still fits. */
function giveBackStretch(season: Tried): Remedy {
  const kind = 'stretch';
  const stretches = stretchesOf(season.request.items);
  if (stretches.length === 0)
    return none(kind, 'Every item aims at the low end of its range already: there is no tempo to give back.');
  const at = (stretch: Stretch, clicks: number) => stretch.steps[Math.min(clicks, stretch.steps.length - 1)]!;
  const changesFor = (given: readonly number[]): Changes => ({
    items: byItem(stretches.map((s, i) => ({ ...s, bpm: at(s, given[i]!) })))
  });
  const most = Math.max(...stretches.map((s) => s.steps.length - 1));
  const clicks = leastThat(season, 1, most, (c) => changesFor(stretches.map(() => c)));
  if (clicks === null) return none(kind, 'Even at the low end of every published range it does not fit.');
  const given = stretches.map((s) => Math.min(clicks, s.steps.length - 1));
  given.forEach((_, i) => {
    while (given[i]! > 0) {
      given[i]! -= 1;
      if (fitsWith(season, changesFor(given)) && laysWhole(season, changesFor(given))) continue;
      given[i]! += 1;
      break;
    }
  });
  const back = stretches.flatMap((s, i) => (given[i]! > 0 ? [`${s.name} to ${at(s, given[i]!)}`] : []));
  return {
    kind,
    changes: changesFor(given),
    says: `Aim lower, at most ${count(clicks, 'click')} each: ${list(back)}; still within the published range.`
  };
}

function byItem(targets: readonly { itemId: string; sectionId: string; bpm: Bpm }[]): ItemChange[] {
  const ids = [...new Set(targets.map((t) => t.itemId))];
  return ids.map((itemId) => ({
    itemId,
    targets: targets.filter((t) => t.itemId === itemId).map(({ sectionId, bpm }) => ({ sectionId, bpm }))
  }));
}

/**
 * Items worked in chunks at tempo instead of ramped: those for which that is recommended first, then those it frees most; as few as
 * need be.
 */
function workInChunks(season: Tried): Remedy {
  const kind = 'strategy';
  const asking = readAsking(season.request);
  const asked = new Map(asking.cases.map((one) => [one.item.id, askedMin(one)]));
  const inChunks = (ids: readonly string[]): Changes => ({
    items: ids.map((itemId) => ({ itemId, schools: { strategy: 'chunks' } }))
  });
  const all = season.request.items.map((item) => item.id);
  const { cases } = readAsking(season.with(inChunks(all)).request);
  const ways = cases
    .map((one) => {
      const log = asking.request.log.filter((touch) => touch.itemId === one.item.id);
      const isAdvised = recommendStrategy(one.item, log)?.strategy === 'chunks';
      return { item: one.item, isAdvised, frees: (asked.get(one.item.id) ?? 0) - askedMin(one) };
    })
    .filter(({ item, frees }) => frees > 0 && !item.isLeftOut)
    .sort((a, b) => Number(b.isAdvised) - Number(a.isAdvised) || b.frees - a.frees);
  if (ways.length === 0) return none(kind, 'Chunks at tempo would free nothing.');
  const first = (n: number) => ways.slice(0, n);
  const n = leastThat(season, 1, ways.length, (k) => inChunks(first(k).map(({ item }) => item.id)));
  const says = (some: typeof ways) =>
    list(some.map(({ item, frees }) => `${item.name} (frees ${frees} min)`));
  if (n === null) {
    const frees = ways.reduce((sum, way) => sum + way.frees, 0);
    return none(
      kind,
      `Chunks at tempo for all would free ${frees} min, not enough by itself; most of it ${says([...ways].sort((a, b) => b.frees - a.frees).slice(0, 1))}.`
    );
  }
  return {
    kind,
    changes: inChunks(first(n).map(({ item }) => item.id)),
    says: `Work ${says(first(n))} in small chunks at tempo instead of a ramp.`
  };
}

const askedMin = ({ climb }: ItemCase): number =>
  climb.rungs.reduce((sum, rung) => sum + rung.minutes - rung.minutesDone, 0);

/** Days of the mock window, from its first, that the ramp may use; every number is tried, as more need not be better. */
function useMockDays(season: Tried): Remedy {
  const kind = 'mock-days';
  const { request } = season;
  const already = Math.max(0, request.daysIntoMock ?? 0, ...request.items.map((i) => i.daysIntoMock ?? 0));
  const { cases, frame } = readAsking(request);
  const window = Math.max(
    0,
    ...cases.flatMap(({ stages }) =>
      stages && frame.today < stages.mockFrom ? [stages.lastDaysFrom - stages.mockFrom] : []
    )
  );
  const days = leastThat(season, already + 1, window, (n) => ({ daysIntoMock: n }));
  if (days === null)
    return none(
      kind,
      window <= already
        ? 'The mock window has opened: its days are used already.'
        : 'Even all days of the mock window for the ramp do not make it fit.'
    );
  return {
    kind,
    changes: { daysIntoMock: days },
    says: `Let the ramp run ${count(days, 'day')} into the mock window: ${window - days} of its ${window} days are left for mocks alone.`
  };
}

function takeFundamentals(season: Tried): Remedy {
  const kind = 'fundamentals';
  const { fundamentalsMin } = season.request.time;
  const less = leastThat(season, 1, fundamentalsMin, (n) => ({ fundamentalsMin: fundamentalsMin - n }));
  if (less === null)
    return none(
      kind,
      fundamentalsMin === 0
        ? 'No fundamentals are set aside: nothing to take from them.'
        : `Even without the ${count(fundamentalsMin, 'minute')} of fundamentals it does not fit.`
    );
  return {
    kind,
    changes: { fundamentalsMin: fundamentalsMin - less },
    says: `Take ${count(less, 'minute')} a day from the fundamentals: ${fundamentalsMin - less} of ${fundamentalsMin} are left.`
  };
}

/** The single item lowest in the order without which the rest fits; where no one suffices, as few as need be from the lowest up. */
function leaveOut(season: Tried): Remedy {
  const kind = 'leave-out';
  const asking = readAsking(season.request);
  const asked = new Set(asking.asks.map((ask) => ask.owner.item.id));
  const items = season.request.items.filter((item) => asked.has(item.id)).reverse();
  const changesFor = (left: readonly SeasonItem[]): Changes => ({
    items: left.map(({ id }) => ({ itemId: id, isLeftOut: true }))
  });
  const one = items.find(
    (item) => fitsWith(season, changesFor([item])) && laysWhole(season, changesFor([item]))
  );
  const n = one ? 1 : leastThat(season, 1, items.length - 1, (k) => changesFor(items.slice(0, k)));
  if (n === null) return none(kind, 'Leaving items out does not make the rest fit.');
  const left = one ? [one] : items.slice(0, n);
  return {
    kind,
    changes: changesFor(left),
    says: `Leave out ${list(left.map((item) => item.name))}: the rest fits. Only where the call allows it.`
  };
}
