/**
 * What happened since a day, item by item, as a lesson wants it: how often and how long it was played, what came to hold, and
 * where it stuck. Only the log is asked; nothing is judged.
 */
import { type Touch, inTimeOrder } from '../../practice';
import { clicksBetween } from '../../tempo';
import { type Bpm, type BeatUnit, type Clicks, type DayNumber, type Minutes, dayOf } from '../../units';
import { readSections } from './held-sections';
import { type Schools, type SeasonItem, schoolsOf } from '../facts/request';

/** One place where something did not hold yet, the latest first. */
type Stuck = {
  readonly date: string;
  readonly fromBar: number | null;
  readonly toBar: number | null;
  readonly bpm: Bpm | null;
  readonly unit: BeatUnit | null;
  /** Elements and the note, as they were logged. */
  readonly says: string;
};

type SectionSince = {
  readonly sectionId: string;
  readonly fromBar: number;
  readonly toBar: number;
  readonly unit: BeatUnit;
  readonly targetBpm: Bpm;
  readonly before: Bpm | null;
  readonly now: Bpm | null;
  /** Clicks gained, negative where less holds than before; null where one of them is unknown. */
  readonly clicks: Clicks | null;
};

export type ItemSince = {
  readonly itemId: string;
  readonly touches: number;
  readonly minutes: Minutes;
  readonly sections: readonly SectionSince[];
  readonly stuck: readonly Stuck[];
};

/** More places than this are for the log itself. */
const MOST_STUCK = 3;

/** Items in the list's order. `since` counts, `today` too; `log` is the whole log. */
export function readSince(
  items: readonly SeasonItem[],
  log: readonly Touch[],
  general: Partial<Schools> | undefined,
  since: DayNumber,
  today: DayNumber
): ItemSince[] {
  const ordered = inTimeOrder(log).filter((touch) => dayOf(touch.date) <= today);
  return items.map((item) => {
    const touches = ordered.filter((touch) => touch.itemId === item.id);
    const before = touches.filter((touch) => dayOf(touch.date) < since);
    const lately = touches.slice(before.length);
    const schools = schoolsOf(item, general);
    const was = readSections(item, before, schools, since, []);
    return {
      itemId: item.id,
      touches: new Set(lately.map((touch) => touch.id)).size,
      minutes: lately.reduce((sum, touch) => sum + touch.minutes, 0),
      sections: readSections(item, touches, schools, today, []).map(({ section, target, held }, i) => {
        const [from, to] = [was[i]!.held?.bpm ?? null, held?.bpm ?? null];
        const { unit, targetBpm } = target;
        const clicks = from === null || to === null ? null : clicksBetween(from, to, unit);
        const { id: sectionId, fromBar, toBar } = section;
        return { sectionId, fromBar, toBar, unit, targetBpm, before: from, now: to, clicks };
      }),
      stuck: lately.flatMap(stuckAt).reverse().filter(isLatestOfDay).slice(0, MOST_STUCK)
    };
  });
}

/** The same bars of one day are named once, as they were last. */
const isLatestOfDay = (one: Stuck, i: number, all: readonly Stuck[]) =>
  all.findIndex((s) => s.date === one.date && s.fromBar === one.fromBar && s.toBar === one.toBar) === i;

function stuckAt(touch: Touch): Stuck[] {
  const elements = touch.notHeld ?? [];
  const isOpen = touch.attempts?.endsWith('n') === true;
  if (elements.length === 0 && !isOpen) return [];
  return [
    {
      date: touch.date,
      fromBar: touch.fromBar ?? null,
      toBar: touch.toBar ?? touch.fromBar ?? null,
      bpm: touch.tempoBpm ?? null,
      unit: touch.unit ?? null,
      says: [elements.join(', '), touch.note ?? ''].filter(Boolean).join(' · ')
    }
  ];
}
