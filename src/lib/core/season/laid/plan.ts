/** A laid plan, as plain values: what the countback draws, the calendar file carries and the plan command prints. */
import type { Bars } from '../facts/chain';
import type { Agreed, ItemKind } from '../facts/request';
import type { CapacityPart, TouchKind } from '../../plan';
import type { Evidence } from '../../practice';
import {
  type BeatUnit,
  type Bpm,
  type Clicks,
  type Minutes,
  type Share,
  type Tempo,
  sayBpm
} from '../../units';

/** A rung to climb, with the minutes it asks for. */
export type Rung = {
  readonly sectionId: string;
  readonly bpm: Bpm;
  /** A link of a chunk chain: the bars that are joined at the target. Null: the whole section at this tempo. */
  readonly bars: Bars | null;
  /** How far up it leads, 0 to 1 of the target: a link by the bars that have been joined. */
  readonly share: Share;
  /** What the metronome says; differs from bpm below 40 and above 208. */
  readonly click: { readonly bpm: Bpm; readonly unit: BeatUnit };
  /** Minutes the rung would ask for by itself: attempts x (one repetition + 10 s) and two to begin. */
  readonly asksMin: Minutes;
  /** Minutes dealt to this rung, and how many of them the log has already seen. */
  readonly minutes: Minutes;
  readonly minutesDone: Minutes;
  /** The arithmetic: seconds of one repetition and expected attempts. */
  readonly seconds: number;
  readonly attempts: number;
};

export type PlannedRung = Rung & {
  /** Date on which its last block is planned; null where no minutes are left for it. */
  readonly date: string | null;
  /** The date set for it by hand, which `date` misses only where that day cannot be kept. */
  readonly pinnedTo: string | null;
};

type HeldReading = {
  readonly bpm: Bpm;
  readonly on: string;
  readonly isAged: boolean;
  /** Held part by part, and run once. Missing in plans of before. */
  readonly isInParts?: boolean | undefined;
  readonly evidence: Evidence;
};

export type PlannedSection = {
  readonly id: string;
  readonly name?: string | undefined;
  readonly fromBar: number;
  readonly toBar: number;
  readonly unit: BeatUnit | null;
  readonly targetBpm: Bpm | null;
  readonly held: HeldReading | null;
  /** Where the ladder starts. */
  readonly startBpm: Bpm | null;
  readonly says: string;
};

/** past: every round that hears it is over. minutes: no tempo to climb. left-out: the teacher leaves it out. */
export type ItemState = 'climbing' | 'holds' | 'minutes' | 'past' | 'left-out';

export type PlannedItem = {
  readonly id: string;
  readonly name: string;
  readonly kind: ItemKind;
  /** Whose it is where another audition of the candidate brings it; shared: it is on this list too. */
  readonly broughtBy?:
    { readonly auditionId: string; readonly name: string; readonly isShared: boolean } | undefined;
  readonly state: ItemState;
  /** Earliest round still ahead that hears it. */
  readonly dayZero: string | null;
  readonly sections: readonly PlannedSection[];
  /** The section with the least share of its target: it sets the item. */
  readonly slowestSectionId: string | null;
  readonly heldShare: Share | null;
  readonly clicksToGo: Clicks | null;
  readonly cleanShare: Share;
  readonly rungs: readonly PlannedRung[];
  readonly askedMin: Minutes;
  readonly shortMin: Minutes;
  /** Minutes of `askedMin` that are less than a block, find no day, and are done without. */
  readonly leftOutMin: Minutes;
  readonly nextTouch: string | null;
};

export type PlannedBlock = {
  readonly itemId: string;
  readonly kind: 'ladder' | 'minutes' | TouchKind;
  readonly minutes: Minutes;
  /** HH:MM local, where the day has start times. */
  readonly start: string | null;
  /** Tempo to work towards: the last rung that is to be reached on this day, else the one its minutes belong to. */
  readonly sectionId: string | null;
  readonly bpm: Bpm | null;
  /** Where it begins: the click of what holds by then, or of the rung before; null where nothing does, or a link of bars is joined. Missing in plans of before. */
  readonly fromClick?: Tempo | null | undefined;
  readonly bars: Bars | null;
  /** What of a long section it works on, and whether all of it is joined afterwards. Missing in plans of before. */
  readonly part?: BlockPart | null | undefined;
  /** Its minutes on this day were set by hand. */
  readonly isPinned: boolean;
};

/** `bars` null: all its parts in turn. */
export type BlockPart = { readonly bars: Bars | null; readonly isJoined: boolean };

/** "bars 24–31, then all"; without the word where a column's head says it. */
export const sayPart = ({ bars, isJoined }: BlockPart, word = 'bars '): string =>
  `${bars ? `${word}${bars.fromBar}–${bars.toBar}` : 'in parts'}${isJoined ? ', then all' : ''}`;

