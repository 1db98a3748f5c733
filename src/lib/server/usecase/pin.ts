/** Pins set and taken back by hand; the plan is laid again around them. */
import type { BlockPin, RungPin } from '../../core/season';
import { dayOf, sayDate } from '../../core/units';
import { type App, todayIn } from '../app';
import { findCandidate } from '../store/candidate';
import { findItem, ownerOfItem } from '../store/item';
import * as pins from '../store/pin';
import { CodedError, orNotFound } from '../errors';
import { candidateOfAudition } from './owner';
import { boundCount, boundDates } from './bounds';
import { layAgain } from '../laying/lay';
import { useCase } from './use-case';

/** Minutes of an item on a date stay where they are. */
export const pinBlock = useCase({
  rule: 'teacher',
  run: (app: App, input: BlockPin) => {
    const name = checkDate(app, input);
    pins.putBlockPin(app.db, input);
    lay(app, input.itemId, `${name} pinned on ${sayDate(dayOf(input.date))}`);
  }
});

export const unpinBlock = useCase({
  rule: 'teacher',
  run: (app: App, input: Omit<BlockPin, 'minutes'>) => {
    pins.dropBlockPin(app.db, input);
    lay(app, input.itemId, 'a pin taken off');
  }
});

/** A rung is to be reached on a date, neither earlier nor later. */
export const pinRung = useCase({
  rule: 'teacher',
  run: (app: App, input: RungPin) => {
    const name = checkDate(app, input);
    pins.putRungPin(app.db, input);
    lay(app, input.itemId, `${name} ${input.bpm} pinned on ${sayDate(dayOf(input.date))}`);
  }
});

export const unpinRung = useCase({
  rule: 'teacher',
  run: (app: App, input: Omit<RungPin, 'date'>) => {
    pins.dropRungPin(app.db, input);
    lay(app, input.itemId, 'a pin taken off');
  }
});

/** The item's name. A pin on a day that is over would hold nothing. */
function checkDate(app: App, { itemId, date }: { itemId: string; date: string }): string {
  const item = orNotFound(findItem(app.db, itemId));
  const candidate = orNotFound(findCandidate(app.db, orNotFound(candidateOfAudition(app, item))));
  if (date < todayIn(app, candidate.zone)) throw new CodedError('pin-in-the-past');
  boundDates(app, candidate.zone, [date]);
  const { length } = pins.pinsOf(app.db, item.auditionId).filter((pin) => pin.itemId === itemId);
  boundCount('pins', length + 1);
  return item.name;
}

function lay(app: App, itemId: string, cause: string): void {
  layAgain(app, orNotFound(ownerOfItem(app.db, itemId)).auditionId, cause);
}
