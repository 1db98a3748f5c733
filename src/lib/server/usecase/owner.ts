/** Whose a thing is: from an audition, an item or a touch to its candidate. */
import type { App } from '../app';
import { findAudition } from '../store/audition';
import { ownerOfItem } from '../store/item';
import { auditionOfMock } from '../store/mock';
import { ownerOfTake } from '../store/take';
import { itemOfTouch } from '../store/touch';

export function candidateOfAudition(app: App, input: { auditionId: string }): string | undefined {
  return findAudition(app.db, input.auditionId)?.candidateId;
}

export function candidateOfItem(app: App, input: { itemId: string }): string | undefined {
  const auditionId = ownerOfItem(app.db, input.itemId)?.auditionId;
  return auditionId === undefined ? undefined : candidateOfAudition(app, { auditionId });
}

export function candidateOfTouch(app: App, input: { touchId: string }): string | undefined {
  const itemId = itemOfTouch(app.db, input.touchId);
  return itemId === undefined ? undefined : candidateOfItem(app, { itemId });
}

export const candidateOfTake = (app: App, input: { takeId: string }): string | undefined =>
  ownerOfTake(app.db, input.takeId);

export function candidateOfMock(app: App, input: { mockId: string }): string | undefined {
  const auditionId = auditionOfMock(app.db, input.mockId);
  return auditionId === undefined ? undefined : candidateOfAudition(app, { auditionId });
}