export type PlannedDay = {
  readonly date: string;
  readonly capacityMin: Minutes;
  readonly parts: readonly CapacityPart[];
  readonly plannedMin: Minutes;
  readonly blocks: readonly PlannedBlock[];
};

export type PlannedWeek = {
  readonly weeksToGo: number;
  readonly from: string;
  readonly to: string;
  readonly thereMin: Minutes;
  readonly askedMin: Minutes;
  readonly plannedMin: Minutes;
  /** More than a fifth above the mean of the two weeks before. */
  readonly isJump: boolean;
};

/**
 * One reason why minutes are short. days: these items' windows need more than their days have. most-per-day: one item may not
 * have enough on any one day, so that more minutes do not help. pieces: what is left fits in no block.
 * `shortMin` is always `neededMin` less `thereMin` less `elsewhereMin`.
 */
export type ShortReading = {
  readonly limit: 'days' | 'most-per-day' | 'pieces';
  readonly itemIds: readonly string[];
  /** Days that have too little, as spans over which no other day has minutes. */
  readonly spans: readonly { readonly from: string; readonly to: string }[];
  readonly neededMin: Minutes;
  readonly thereMin: Minutes;
  /** What most-per-day still lets these items have on other days. */
  readonly elsewhereMin: Minutes;
  readonly shortMin: Minutes;
  readonly says: string;
};

/** Minutes short, whose they are (the lowest of the order), and why. */
export type PlannedShortage = {
  readonly minutes: Minutes;
  readonly items: readonly { readonly itemId: string; readonly minutes: Minutes }[];
  readonly reasons: readonly ShortReading[];
};

/** What is presumed, and the minutes of what is short that would not be, if all of it held at its target. */
type Presumed = {
  readonly sections: readonly { readonly itemId: string; readonly sectionId: string; readonly bpm: Bpm }[];
  readonly shortMin: Minutes;
};

/** What could not be kept as a teacher would sign it, of an item or of a day; the other is null. */
export type Unkept = {
  readonly itemId: string | null;
  readonly date: string | null;
  readonly point: 'contact' | 'steps' | 'shape' | 'blocks';
  readonly says: string;
};

type PlannedStages = {
  readonly groundworkTo: string;
  readonly contextFrom: string;
  readonly rampTo: string;
  readonly mockFrom: string;
  readonly lastDaysFrom: string;
};

export type SeasonPlan = {
  readonly today: string;
  readonly began: string;
  /** Next round; null when all are past. */
  readonly nextRoundId: string | null;
  readonly daysToGo: number | null;
  readonly stages: PlannedStages | null;
  readonly items: readonly PlannedItem[];
  readonly days: readonly PlannedDay[];
  readonly weeks: readonly PlannedWeek[];
  readonly short: PlannedShortage | null;
  /** Sections of which nothing is known, presumed to hold at half their target. Missing in plans of before. */
  readonly presumed?: Presumed | null | undefined;
  /** Missing in plans of before. */
  readonly unkept?: readonly Unkept[] | undefined;
  readonly agreed: Agreed;
};

type RungName = {
  readonly sectionId: string | null;
  readonly bpm: Bpm | null;
  readonly bars?: Bars | null | undefined;
};

/** What tells one rung of an item from another. */
export function rungKey({ sectionId, bpm, bars }: RungName): string {
  return `${sectionId} ${bpm}${bars ? ` ${bars.fromBar}-${bars.toBar}` : ''}`;
}

/** The rung that a block works at. */
export function rungOfBlock(item: PlannedItem, block: PlannedBlock): PlannedRung | undefined {
  const key = rungKey(block);
  return item.rungs.find((rung) => rungKey(rung) === key);
}

/** The beat unit of a rung as it was entered; its click may halve or double it. */
export function unitOfRung(
  item: PlannedItem,
  { sectionId, click }: Pick<PlannedRung, 'sectionId' | 'click'>
): BeatUnit {
  return item.sections.find(({ id }) => id === sectionId)?.unit ?? click.unit;
}

/** The bars a block or rung is about: a link's, else its section's. */
export function barsOf(item: PlannedItem, block: Pick<PlannedBlock, 'sectionId' | 'bars'>): Bars | null {
  return block.bars ?? item.sections.find((section) => section.id === block.sectionId) ?? null;
}

/** What a rung is called: its tempo, or the bars that are joined. */
export function sayRung({
  bpm,
  bars
}: {
  readonly bpm: Bpm;
  readonly bars?: Bars | null | undefined;
}): string {
  if (bars) return `b. ${bars.fromBar}–${bars.toBar}`;
  return sayBpm(bpm);
}
