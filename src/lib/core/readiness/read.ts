/**
 * How ready an item is: each check from its latest evidence, which ages. A chain, not an average: an item is as ready as its weakest required
 * check, the audition as its weakest item. Source: the mock model, section 6.
 */
import type { CheckLevels } from '../record';
import type { CheckKind, CheckLevel, Evidence as By, ItemKind } from '../record/words';
import type { DayNumber } from '../units';
import { type Check, CHECKS, levelOf } from './checks';

/** What one day showed of a check. */
export type Evidence = {
  readonly check: CheckKind;
  readonly on: DayNumber;
  readonly isHeld: boolean;
  readonly by: By;
  /** What it was, or what is missing; empty where somebody only said so. */
  readonly says: string;
};

export type ReadItem = {
  readonly id: string;
  readonly name: string;
  readonly kind: ItemKind;
  /** Free music has no tempo to hold. */
  readonly hasTempo: boolean;
  /** What is set otherwise than by default. */
  readonly levels: CheckLevels;
  /** The day of the round that hears it first. */
  readonly roundOn: DayNumber;
  /** In any order. */
  readonly evidence: readonly Evidence[];
};

/** "not yet": no evidence, or the latest is against it. "ask again": past its shelf life. */
type CheckState = 'holds' | 'ask again' | 'not yet';

export type CheckReading = Pick<Check, 'kind' | 'asks' | 'block' | 'does'> & {
  readonly level: CheckLevel;
  readonly state: CheckState;
  readonly latest: Evidence | null;
  /** The last day on which its evidence counts; null where it does not age, or there is none. */
  readonly lastsTo: DayNumber | null;
  /** Newest first. */
  readonly history: readonly Evidence[];
};

export type ItemReadiness = {
  readonly id: string;
  readonly name: string;
  readonly roundOn: DayNumber;
  /** All of them, in the order of the chain, those that are off too. */
  readonly checks: readonly CheckReading[];
  readonly state: CheckState;
  readonly openCount: number;
  readonly agedCount: number;
};

/** The weakest first: most that is not yet there, then most that has aged, then what ages soonest; ties keep the list's order. */
export function readReadiness(items: readonly ReadItem[], today: DayNumber): ItemReadiness[] {
  return items
    .map((item) => readItem(item, today))
    .map((reading, index) => ({ reading, index, soonest: soonestOf(reading) }))
    .sort(
      (a, b) =>
        b.reading.openCount - a.reading.openCount ||
        b.reading.agedCount - a.reading.agedCount ||
        a.soonest - b.soonest ||
        a.index - b.index
    )
    .map(({ reading }) => reading);
}

export const isRequired = ({ level }: Pick<CheckReading, 'level'>) => level === 'required';

const soonestOf = ({ checks }: ItemReadiness): number =>
  // a number that sorts, where nothing ages
  Math.min(Number.MAX_SAFE_INTEGER, ...checks.filter(isRequired).flatMap(({ lastsTo }) => lastsTo ?? []));

function readItem(item: ReadItem, today: DayNumber): ItemReadiness {
  const checks = CHECKS.map((check) => readCheck(check, item, today));
  const countOf = (state: CheckState) =>
    checks.filter((check) => isRequired(check) && check.state === state).length;
  const [openCount, agedCount] = [countOf('not yet'), countOf('ask again')];
  const state = openCount > 0 ? 'not yet' : agedCount > 0 ? 'ask again' : 'holds';
  return { id: item.id, name: item.name, roundOn: item.roundOn, checks, state, openCount, agedCount };
}

function readCheck(
  { kind, asks, shelfDays, block, does }: Check,
  item: ReadItem,
  today: DayNumber
): CheckReading {
  const history = item.evidence
    .map((evidence, index) => ({ evidence, index }))
    .filter(({ evidence }) => evidence.check === kind && evidence.on <= today)
    // of one day the later counts
    .sort((a, b) => b.evidence.on - a.evidence.on || b.index - a.index)
    .map(({ evidence }) => evidence);
  const latest = history[0] ?? null;
  const isHeld = latest?.isHeld === true;
  const lastsTo = isHeld && shelfDays !== null ? latest.on + shelfDays : null;
  const isAged = lastsTo !== null && lastsTo < today;
  return {
    kind,
    asks,
    block,
    does,
    level: levelOf(kind, item),
    state: !isHeld ? 'not yet' : isAged ? 'ask again' : 'holds',
    latest,
    lastsTo,
    history
  };
}

/** Required checks that hold today and will be too old on the day of their round. */
export const ageingBefore = ({ checks, roundOn }: ItemReadiness): readonly CheckReading[] =>
  checks.filter(
    (check) =>
      isRequired(check) && check.state === 'holds' && check.lastsTo !== null && check.lastsTo < roundOn
  );
