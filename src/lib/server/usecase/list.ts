/**
 * The list: items with what is printed, the list's and of all who took it, and what is one candidate's own. A correction
 * is laid into every taker's plan.
 */
import type { Evidence } from '../../core/record/words';
import { targetOf } from '../../core/tempo';
import type { CallEffect, HoldsAsked } from '../../schema/view';
import type { App } from '../app';
import { applyChange, carryOut } from '../change/apply';
import { boundCount } from '../change/bounds';
import { type ItemInput, boundItem, ownOf, printedOf, todayOf } from '../change/item-place';
import { CodedError, orNotFound } from '../errors';
import { findAudition, takersOf } from '../store/audition';
import * as items from '../store/item';
import { heldDaysOf } from '../store/said-check';
import { heldBefore } from './before';
import { candidateOfAudition } from './owner';
import { readSeason } from '../laying/facts';
import { layForTakers } from '../laying/lay';
import { planOf } from '../laying/plan';
import { effectOn } from './effect';
import { spotsOfSeason } from './spots';
import { useCase } from './use-case';
import { usualSchools } from './usual';

/** The list in order, with what holds of each item, and who else took it. */
export const readList = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run: (app: App, input: { auditionId: string }) => {
    const season = readSeason(app, input.auditionId);
    const plan = planOf(app, season)?.plan ?? null;
    return {
      audition: season.audition,
      candidate: season.candidate,
      items: season.items,
      ticks: Object.fromEntries(season.items.map((item) => [item.id, itemTicks(app, item)])),
      today: season.request.today,
      /** Sections as the plan knows them, by item: what holds of each. */
      planned: Object.fromEntries(plan?.items.map(({ id, sections }) => [id, sections]) ?? []),
      /** Spots that are not laid to rest. */
      spots: spotsOfSeason(app, season, season.request.today)
        .filter(({ state }) => state !== 'at-rest')
        .map(({ itemId, fromBar, toBar, issue }) => ({ itemId, fromBar, toBar, issue })),
      groundworkTo: plan?.stages?.groundworkTo ?? null
    };
  }
});

/** Ticks with their dates; errata that came after theirs take it away: they are to be entered. */
export function itemTicks(app: App, { id, errata }: Pick<items.ListItem, 'id' | 'errata'>) {
  const ticks = heldDaysOf(app.db, id);
  const isOutdated = ticks.errata !== undefined && errata.some((erratum) => erratum.addedOn > ticks.errata!);
  return isOutdated ? { ...ticks, errata: undefined } : ticks;
}

/** An item for its editor, with who else takes the list, and what holds of it. */
export const readItem = useCase({
  rule: 'teacher',
  run: (app: App, input: { itemId: string }) => {
    const item = orNotFound(items.findItem(app.db, input.itemId));
    const season = readSeason(app, item.auditionId);
    const plan = planOf(app, season)?.plan;
    const takers = takersOf(app.db, season.audition.callId);
    const planned = plan?.items.find((i) => i.id === item.id)?.sections ?? [];
    const log = season.log.filter((touch) => touch.itemId === item.id);
    return { item, takers, planned, log };
  }
});

/** Opens the editor of a new item: the candidate's day, and what is usual. */
export const prepareItem = useCase({
  rule: 'teacher',
  run: (app: App, input: { auditionId: string }) => ({
    today: todayOf(app, input.auditionId),
    /** How new items climb in this studio. */
    usual: usualSchools(app)
  })
});

/**
 * Adds an item at the end of the list, for all who took it, and returns its id in this audition. Sections without an id
 * get one.
 */
export const addItem = useCase({
  rule: 'teacher',
  run: (app: App, input: { auditionId: string; item: ItemInput }) => {
    const id = putItem(app, input.auditionId, input.item);
    const { callId } = orNotFound(findAudition(app.db, input.auditionId));
    layForTakers(app, callId, `${input.item.name} added`);
    return id;
  }
});

function putItem(app: App, to: string, typed: ItemInput): string {
  const { callId } = orNotFound(findAudition(app.db, to));
  const item = withSectionIds(app, typed);
  boundCount('items', items.listItemIds(app.db, callId).length + 1);
  boundItem(app, to, item);
  const listItemId = app.newId();
  items.addPrinted(app.db, callId, listItemId, printedOf(item, item.sections, todayOf(app, to)));
  const id = app.newId();
  const schools = usualSchools(app);
  for (const { auditionId } of takersOf(app.db, callId)) {
    const isThis = auditionId === to;
    const place = { id: isThis ? id : app.newId(), auditionId, listItemId };
    items.addOwn(app.db, place, { ...(isThis ? ownOf(item) : { schools }), ownSections: null });
  }
  return id;
}

/** Adds several items at once, all or none; a name that is on the list already is refused. */
export const addItems = useCase({
  rule: 'teacher',
  run: (app: App, input: { auditionId: string; items: readonly ItemInput[] }) => {
    refuseTwice(items.itemsOf(app.db, input.auditionId), input.items);
    const usual = usualSchools(app);
    for (const item of input.items)
      putItem(app, input.auditionId, { ...item, schools: { ...usual, ...item.schools } });
    const { callId } = orNotFound(findAudition(app.db, input.auditionId));
    layForTakers(app, callId, `${input.items.length} items added`);
  }
});

/** Throws CodedError "on-the-list" where a name would be there twice. */
export function refuseTwice(
  there: readonly { readonly name: string }[],
  added: readonly { readonly name: string }[]
): void {
  const names = new Set(there.map(({ name }) => name));
  const twice = added.find(({ name }) => names.size === names.add(name).size);
  if (twice)
    throw new CodedError('on-the-list', `“${twice.name}” is on the list already. Nothing was added.`);
}

