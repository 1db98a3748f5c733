/** Spots of a candidate's items as they stand on a day, hardest first; and which of them a block takes, each with its methods. */
import {
  DAYS_TO_REST,
  SPOT_MIN,
  type KnownSpot,
  type Method,
  type SpotStanding,
  type SpotTry,
  type Ways,
  hardnessOf,
  inTimeOrder,
  offerMethods,
  spotTempo,
  standOfSpot,
  triesBySpot,
  triesIn
} from '../../practice';
import type { InstrumentFamily, PlanItem, PracticeTime, Schools, SpotToDo, Touch } from '../../record';
import { clicksBetween } from '../../tempo';
import { type Bpm, type BeatUnit, type Clicks, type Minutes, dayOf, isInside } from '../../units';
import { readAways } from '../../plan';
import { morningsOf, readSections } from '../climb/held-sections';
import { schoolsOf } from '../facts/request';
import type { TimedSection } from '../climb/rungs';

/** From so long a block on there is a spot in it. */
const LEAST_BLOCK_MIN: Minutes = 4;
/** So many that rest are asked in one block, beside those that are worked: each takes one attempt. */
const MOST_ASKED = 2;
/** From so long on a spot is worked by two methods. */
const TWO_METHODS_MIN: Minutes = 2;

export type SpotNow = KnownSpot &
  SpotStanding & {
    readonly tries: readonly SpotTry[];
    /** The section it lies in; null where none with a tempo holds it whole. */
    readonly section: {
      readonly id: string;
      readonly unit: BeatUnit;
      /** What holds of it by now. */
      readonly heldBpm: Bpm | null;
    } | null;
    /** The fastest at which it held, in the section's unit. */
    readonly bpm: Bpm | null;
    readonly hardness: number;
    /** Clicks below what holds of its section. */
    readonly below: Clicks;
    /** Ways to practise it, the proposed one first. */
    readonly offers: readonly Method[];
  };

type Facts = {
  readonly items: readonly PlanItem[];
  readonly log: readonly Touch[];
  readonly schools?: Partial<Schools> | undefined;
  readonly time: Pick<PracticeTime, 'exceptions'>;
  readonly family: InstrumentFamily | null;
  readonly ways: Ways;
  readonly isHurt: boolean;
};

/** Spots of items that are on the list, hardest first; what the teacher laid first stands before all until it was worked. */
export function spotsOn(known: readonly KnownSpot[], facts: Facts, today: string): SpotNow[] {
  const tries = triesIn(facts.log, known);
  const offersOf = offerMethods({
    spots: known,
    tries,
    family: facts.family,
    ways: facts.ways,
    isHurt: facts.isHurt
  });
  const bySpot = triesBySpot(tries);
  const ordered = inTimeOrder(facts.log);
  const aways = readAways(facts.time.exceptions);
  const sectionsOf = keptOnce<readonly TimedSection[]>();
  const mornings = keptOnce<(date: string) => Bpm | null>();
  const touchesOf = keptOnce<readonly Touch[]>();
  const now = known.flatMap((spot): SpotNow[] => {
    const item = facts.items.find(({ id }) => id === spot.itemId);
    if (!item) return [];
    const schools = schoolsOf(item, facts.schools);
    const { inARow } = schools;
    const own = bySpot.get(spot.id) ?? [];
    const touches = touchesOf(item.id, () => ordered.filter(({ itemId }) => itemId === item.id));
    const here = sectionsOf(item.id, () => readSections(item, touches, schools, dayOf(today), aways)).find(
      (one) => isInside(spot, one.section)
    );
    const section = here
      ? { id: here.section.id, unit: here.target.unit, heldBpm: here.held?.bpm ?? null }
      : null;
    const standing = standOfSpot(spot, own, {
      inARow,
      unit: section?.unit ?? 'quarter',
      heldOn: section
        ? mornings(`${item.id} ${section.id}`, () => morningsOf(item, touches, section.id, schools, aways))
        : () => null
    });
    const bpm = section && spotTempo(own, inARow, section.unit);
    return [
      {
        ...spot,
        ...standing,
        tries: own,
        section,
        bpm,
        hardness: hardnessOf(own, today),
        below:
          section?.heldBpm && bpm !== null
            ? Math.max(0, clicksBetween(bpm, section.heldBpm, section.unit))
            : 0,
        offers: offersOf(spot)
      }
    ];
  });
  return now.sort(
    (a, b) =>
      Number(isFirst(b)) - Number(isFirst(a)) ||
      b.hardness - a.hardness ||
      b.below - a.below ||
      (a.foundOn < b.foundOn ? -1 : a.foundOn > b.foundOn ? 1 : 0)
  );
}

/** What many spots ask alike is made once. */
function keptOnce<T>() {
  const kept = new Map<string, T>();
  return (key: string, make: () => T): T => {
    const value = kept.get(key) ?? make();
    kept.set(key, value);
    return value;
  };
}

/** Laid first by the teacher, and not worked since. */
export const isFirst = ({ firstSinceMs, tries }: Pick<SpotNow, 'firstSinceMs' | 'tries'>): boolean =>
  firstSinceMs !== null && !tries.some(({ atMs }) => atMs > firstSinceMs);

/** What is practised on a day: what is open, and what rests and is due to be asked. */
const isToDo = ({ state, dueOn }: Pick<SpotNow, 'state' | 'dueOn'>, date: string): boolean =>
  state === 'open' || (state === 'resting' && dueOn! <= date);

/**
 * Spots for a block of so many minutes, of those of its section: what rests and is due is asked first, then as many open ones as fit half of
 * the block, at least one where it is long enough.
 */
export function spotsForBlock(
  spots: readonly SpotNow[],
  block: { readonly itemId: string | null; readonly sectionId: string | null; readonly minutes: Minutes },
  date: string
): SpotToDo[] {
  if (block.minutes < LEAST_BLOCK_MIN) return [];
  const most = Math.max(1, Math.floor(block.minutes / 2 / SPOT_MIN));
  const own = spots.filter((spot) => spot.itemId === block.itemId && spot.section?.id === block.sectionId);
  const asked = own.filter((spot) => spot.state === 'resting' && isToDo(spot, date)).slice(0, MOST_ASKED);
  const open = own.filter(({ state }) => state === 'open').slice(0, most);
  const share = Math.min(SPOT_MIN, block.minutes / 2 / Math.max(1, open.length));
  const used: string[] = [];
  const worked = open.map((spot): SpotToDo => {
    const methods = methodsFor(spot, used, share >= TWO_METHODS_MIN ? 2 : 1);
    used.push(...methods);
    const { fromBar, toBar } = (spot.days >= DAYS_TO_REST ? spot.places[0] : null) ?? spot;
    return { id: spot.id, fromBar, toBar, issue: spot.issue, isAsked: false, methods };
  });
  return [
    ...asked.map(({ id, fromBar, toBar, issue }) => ({
      id,
      fromBar,
      toBar,
      issue,
      isAsked: true,
      methods: []
    })),
    ...worked
  ];
}

/** Those prescribed first, none that another spot of the block has. */
function methodsFor({ method, offers }: SpotNow, used: readonly string[], count: number): string[] {
  const free = offers.map(({ id }) => id).filter((id) => id !== method && !used.includes(id));
  return [...(method === null ? [] : [method]), ...free].slice(0, count);
}
