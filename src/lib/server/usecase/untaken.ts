/**
 * A call and its list before anybody takes it: what is printed, and nothing that is one candidate's own. Once somebody takes it, it is read
 * and changed on their pages, where plans are laid again.
 */
import { targetOf } from '../../core/tempo';
import { type App, todayIn } from '../app';
import { boundCount, boundDates } from '../change/bounds';
import { type CallInput, boundCall, newCall, refuseName, withIds } from '../change/call-place';
import { type ItemInput, printedOf } from '../change/item-place';
import { CodedError, orNotFound } from '../errors';
import { takersOf } from '../store/audition';
import * as calls from '../store/call';
import { listCandidates } from '../store/candidate';
import * as items from '../store/item';
import { refuseTwice, withSectionIds } from './list';
import { useCase } from './use-case';

/** Where its rounds are presumed to be held: where the last candidate who came lives, else where this machine stands. */
function zoneOf(app: App): string {
  return listCandidates(app.db).at(-1)?.zone ?? Intl.DateTimeFormat().resolvedOptions().timeZone;
}

/** Opens the editor of a call that nobody takes yet. */
export const prepareCall = useCase({
  rule: 'teacher',
  run: (app: App, _input: Record<string, never>) => ({ zone: zoneOf(app), today: todayIn(app, zoneOf(app)) })
});

/** Returns the call's id. */
export const addCall = useCase({
  rule: 'teacher',
  run: (app: App, input: CallInput) => newCall(app, input)
});

/** The call; throws CodedError "list-taken" where somebody takes it. */
function untaken(app: App, callId: string): calls.Call {
  const call = orNotFound(calls.findCall(app.db, callId));
  if (takersOf(app.db, callId).length > 0) throw new CodedError('list-taken');
  return call;
}

/** The call with its list as it is printed; who takes it first, where somebody does, has it on pages of their own. */
export const readUntaken = useCase({
  rule: 'teacher',
  run: (app: App, { callId }: { callId: string }) => {
    const call = orNotFound(calls.findCall(app.db, callId));
    const list = items.printedItems(app.db, callId);
    return {
      call,
      items: list.map((item) => ({ ...item, hasOwnSections: false })),
      taker: takersOf(app.db, callId)[0] ?? null,
      today: todayIn(app, zoneOf(app)),
      zone: zoneOf(app),
      /** Who could take it. */
      candidates: listCandidates(app.db)
        .filter(({ archivedAtMs }) => archivedAtMs === null)
        .map(({ id, name }) => ({ id, name })),
      /** The tempos that are asked, by item. */
      asked: Object.fromEntries(list.map((item) => [item.id, item.sections.map(askedOfSection)]))
    };
  }
});

function askedOfSection({ id, name, fromBar, toBar, tempo }: items.Printed['sections'][number]) {
  const target = targetOf(tempo);
  return { id, name, fromBar, toBar, unit: target?.unit ?? null, targetBpm: target?.bpm ?? null };
}

export const saveUntakenCall = useCase({
  rule: 'teacher',
  run: (app: App, { callId, ...input }: CallInput & { callId: string; version: number }) => {
    untaken(app, callId);
    refuseName(app, input.name, callId);
    boundCall(app, input);
    const call = { ...input, id: callId, rounds: withIds(app, input.rounds, callId) };
    if (!calls.saveCall(app.db, call)) throw new CodedError('changed-elsewhere');
  }
});

/** Adds items at the end of the list, all or none; a name that is on the list already is refused. */
export const addUntakenItems = useCase({
  rule: 'teacher',
  run: (app: App, input: { callId: string; items: readonly ItemInput[] }) => {
    untaken(app, input.callId);
    const there = items.printedItems(app.db, input.callId);
    refuseTwice(there, input.items);
    boundCount('items', items.listItemIds(app.db, input.callId).length + input.items.length);
    for (const item of input.items) putPrinted(app, input.callId, app.newId(), item);
  }
});

export const readUntakenItem = useCase({
  rule: 'teacher',
  run: (app: App, { callId, itemId }: { callId: string; itemId: string }) => {
    untaken(app, callId);
    const item = orNotFound(items.findPrinted(app.db, callId, itemId));
    return { item, today: todayIn(app, zoneOf(app)) };
  }
});

export const saveUntakenItem = useCase({
  rule: 'teacher',
  run: (
    app: App,
    { callId, itemId, item, version }: { callId: string; itemId: string; item: ItemInput; version: number }
  ) => {
    untaken(app, callId);
    const before = orNotFound(items.findPrinted(app.db, callId, itemId));
    if (before.version !== version) throw new CodedError('changed-elsewhere');
    putPrinted(app, callId, itemId, item, before);
  }
});

function putPrinted(app: App, callId: string, id: string, typed: ItemInput, before?: items.Printed): void {
  const item = withSectionIds(app, typed);
  boundDates(
    app,
    zoneOf(app),
    item.sections.map(({ dueOn }) => dueOn)
  );
  const printed = printedOf(item, item.sections, todayIn(app, zoneOf(app)), before);
  if (before) items.savePrinted(app.db, id, printed);
  else items.addPrinted(app.db, callId, id, printed);
}

/** Takes an item off the list, or puts it back where it was. */
export const removeUntakenItem = useCase({
  rule: 'teacher',
  run: (app: App, input: { callId: string; itemId: string; isBack: boolean }) => {
    untaken(app, input.callId);
    if (!items.listItemIds(app.db, input.callId).includes(input.itemId)) throw new CodedError('not-found');
    items.setItemRemoved(app.db, input.itemId, input.isBack ? null : app.now());
  }
});

/** Puts the list in the order of `ids`; ids that are not of this list are passed over. */
export const orderUntaken = useCase({
  rule: 'teacher',
  run: (app: App, { callId, ids }: { callId: string; ids: readonly string[] }) => {
    untaken(app, callId);
    const known = new Set(items.listItemIds(app.db, callId));
    items.placePrinted(
      app.db,
      [...new Set(ids)].filter((id) => known.has(id))
    );
  }
});
