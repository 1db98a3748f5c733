/** The call and the list: auditions with their rounds and dates, items and their order. */
import { type App, todayIn } from '../app';
import { CodedError } from '../errors';
import * as auditions from '../store/audition';
import { findCandidate } from '../store/candidate';
import * as items from '../store/item';
import { candidateOfAudition } from './about';
import { NEW_DAY, currentPlan, layAgain, readSeason } from './current-plan';
import { found, useCase } from './use-case';

export type CallInput = {
  readonly name: string;
  readonly rounds: readonly auditions.Round[];
  readonly dates: readonly auditions.OtherDate[];
};

export const addAudition = useCase({
  rule: 'teacher',
  run: (app: App, input: CallInput & { candidateId: string }) => {
    const candidate = found(findCandidate(app.db, input.candidateId));
    const id = app.newId();
    const rounds = withIds(app, input.rounds);
    auditions.addAudition(app.db, { ...input, rounds, id, beganOn: todayIn(app, candidate.zone) }, app.now());
    return id;
  }
});

/** A round that is new in a form has no id yet. */
function withIds(app: App, rounds: readonly auditions.Round[]): auditions.Round[] {
  return rounds.map((r) => (r.id === '' ? { ...r, id: app.newId() } : r));
}

/** The call: the audition with its list's names, for rounds that hear a part of it. */
export const readCall = useCase({
  rule: 'own',
  about: candidateOfAudition,
  run: (app: App, input: { auditionId: string }) => {
    const { audition, candidate, items: list, request } = readSeason(app, input.auditionId);
    return { audition, candidate, today: request.today, items: list.map(({ id, name }) => ({ id, name })) };
  }
});

export const saveCall = useCase({
  rule: 'teacher',
  run: (app: App, input: CallInput & { auditionId: string; version: number }) => {
    const rounds = withIds(app, input.rounds);
    const isSaved = auditions.saveCall(app.db, {
      ...input,
      rounds,
      id: input.auditionId,
      callVersion: input.version
    });
    if (!isSaved)
      throw new CodedError(
        auditions.findAudition(app.db, input.auditionId) ? 'changed-elsewhere' : 'not-found'
      );
    layAgain(app, input.auditionId, 'call changed');
  }
});

/** The list in order, with what holds of each item. */
export const readList = useCase({
  rule: 'own',
  about: candidateOfAudition,
  run: (app: App, input: { auditionId: string }) => {
    const season = readSeason(app, input.auditionId);
    const plan = currentPlan(app, season, NEW_DAY)?.plan ?? null;
    return {
      audition: season.audition,
      candidate: season.candidate,
      items: season.items,
      today: season.request.today,
      plan
    };
  }
});

/** An item for its editor. */
export const readItem = useCase({
  rule: 'teacher',
  run: (app: App, input: { itemId: string }) => found(items.findItem(app.db, input.itemId))
});

/** Opens the editor of a new item; whose list it is. */
export const prepareItem = useCase({
  rule: 'teacher',
  run: (app: App, input: { auditionId: string }) =>
    found(auditions.findAudition(app.db, input.auditionId)).name
});

/** Opens the editor of a new audition. */
export const prepareAudition = useCase({
  rule: 'teacher',
  run: (app: App, input: { candidateId: string }) => found(findCandidate(app.db, input.candidateId))
});

export type ItemInput = Omit<items.ListItem, 'version' | 'auditionId'>;

/** Adds an item at the end of the list and returns its id. Sections without an id get one. */
export const addItem = useCase({
  rule: 'teacher',
  run: (app: App, input: { auditionId: string; item: ItemInput }) => {
    found(auditions.findAudition(app.db, input.auditionId));
    const id = app.newId();
    items.addItem(app.db, { ...withSectionIds(app, input.item), id, auditionId: input.auditionId });
    layAgain(app, input.auditionId, `${input.item.name} added`);
    return id;
  }
});

export const saveItem = useCase({
  rule: 'teacher',
  run: (app: App, input: { itemId: string; item: ItemInput; version: number }) => {
    const auditionId = found(items.auditionOfItem(app.db, input.itemId));
    const item = { ...withSectionIds(app, input.item), id: input.itemId, auditionId, version: input.version };
    if (!items.saveItem(app.db, item))
      throw new CodedError(items.findItem(app.db, input.itemId) ? 'changed-elsewhere' : 'not-found');
    layAgain(app, auditionId, `${item.name} changed`);
  }
});

function withSectionIds(app: App, item: ItemInput): ItemInput {
  return {
    ...item,
    sections: item.sections.map((s) => (s.id.startsWith('new') ? { ...s, id: app.newId() } : s))
  };
}

/** Takes an item off the list; its log is kept, and putting it back brings all back. */
export const removeItem = useCase({
  rule: 'teacher',
  run: (app: App, input: { itemId: string; isBack: boolean }) => {
    const auditionId = found(items.auditionOfItem(app.db, input.itemId));
    items.setItemRemoved(app.db, input.itemId, input.isBack ? null : app.now());
    layAgain(app, auditionId, input.isBack ? 'an item put back' : 'an item removed');
    return auditionId;
  }
});

/** Puts the list in the order of `ids`; ids that are not of this list are passed over. */
export const orderItems = useCase({
  rule: 'teacher',
  run: (app: App, input: { auditionId: string; ids: readonly string[] }) => {
    const known = new Set(items.itemsOf(app.db, input.auditionId).map((item) => item.id));
    items.orderItems(
      app.db,
      input.auditionId,
      [...new Set(input.ids)].filter((id) => known.has(id))
    );
    layAgain(app, input.auditionId, 'order changed');
  }
});
