/** A joint plan as one of its auditions shows it: its own items under their own ids and first, the others' after them, marked. */
import type { Joint } from './join';
import type { PlannedItem, SeasonPlan } from './plan';

export function viewOf(plan: SeasonPlan, { live, twins }: Joint, auditionId: string): SeasonPlan {
  const own = live.find((part) => part.auditionId === auditionId)!;
  const ownIds = own.request.items.map((item) => item.id);
  // a joint item and its sections as this audition calls them
  const items = new Map<string, string>();
  const sections = new Map<string, string>();
  for (const id of ownIds) {
    const twin = twins.get(id);
    if (!twin) continue;
    items.set(twin.itemId, id);
    for (const [mine, theirs] of twin.sections) sections.set(theirs, mine);
  }
  const idOf = (id: string) => items.get(id) ?? id;
  const sectionOf = <T extends string | null>(id: T) => (id === null ? id : ((sections.get(id) ?? id) as T));
  const renamed = plan.items.map((item): PlannedItem => {
    const owner = live.find((part) => part.request.items.some((i) => i.id === item.id))!;
    const other =
      owner.auditionId === auditionId
        ? {}
        : { of: { auditionId: owner.auditionId, name: owner.name, isShared: items.has(item.id) } };
    return {
      ...item,
      ...other,
      id: idOf(item.id),
      slowestSectionId: sectionOf(item.slowestSectionId),
      sections: item.sections.map((s) => ({ ...s, id: sectionOf(s.id) })),
      rungs: item.rungs.map((rung) => ({ ...rung, sectionId: sectionOf(rung.sectionId) }))
    };
  });
  const place = (item: PlannedItem) => (ownIds.includes(item.id) ? ownIds.indexOf(item.id) : ownIds.length);
  return {
    ...plan,
    items: renamed.sort((a, b) => place(a) - place(b)),
    days: plan.days.map((day) => ({
      ...day,
      blocks: day.blocks.map((b) => ({ ...b, itemId: idOf(b.itemId), sectionId: sectionOf(b.sectionId) }))
    })),
    short: plan.short && {
      ...plan.short,
      items: plan.short.items.map((one) => ({ ...one, itemId: idOf(one.itemId) })),
      reasons: plan.short.reasons.map((reason) => ({ ...reason, itemIds: reason.itemIds.map(idOf) }))
    }
  };
}