/** What a changed item would do to the plan of everyone who takes the list; nothing is saved. */
export const previewItem = useCase({
  rule: 'teacher',
  run: (app: App, input: { itemId: string; item: ItemInput }): CallEffect[] => {
    const { auditionId } = orNotFound(items.findItem(app.db, input.itemId));
    const { callId } = orNotFound(findAudition(app.db, auditionId));
    return effectOn(app, takersOf(app.db, callId), changeItem(app, input));
  }
});

/** The sections whose tempo can be asked for, in the list's order, with what holds of them as far as it is known. */
export const prepareHolds = useCase({
  rule: 'teacher',
  run: (app: App, input: { auditionId: string }): HoldsAsked[] => {
    const season = readSeason(app, input.auditionId);
    const before = heldBefore(app, season);
    const planned = planOf(app, season)?.plan?.items ?? [];
    return season.items.flatMap((item) =>
      item.sections.flatMap(({ id, name = '', fromBar, toBar, tempo }) => {
        const target = targetOf(tempo);
        const section = planned.find((one) => one.id === item.id)?.sections.find((one) => one.id === id);
        return target
          ? [
              {
                ...{ itemId: item.id, sectionId: id, itemName: item.name, kind: item.kind },
                ...{ name, fromBar, toBar, target, isKnown: !!section?.held, says: section?.says ?? '' },
                before: before(item, id)
              }
            ]
          : [];
      })
    );
  }
});

/** Says of several sections what holds today, as one change; the plan is laid from it. Returns the secret by which it can be taken back. */
export const sayHolds = useCase({
  rule: 'teacher',
  run: (
    app: App,
    input: {
      auditionId: string;
      evidence: Evidence;
      holds: readonly { readonly itemId: string; readonly sectionId: string; readonly bpm: number }[];
    }
  ) => {
    const { candidateId } = orNotFound(findAudition(app.db, input.auditionId));
    const on = todayOf(app, input.auditionId);
    const edits = items.itemsOf(app.db, input.auditionId).flatMap((item) => {
      const said = input.holds.filter(({ itemId }) => itemId === item.id);
      if (said.length === 0) return [];
      const stays = (item.holdsNow ?? []).filter((one) => !said.some((s) => s.sectionId === one.sectionId));
      const now = item.sections.flatMap(({ id, tempo }) => {
        const bpm = said.find(({ sectionId }) => sectionId === id)?.bpm;
        const target = targetOf(tempo);
        return bpm !== undefined && target
          ? [{ sectionId: id, bpm, unit: target.unit, evidence: input.evidence, on }]
          : [];
      });
      const { version: _, ...to } = item;
      return [
        { kind: 'item', about: { itemId: item.id }, to: { ...to, holdsNow: [...stays, ...now] } } as const
      ];
    });
    return edits.length === 0 ? null : applyChange(app, { candidateId, edits, cause: 'what holds was said' });
  }
});

function changeItem(app: App, { itemId, item }: { itemId: string; item: ItemInput }) {
  const to = withSectionIds(app, item);
  return { edits: [{ kind: 'item', about: { itemId }, to } as const], cause: `${item.name} changed` };
}

/** Returns the secret by which it can be taken back. */
export const saveItem = useCase({
  rule: 'teacher',
  run: (app: App, input: { itemId: string; item: ItemInput; version: number }) => {
    const before = orNotFound(items.findItem(app.db, input.itemId));
    if (before.version !== input.version) throw new CodedError('changed-elsewhere');
    const { candidateId } = orNotFound(findAudition(app.db, before.auditionId));
    return applyChange(app, { candidateId, ...changeItem(app, input) });
  }
});

/** What is new among its sections gets an id. */
export function withSectionIds(app: App, item: ItemInput): ItemInput {
  const sections = item.sections.map((s) => (s.id.startsWith('new') ? { ...s, id: app.newId() } : s));
  const ids = new Map(item.sections.map(({ id }, i) => [id, sections[i]!.id]));
  return {
    ...item,
    sections,
    holdsNow: item.holdsNow?.map((h) => ({ ...h, sectionId: ids.get(h.sectionId)! }))
  };
}

/** Takes an item off the list of all who took it; the logs are kept, and putting it back brings all back. */
export const removeItem = useCase({
  rule: 'teacher',
  run: (app: App, input: { itemId: string; isBack: boolean }) => {
    const { auditionId } = orNotFound(items.ownerOfItem(app.db, input.itemId));
    const edit = { kind: 'on-list', about: { itemId: input.itemId }, to: input.isBack } as const;
    carryOut(app, { edits: [edit], cause: input.isBack ? 'an item put back' : 'an item removed' });
    return auditionId;
  }
});

/** Puts the list in the order of `ids`, for this candidate; ids that are not of this list are passed over. Returns the secret by which it can be taken back. */
export const orderItems = useCase({
  rule: 'teacher',
  run: (app: App, input: { auditionId: string; ids: readonly string[] }) => {
    const { candidateId } = orNotFound(findAudition(app.db, input.auditionId));
    const known = new Set(items.itemsOf(app.db, input.auditionId).map((item) => item.id));
    const to = [...new Set(input.ids)].filter((id) => known.has(id));
    const edit = { kind: 'order', about: { auditionId: input.auditionId }, to } as const;
    return applyChange(app, { candidateId, edits: [edit], cause: 'order changed' });
  }
});
