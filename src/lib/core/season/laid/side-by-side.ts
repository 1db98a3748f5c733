/** Two layings beside each other: every rung's date in the one and in the other, the weeks' minutes, and what each lacks. */
import { type Bpm, type Minutes, dayOf } from '../../units';
import type { Bars } from '../facts/chain';
import { type PlannedItem, type PlannedRung, type SeasonPlan, rungKey } from './plan';

/** undefined: not a rung of that laying. null: a rung without minutes. 'holds': reached by then. */
type DateOfRung = string | 'holds' | null | undefined;

type RungPair = {
  readonly sectionId: string;
  readonly bpm: Bpm;
  readonly bars: Bars | null;
  readonly a: DateOfRung;
  readonly b: DateOfRung;
  /** Days later in b than in a; null where one of them has no date. */
  readonly laterBy: number | null;
};

type ItemPair = {
  readonly itemId: string;
  readonly name: string;
  readonly rungs: readonly RungPair[];
  readonly isSame: boolean;
};

type WeekPair = { readonly from: string; readonly a: Minutes | null; readonly b: Minutes | null };

export type SideBySide = { readonly items: readonly ItemPair[]; readonly weeks: readonly WeekPair[] };

/** Items in the order of b, those only in a last; rungs by tempo within their section; weeks that either has ahead. */
export function setSideBySide(a: SeasonPlan, b: SeasonPlan): SideBySide {
  const gone = a.items.filter((item) => !b.items.some((other) => other.id === item.id));
  const items = [...b.items, ...gone].map((item) =>
    pairItem(
      item,
      a.items.find((i) => i.id === item.id),
      b.items.find((i) => i.id === item.id)
    )
  );
  const froms = [...new Set([...a.weeks, ...b.weeks].map((w) => w.from))].sort();
  const planned = (plan: SeasonPlan, from: string) =>
    plan.weeks.find((w) => w.from === from)?.plannedMin ?? null;
  return { items, weeks: froms.map((from) => ({ from, a: planned(a, from), b: planned(b, from) })) };
}

function pairItem(item: PlannedItem, a: PlannedItem | undefined, b: PlannedItem | undefined): ItemPair {
  const keys = new Map<string, PlannedRung>();
  for (const rung of [...(a?.rungs ?? []), ...(b?.rungs ?? [])]) keys.set(rungKey(rung), rung);
  const dateIn = (side: PlannedItem | undefined, key: string): DateOfRung =>
    side?.rungs.find((r) => rungKey(r) === key)?.date;
  const readIn = (
    side: PlannedItem | undefined,
    key: string,
    { sectionId, bpm }: PlannedRung
  ): DateOfRung => {
    const held = side?.sections.find((s) => s.id === sectionId)?.held;
    return dateIn(side, key) === undefined && held && held.bpm >= bpm ? 'holds' : dateIn(side, key);
  };
  const rungs = [...keys].map(([key, rung]): RungPair => {
    const [inA, inB] = [dateIn(a, key), dateIn(b, key)];
    const laterBy = inA && inB ? dayOf(inB) - dayOf(inA) : null;
    const { sectionId, bpm, bars = null } = rung;
    return { sectionId, bpm, bars, a: readIn(a, key, rung), b: readIn(b, key, rung), laterBy };
  });
  const order = new Map(item.sections.map((s, i) => [s.id, i]));
  rungs.sort((x, y) => (order.get(x.sectionId) ?? 0) - (order.get(y.sectionId) ?? 0) || x.bpm - y.bpm);
  return { itemId: item.id, name: item.name, rungs, isSame: rungs.every((r) => r.a === r.b) };
}
