/** What moved between two layings, and why: the list a person reads after the plan was laid again. */
import { type Bpm, dayOf } from '../../units';
import type { Bars } from '../facts/chain';
import { type PlannedItem, type PlannedRung, type SeasonPlan, rungKey } from './plan';

type MoveWhy =
  'holds' | 'not-reached' | 'later' | 'earlier' | 'no-minutes' | 'minutes-again' | 'new' | 'dropped';

export type Move = {
  readonly itemId: string;
  readonly itemName: string;
  readonly sectionId: string;
  readonly bpm: Bpm;
  readonly bars: Bars | null;
  readonly from: string | null;
  readonly to: string | null;
  readonly why: MoveWhy;
};

/** Moves in the list's order; rungs that kept their date are not named. Items new to the list come as one 'new' of their last rung. */
export function compareLayings(before: SeasonPlan, after: SeasonPlan): Move[] {
  const old = new Map(before.items.map((item) => [item.id, item]));
  const gone = before.items.filter((item) => !after.items.some((a) => a.id === item.id));
  return [
    ...after.items.flatMap((item) => {
      const was = old.get(item.id);
      return was ? compareItem(was, item, before.today, after.today) : lastRung(item, 'new');
    }),
    ...gone.flatMap((item) => lastRung(item, 'dropped'))
  ];
}

function lastRung(item: PlannedItem, why: 'new' | 'dropped'): Move[] {
  const rung = item.rungs.at(-1);
  if (!rung) return [];
  const [from, to] = why === 'new' ? [null, rung.date] : [rung.date, null];
  return [moveOf(item, rung, from, to, why)];
}

const moveOf = (
  item: PlannedItem,
  rung: PlannedRung,
  from: string | null,
  to: string | null,
  why: MoveWhy
): Move => ({
  itemId: item.id,
  itemName: item.name,
  sectionId: rung.sectionId,
  bpm: rung.bpm,
  bars: rung.bars ?? null,
  from,
  to,
  why
});

function compareItem(was: PlannedItem, is: PlannedItem, oldToday: string, today: string): Move[] {
  const same = (a: PlannedRung) => (b: PlannedRung) => rungKey(a) === rungKey(b);
  const left = was.rungs.flatMap((rung) => {
    const now = is.rungs.find(same(rung));
    const held = is.sections.find((s) => s.id === rung.sectionId)?.held;
    if (!now) return [moveOf(is, rung, rung.date, null, held && held.bpm >= rung.bpm ? 'holds' : 'dropped')];
    if (now.date === rung.date) return [];
    return [moveOf(is, rung, rung.date, now.date, whyMoved(rung.date, now.date, oldToday, today))];
  });
  const added = is.rungs.filter((rung) => !was.rungs.some(same(rung)));
  return [...left, ...added.map((rung) => moveOf(is, rung, null, rung.date, 'new'))];
}

function whyMoved(from: string | null, to: string | null, oldToday: string, today: string): MoveWhy {
  if (to === null) return 'no-minutes';
  if (from === null) return 'minutes-again';
  const wasDue = dayOf(from) < dayOf(today) || (from === oldToday && dayOf(to) > dayOf(from));
  if (wasDue) return 'not-reached';
  return dayOf(to) > dayOf(from) ? 'later' : 'earlier';
}
