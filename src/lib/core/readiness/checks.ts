/**
 * Readiness: a chain, not an average. Each check has evidence with a date and a shelf life; an item is as ready as
 * its weakest required check, the audition as its weakest item, and the next action follows from that.
 * Only checks that can be answered from a list, a log and a tick are here. Source: handbook section 8 (common practice).
 */
import type { DayNumber } from '../units';

const LIST = new Intl.ListFormat('en-GB');

/** Order is the chain's: what comes first is weakest when it is missing. */
export const CHECKS = [
  {
    kind: 'edition',
    shelfDays: null,
    isTicked: true,
    asks: 'edition right',
    does: 'Compare the edition with the call and write it down.'
  },
  {
    kind: 'errata',
    shelfDays: 28,
    isTicked: true,
    asks: 'errata entered',
    does: 'Look at the call again for errata and enter them.'
  },
  {
    kind: 'bars',
    shelfDays: null,
    isTicked: true,
    asks: 'bars numbered',
    does: 'Number the bars in the part.'
  },
  {
    kind: 'decisions',
    shelfDays: null,
    isTicked: true,
    asks: 'decisions locked',
    does: 'Settle breaths, fingerings and articulation, and write them in.'
  },
  { kind: 'tempo', shelfDays: 14, isTicked: false, asks: 'tempo holds', does: '' },
  { kind: 'elements', shelfDays: 14, isTicked: false, asks: 'all elements hold', does: '' },
  {
    kind: 'straight',
    shelfDays: 14,
    isTicked: true,
    asks: 'straight through without stopping',
    does: 'Run it once without stopping, without click.'
  },
  {
    kind: 'cold',
    shelfDays: 14,
    isTicked: true,
    asks: 'cold, first thing, first attempt',
    does: 'Play it tomorrow before anything else, once.'
  },
  {
    kind: 'anywhere',
    shelfDays: 21,
    isTicked: true,
    asks: 'from any bar that is named',
    does: 'Let someone name five bars and start from each.'
  },
  {
    kind: 'context',
    shelfDays: 28,
    isTicked: true,
    asks: 'in context',
    does: 'Play it with what sounds a minute before and after.'
  },
  { kind: 'mock', shelfDays: 21, isTicked: false, asks: 'same in a mock as in practice', does: '' }
] as const;

export type CheckKind = (typeof CHECKS)[number]['kind'];
export const TICKED_CHECKS: readonly CheckKind[] = CHECKS.filter((c) => c.isTicked).map((c) => c.kind);

/** "not yet": no evidence. "ask again": evidence past its shelf life. */
type CheckState = 'holds' | 'ask again' | 'not yet';

export type ReadItem = {
  readonly id: string;
  readonly name: string;
  /** Free items and sight-reading have no tempo to hold. */
  readonly hasTempo: boolean;
  /** Fresh pages: no edition, no bars, only going on and doing so at once. */
  readonly isSightReading: boolean;
  readonly heldOn: DayNumber | null;
  readonly isAtTarget: boolean;
  readonly heldShare: number | null;
  readonly says: string;
  /** Latest touch at which an element did not hold, and which, where none held since. */
  readonly openElements: readonly string[];
  readonly lastTouch: DayNumber | null;
  readonly ticks: Readonly<Partial<Record<CheckKind, DayNumber>>>;
  /** The latest mock before a panel that heard it: its day, and the gap between practice and it in words; null where practice says too little. */
  readonly mock: { readonly on: DayNumber; readonly gap: number | null; readonly says: string } | null;
};

type CheckReading = {
  readonly kind: CheckKind;
  readonly asks: string;
  readonly state: CheckState;
  readonly on: DayNumber | null;
  readonly says: string;
};
export type ItemReadiness = {
  readonly id: string;
  readonly name: string;
  readonly checks: readonly CheckReading[];
  readonly holding: number;
  readonly weakest: CheckReading | null;
  readonly nextAction: string;
};

/** Every item's checks, the weakest item first; ties keep the list's order. */
export function readReadiness(items: readonly ReadItem[], today: DayNumber): ItemReadiness[] {
  return items
    .map((item) => readItem(item, today))
    .map((reading, index) => ({ reading, index, share: items[index]!.heldShare ?? 0 }))
    .sort((a, b) => chainAt(a.reading) - chainAt(b.reading) || a.share - b.share || a.index - b.index)
    .map(({ reading }) => reading);
}

/** How far along the chain the first open check stands; the chain's length where none is open. */
function chainAt(reading: ItemReadiness): number {
  const at = reading.checks.findIndex((check) => check.state !== 'holds');
  return at < 0 ? CHECKS.length : CHECKS.findIndex((c) => c.kind === reading.checks[at]!.kind);
}

function readItem(item: ReadItem, today: DayNumber): ItemReadiness {
  const checks = CHECKS.filter((c) => isRequired(c.kind, item)).map((check): CheckReading => {
    const on =
      check.kind === 'tempo'
        ? item.isAtTarget
          ? item.heldOn
          : null
        : check.kind === 'elements'
          ? elementsOn(item)
          : check.kind === 'mock'
            ? mockOn(item)
            : (item.ticks[check.kind] ?? null);
    const isOld = on !== null && check.shelfDays !== null && today - on > check.shelfDays;
    const state: CheckState = on === null ? 'not yet' : isOld ? 'ask again' : 'holds';
    return {
      kind: check.kind,
      asks: check.asks,
      state,
      on,
      says:
        check.kind === 'tempo'
          ? item.says
          : check.kind === 'mock'
            ? (item.mock?.says ?? '')
            : sayElements(check.kind, item)
    };
  });
  const weakest = checks.find((check) => check.state !== 'holds') ?? null;
  return {
    id: item.id,
    name: item.name,
    checks,
    holding: checks.filter((c) => c.state === 'holds').length,
    weakest,
    nextAction: nextAction(weakest, item)
  };
}

const SIGHT_READING_CHECKS: readonly CheckKind[] = ['straight', 'cold'];

function isRequired(kind: CheckKind, item: ReadItem): boolean {
  if (item.isSightReading) return SIGHT_READING_CHECKS.includes(kind);
  return item.hasTempo || (kind !== 'tempo' && kind !== 'elements');
}

/** It holds where a panel heard no less than practice says. */
const mockOn = ({ mock }: ReadItem): DayNumber | null =>
  mock !== null && mock.gap !== null && mock.gap <= 0 ? mock.on : null;

function elementsOn(item: ReadItem): DayNumber | null {
  return item.openElements.length === 0 ? item.heldOn : null;
}

function sayElements(kind: CheckKind, item: ReadItem): string {
  return kind === 'elements' && item.openElements.length > 0 ? item.openElements.join(', ') : '';
}

function nextAction(weakest: CheckReading | null, item: ReadItem): string {
  if (!weakest) return 'Keep it warm: a short touch every four days, a run a week.';
  if (weakest.kind === 'tempo')
    return weakest.state === 'ask again'
      ? 'Show the tempo again: it has not been heard for a fortnight.'
      : `Climb: ${item.says}.`;
  if (weakest.kind === 'elements') {
    return item.openElements.length > 0
      ? `One click lower until ${LIST.format(item.openElements)} hold too.`
      : 'Log a block in which all elements hold.';
  }
  if (weakest.kind === 'mock')
    return item.mock?.gap && item.mock.gap > 0
      ? `Close the gap: ${item.mock.says}. Then let the next mock hear it.`
      : 'Let a mock before the teacher or a jury hear it.';
  return CHECKS.find((c) => c.kind === weakest.kind)!.does;
}
