/** Pins set and taken back by hand; the plan is laid again around them. */
import type { BlockPin, RungPin } from '../../core/season';
import { dayOf, sayBpm, sayDate } from '../../core/units';
import { type App, todayIn } from '../app';
import { applyChange, carryOut } from '../change/apply';
import { boundCount, boundDates } from '../change/bounds';
import { findCandidate } from '../store/candidate';
import { findItem } from '../store/item';
import { pinsOf } from '../store/pin';
import { CodedError, orNotFound } from '../errors';
import { candidateOfAudition, candidateOfItem } from './owner';
import { useCase } from './use-case';

/** Minutes of an item on a date stay where they are. */
export const pinBlock = useCase({
  rule: 'teacher',
  run: (app: App, { itemId, date, minutes }: BlockPin) => {
    const cause = `${checkDate(app, { itemId, date })} pinned on ${sayDate(dayOf(date))}`;
    carryOut(app, { edits: [{ kind: 'block-pin', about: { itemId, date }, to: minutes }], cause });
  }
});

export const unpinBlock = useCase({
  rule: 'teacher',
  run: (app: App, { itemId, date }: Omit<BlockPin, 'minutes'>) =>
    carryOut(app, { edits: [{ kind: 'block-pin', about: { itemId, date }, to: null }], cause: PIN_OFF })
});

/** A rung is to be reached on a date, neither earlier nor later. */
export const pinRung = useCase({
  rule: 'teacher',
  run: (app: App, { itemId, sectionId, bpm, date }: RungPin) => {
    const cause = `${checkDate(app, { itemId, date })} ${sayBpm(bpm)} pinned on ${sayDate(dayOf(date))}`;
    carryOut(app, { edits: [{ kind: 'rung-pin', about: { itemId, sectionId, bpm }, to: date }], cause });
  }
});

/** The same from a lesson, where each decision can be taken back: returns the secret for it. */
export const pinMilestone = useCase({
  rule: 'teacher',
  run: (app: App, { itemId, sectionId, bpm, date }: RungPin) => {
    const cause = `${checkDate(app, { itemId, date })} ${sayBpm(bpm)} pinned on ${sayDate(dayOf(date))}`;
    const candidateId = orNotFound(candidateOfItem(app, { itemId }));
    const edit = { kind: 'rung-pin', about: { itemId, sectionId, bpm }, to: date } as const;
    return applyChange(app, { candidateId, edits: [edit], cause });
  }
});

export const unpinRung = useCase({
  rule: 'teacher',
  run: (app: App, { itemId, sectionId, bpm }: Omit<RungPin, 'date'>) => {
    const about = { itemId, sectionId, bpm };
    carryOut(app, { edits: [{ kind: 'rung-pin', about, to: null }], cause: PIN_OFF });
  }
});

const PIN_OFF = 'a pin taken off';

/** The item's name. A pin on a day that is over would hold nothing. */
function checkDate(app: App, { itemId, date }: { itemId: string; date: string }): string {
  const item = orNotFound(findItem(app.db, itemId));
  const candidate = orNotFound(findCandidate(app.db, orNotFound(candidateOfAudition(app, item))));
  if (date < todayIn(app, candidate.zone)) throw new CodedError('pin-in-the-past');
  boundDates(app, candidate.zone, [date]);
  const { length } = pinsOf(app.db, item.auditionId).filter((pin) => pin.itemId === itemId);
  boundCount('pins', length + 1);
  return item.name;
}
