/** What Today and the desk are shown from, and a spot as every page shows it. */
import type { NoteSpread } from '../../pitch';
import type { EquipmentMark, Ways } from '../../practice';
import type { DeskEvent, InstrumentFamily, ItemKind, RoadBlock, Task } from '../../record';
import type { ScalesStanding } from '../day/scales';
import { type SpotNow, isFirst } from '../day/spots';

/** A spot as its pages and the desk show it. */
export type SpotView = Pick<
  SpotNow,
  | 'id'
  | 'itemId'
  | 'fromBar'
  | 'toBar'
  | 'issue'
  | 'notHeld'
  | 'foundBy'
  | 'foundOn'
  | 'elsewhere'
  | 'state'
  | 'days'
  | 'dueOn'
  | 'places'
  | 'section'
  | 'bpm'
  | 'method'
> & {
  readonly isFirst: boolean;
  /** Methods, by id, the proposed one first. */
  readonly offers: readonly string[];
};

export const viewOfSpot = (spot: SpotNow): SpotView => ({
  id: spot.id,
  itemId: spot.itemId,
  fromBar: spot.fromBar,
  toBar: spot.toBar,
  issue: spot.issue,
  notHeld: spot.notHeld,
  foundBy: spot.foundBy,
  foundOn: spot.foundOn,
  elsewhere: spot.elsewhere,
  state: spot.state,
  days: spot.days,
  dueOn: spot.dueOn,
  places: spot.places,
  section: spot.section,
  bpm: spot.bpm,
  method: spot.method,
  isFirst: isFirst(spot),
  offers: spot.offers.map(({ id }) => id)
});

/** A pain that was said at the desk and is not yet said to be well. */
export type HurtView = { readonly since: string; readonly isTold: boolean };

/** An item as the desk shows it. */
export type DeskItem = {
  readonly id: string;
  readonly name: string;
  readonly kind: ItemKind;
  readonly composer: string;
  readonly pages: string;
  readonly metre: string;
  readonly fromBar: number;
  readonly toBar: number;
  readonly barsPerLine?: string | undefined;
  readonly pickupBeats?: number | undefined;
  /** To think of before it is played; empty where nobody said. */
  readonly thought: string;
};

export const deskItemOf = (item: DeskItem): DeskItem => ({
  id: item.id,
  name: item.name,
  thought: item.thought,
  kind: item.kind,
  composer: item.composer,
  pages: item.pages,
  metre: item.metre,
  fromBar: item.fromBar,
  toBar: item.toBar,
  barsPerLine: item.barsPerLine,
  pickupBeats: item.pickupBeats
});

/** What Today and the desk are shown from. */
export type TodayView = {
  readonly audition: { readonly id: string; readonly name: string };
  readonly candidate: { readonly id: string; readonly name: string };
  readonly today: string;
  /** What the clock gives today, in minutes. */
  readonly thereMin: number;
  readonly roadMap: readonly RoadBlock[];
  /** Fundamentals that are due and have no minutes today. */
  readonly waiting: readonly string[];
  /** Blocks that can be put in besides: one for each item, then probes and what is for the microscope. */
  readonly canAdd: readonly Omit<RoadBlock, 'id'>[];
  readonly tomorrow: { readonly date: string; readonly roadMap: readonly RoadBlock[] };
  readonly events: readonly DeskEvent[];
  readonly items: readonly DeskItem[];
  readonly lessonNote: { readonly date: string; readonly note: string } | null;
  /** Of all items that are played, hardest first. */
  readonly spots: readonly SpotView[];
  /** Of what the candidate plays; null where it is not known. */
  readonly family: InstrumentFamily | null;
  /** Tasks around the audition that are due in a week, or were before. */
  readonly due: readonly Task[];
  /** What a light day before the round is for; null on others. */
  readonly light: string | null;
  /** Null where nothing hurts, as far as was said. */
  readonly hurt: HurtView | null;
  readonly ways: Ways;
  /** This week asks more than a fifth above the two before. */
  readonly isJump: boolean;
  /** A guardian has not said yes: nobody is recorded. */
  readonly isAskedFirst: boolean;
  /** Of the scales that were played by key. */
  readonly scales: readonly ScalesStanding[];
  /** What was changed of the instrument lately, oldest first. */
  readonly equipment: readonly EquipmentMark[];
  /** Where their notes lie, as the tuner has heard. */
  readonly tones: readonly NoteSpread[];
};
