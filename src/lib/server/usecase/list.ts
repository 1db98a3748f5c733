/**
 * The list: items with what is printed, the list's and of all who took it, and what is one candidate's own. A correction
 * is laid into every taker's plan.
 */
import { followBars } from '../../core/season';
import type { CallEffect } from '../../schema/view';
import { type App, todayIn } from '../app';
import { CodedError, orNotFound } from '../errors';
import { findAudition, takersOf } from '../store/audition';
import { findCandidate } from '../store/candidate';
import * as items from '../store/item';
import { candidateOfAudition } from './owner';
import { readSeason } from '../laying/facts';
import { layAgain, layForTakers } from '../laying/lay';
import { planOf } from '../laying/plan';
import { effectOn } from './effect';
import { boundCount, boundDates } from './bounds';
import { keepUndo } from './keep-undo';
import { useCase } from './use-case';

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
      groundworkTo: plan?.stages?.groundworkTo ?? null
    };
  }
});

/** Ticks with their dates; errata that came after theirs take it away: they are to be entered. */
export function itemTicks(app: App, { id, errata }: Pick<items.ListItem, 'id' | 'errata'>) {
  const ticks = items.ticksOf(app.db, id);
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

/** Opens the editor of a new item; whose list it is. */
export const prepareItem = useCase({
  rule: 'teacher',
  run: (app: App, input: { auditionId: string }) => orNotFound(findAudition(app.db, input.auditionId)).name
});

/** An item as it is typed: what is printed and what is this candidate's own. */
export type ItemInput = Omit<items.Printed, 'pages' | 'key' | 'errata' | 'cuts'> &
  Pick<items.ListItem, 'mostPerDayMin' | 'schools'> & {
    readonly pages?: string | undefined;
    readonly key?: string | undefined;
    readonly errata?: readonly Omit<items.Erratum, 'addedOn'>[] | undefined;
    readonly cuts?: readonly Omit<items.Cut, 'addedOn'>[] | undefined;
    /** Its sections are this candidate's alone; else they are the list's. */
    readonly hasOwnSections?: boolean | undefined;
  };

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
  items.addPrinted(app.db, callId, listItemId, printedOf(item, item.sections, dayFor(app, to)));
  const id = app.newId();
  for (const { auditionId } of takersOf(app.db, callId)) {
    const isThis = auditionId === to;
    const place = { id: isThis ? id : app.newId(), auditionId, listItemId };
    items.addOwn(app.db, place, { ...(isThis ? ownOf(item) : {}), ownSections: null });
  }
  return id;
}

/** Adds several items at once, all or none; a name that is on the list already is refused. */
export const addItems = useCase({
  rule: 'teacher',
  run: (app: App, input: { auditionId: string; items: readonly ItemInput[] }) => {
    const names = new Set(items.itemsOf(app.db, input.auditionId).map((item) => item.name));
    const twice = input.items.find(({ name }) => names.size === names.add(name).size);
    if (twice)
      throw new CodedError('on-the-list', `“${twice.name}” is on the list already. Nothing was added.`);
    for (const item of input.items) putItem(app, input.auditionId, item);
    const { callId } = orNotFound(findAudition(app.db, input.auditionId));
    layForTakers(app, callId, `${input.items.length} items added`);
  }
});

/** What a changed item would do to the plan of everyone who takes the list; nothing is saved. */
export const previewItem = useCase({
  rule: 'teacher',
  run: (app: App, input: { itemId: string; item: ItemInput }): CallEffect[] => {
    const before = orNotFound(items.findItem(app.db, input.itemId));
    const { callId } = orNotFound(findAudition(app.db, before.auditionId));
    const item = withSectionIds(app, input.item);
    const isOwn = item.hasOwnSections === true && items.takenItems(app.db, before.listItemId).length > 1;
    const changed = (own: items.ListItem): items.ListItem => {
      if (own.listItemId !== before.listItemId) return own;
      const {
        hasOwnSections: _,
        mostPerDayMin,
        schools,
        cuts,
        errata: _errata,
        pages: _pages,
        key: _key,
        ...printed
      } = item;
      const mine = own.id === before.id ? { mostPerDayMin, schools } : {};
      const dated = (cuts ?? []).map((cut) => ({ ...cut, addedOn: '' }));
      const sections =
        own.id === before.id || (!isOwn && !own.hasOwnSections)
          ? item.sections
          : (followBars(own.sections, before, item) ?? item.sections);
      return { ...own, ...printed, ...mine, cuts: dated, id: own.id, sections };
    };
    return takersOf(app.db, callId)
      .filter((taker) => !taker.isArchived)
      .map((taker) =>
        effectOn(app, taker, (season) => ({ ...season.own, items: season.items.map(changed) }))
      );
  }
});

