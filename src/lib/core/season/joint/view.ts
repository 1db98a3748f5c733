/** A joint plan as one of its auditions shows it: its own items under their own ids and first, the others' after them, marked. */
import type { Touch } from '../../practice';
import type { Joint } from './join';
import type { PlannedItem, SeasonPlan } from '../laid/plan';

/** What one audition calls the items and sections of a joint plan, as plain values that can cross to a worker. */
export type Names = {
  readonly ownIds: readonly string[];
  /** Joint ids of items and sections, with the audition's own. */
  readonly items: Readonly<Record<string, string>>;
  readonly sections: Readonly<Record<string, string>>;
  /** Whose a joint item is, where it is another audition's. */
  readonly others: Readonly<Record<string, { readonly auditionId: string; readonly name: string }>>;
};

export function namesFor({ live, twins }: Joint, auditionId: string): Names {
  const ownIds = live.find((part) => part.auditionId === auditionId)!.request.items.map((item) => item.id);
  const own = ownIds.flatMap((id) => {
    const twin = twins.get(id);
    return twin ? [{ id, twin }] : [];
  });
  return {
    ownIds,
    items: Object.fromEntries(own.map(({ id, twin }) => [twin.itemId, id])),
    sections: Object.fromEntries(
      own.flatMap(({ twin }) => [...twin.sections].map(([mine, theirs]) => [theirs, mine]))
    ),
    others: Object.fromEntries(
      live
        .filter((part) => part.auditionId !== auditionId)
        .flatMap(({ auditionId: id, name, request }) =>
          request.items.map((item) => [item.id, { auditionId: id, name }])
        )
    )
  };
}

export function viewOf(plan: SeasonPlan, names: Names): SeasonPlan {
  const idOf = (id: string) => names.items[id] ?? id;
  const sectionOf = <T extends string | null>(id: T) =>
    id === null ? id : ((names.sections[id] ?? id) as T);
  const renamed = plan.items.map((item): PlannedItem => {
    const owner = names.others[item.id];
    return {
      ...item,
      ...(owner ? { broughtBy: { ...owner, isShared: item.id in names.items } } : {}),
      id: idOf(item.id),
      slowestSectionId: sectionOf(item.slowestSectionId),
      sections: item.sections.map((s) => ({ ...s, id: sectionOf(s.id) })),
      rungs: item.rungs.map((rung) => ({ ...rung, sectionId: sectionOf(rung.sectionId) }))
    };
  });
  const { presumed, unkept } = plan;
  const { ownIds } = names;
  const place = (item: PlannedItem) => (ownIds.includes(item.id) ? ownIds.indexOf(item.id) : ownIds.length);
  return {
    ...plan,
    items: renamed.sort((a, b) => place(a) - place(b)),
    days: plan.days.map((day) => ({
      ...day,
      blocks: day.blocks.map((b) => ({ ...b, itemId: idOf(b.itemId), sectionId: sectionOf(b.sectionId) }))
    })),
    presumed: presumed && {
      ...presumed,
      sections: presumed.sections.map((one) => ({
        ...one,
        itemId: idOf(one.itemId),
        sectionId: sectionOf(one.sectionId)
      }))
    },
    unkept: unkept?.map((one) => ({ ...one, itemId: one.itemId === null ? null : idOf(one.itemId) })),
    short: plan.short && {
      ...plan.short,
      items: plan.short.items.map((one) => ({ ...one, itemId: idOf(one.itemId) })),
      reasons: plan.short.reasons.map((reason) => ({ ...reason, itemIds: reason.itemIds.map(idOf) }))
    }
  };
}

/** The joint log with the audition's own ids. */
export const logOf = (log: readonly Touch[], names: Names): Touch[] =>
  log.map((touch) => ({ ...touch, itemId: names.items[touch.itemId] ?? touch.itemId }));