/** Returns the secret by which it can be taken back. */
export const saveItem = useCase({
  rule: 'teacher',
  run: (app: App, input: { itemId: string; item: ItemInput; version: number }) => {
    const before = orNotFound(items.findItem(app.db, input.itemId));
    if (before.version !== input.version) throw new CodedError('changed-elsewhere');
    const { callId, candidateId } = orNotFound(findAudition(app.db, before.auditionId));
    const item = withSectionIds(app, input.item);
    boundItem(app, before.auditionId, item);
    const taken = items.takenItems(app.db, before.listItemId);
    const isOwn = item.hasOwnSections === true && taken.length > 1;
    const sections = isOwn ? items.printedSections(app.db, before.listItemId) : item.sections;
    const today = dayFor(app, before.auditionId);
    items.savePrinted(app.db, before.listItemId, printedOf(item, sections, today, before));
    items.saveOwn(app.db, before.id, { ...ownOf(item), ownSections: isOwn ? item.sections : null });
    for (const other of taken.filter((t) => t.hasOwnSections && t.id !== before.id)) {
      const followed = followBars(other.sections, before, item);
      items.setOwnSections(app.db, other.id, followed ?? item.sections);
    }
    layForTakers(app, callId, `${item.name} changed`);
    const { version: _, ...was } = before;
    return keepUndo(app, candidateId, 'item', { itemId: before.id }, was);
  }
});

/** What is printed of an item as it was typed; what is new among errata and cuts is dated, what is left out stays. */
function printedOf(
  item: ItemInput,
  sections: items.ListItem['sections'],
  today: string,
  before: Pick<items.Printed, 'pages' | 'key' | 'errata' | 'cuts'> = {
    pages: '',
    key: '',
    errata: [],
    cuts: []
  }
): items.Printed {
  const { mostPerDayMin: _most, schools: _schools, hasOwnSections: _own, ...printed } = item;
  const { pages, key, errata, cuts } = item;
  return {
    ...printed,
    sections,
    pages: pages ?? before.pages,
    key: key ?? before.key,
    errata: errata
      ? errata.map(
          (e) => before.errata.find((b) => b.bar === e.bar && b.says === e.says) ?? { ...e, addedOn: today }
        )
      : before.errata,
    cuts: cuts
      ? cuts.map(
          (c) =>
            before.cuts.find((b) => b.fromBar === c.fromBar && b.toBar === c.toBar) ?? {
              ...c,
              addedOn: today
            }
        )
      : before.cuts
  };
}

function boundItem(app: App, auditionId: string, { sections }: ItemInput): void {
  const { candidateId } = orNotFound(findAudition(app.db, auditionId));
  const { zone } = orNotFound(findCandidate(app.db, candidateId));
  boundDates(
    app,
    zone,
    sections.map((s) => s.dueOn)
  );
}

function dayFor(app: App, auditionId: string): string {
  const { candidateId } = orNotFound(findAudition(app.db, auditionId));
  return todayIn(app, orNotFound(findCandidate(app.db, candidateId)).zone);
}

function ownOf({ mostPerDayMin, schools }: ItemInput) {
  return { mostPerDayMin, schools };
}

function withSectionIds(app: App, item: ItemInput): ItemInput {
  return {
    ...item,
    sections: item.sections.map((s) => (s.id.startsWith('new') ? { ...s, id: app.newId() } : s))
  };
}

/** Takes an item off the list of all who took it; the logs are kept, and putting it back brings all back. */
export const removeItem = useCase({
  rule: 'teacher',
  run: (app: App, input: { itemId: string; isBack: boolean }) => {
    const { auditionId, listItemId } = orNotFound(items.ownerOfItem(app.db, input.itemId));
    items.setItemRemoved(app.db, listItemId, input.isBack ? null : app.now());
    const { callId } = orNotFound(findAudition(app.db, auditionId));
    layForTakers(app, callId, input.isBack ? 'an item put back' : 'an item removed');
    return auditionId;
  }
});

/** Puts the list in the order of `ids`, for this candidate; ids that are not of this list are passed over. Returns the secret by which it can be taken back. */
export const orderItems = useCase({
  rule: 'teacher',
  run: (app: App, input: { auditionId: string; ids: readonly string[] }) => {
    const { candidateId } = orNotFound(findAudition(app.db, input.auditionId));
    const before = items.itemsOf(app.db, input.auditionId).map((item) => item.id);
    const known = new Set(before);
    items.orderItems(
      app.db,
      input.auditionId,
      [...new Set(input.ids)].filter((id) => known.has(id))
    );
    layAgain(app, input.auditionId, 'order changed');
    return keepUndo(app, candidateId, 'order', { auditionId: input.auditionId }, before);
  }
});
