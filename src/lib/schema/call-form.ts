/** The call as a form: rounds with their slots, other dates. */
import { z } from 'zod';
import { outOfReach } from '../core/season';
import {
  type OtherDate,
  type OwnDate,
  type Round,
  type Slot,
  nameField,
  otherDate,
  ownDate,
  round,
  slot,
  webAddressField
} from '../core/record';
import { skippedTime } from './round';
import { orEmpty, typedMark } from './typed';

const TIME = 'A time is written 09:30, on the 24-hour clock.';

export const callForm = z.object({
  version: z.number().default(0),
  name: nameField,
  webAddress: webAddressField.default(''),
  rounds: z
    .array(
      round.strip().extend({
        id: z.string().max(64).default(''),
        time: orEmpty(round.shape.time, TIME),
        isHistory: typedMark,
        isWeek: typedMark,
        isRecorded: typedMark,
        uploadBy: orEmpty(round.shape.uploadBy),
        hearsAll: z.boolean().default(true),
        itemIds: round.shape.itemIds.unwrap().max(80).default([])
      })
    )
    .min(1, 'An audition has at least one round.')
    .max(20, 'At most 20 rounds.'),
  dates: z.array(otherDate.strip()).max(60, 'At most 60 dates.').default([]),
  /** What is one candidate's own: mocks and other dates, and slots in the rounds. */
  ownVersion: z.number().default(0),
  ownDates: z
    .array(ownDate.strip().extend({ minutes: ownDate.shape.minutes.default(0) }))
    .max(60, 'At most 60 dates.')
    .default([]),
  slots: z
    .array(
      slot.strip().extend({
        date: orEmpty(slot.shape.date.optional()),
        time: orEmpty(slot.shape.time, TIME)
      })
    )
    .max(20)
    .default([])
});

export type CallForm = z.infer<typeof callForm>;

/** A round nobody has typed anything of yet. */
export function blankRound(name: string, zone: string): CallForm['rounds'][number] {
  return {
    id: '',
    name,
    date: '',
    time: '',
    zone,
    isHistory: false,
    isWeek: false,
    isRecorded: false,
    uploadBy: '',
    hearsAll: true,
    itemIds: []
  };
}

type Fault = { readonly path: (string | number)[]; readonly says: string };

/** What is only wrong today, of a form that is sound by itself: a round before today that is not history, or years ahead; a time the clock skips; a round that hears nothing. */
export function callFaults({ rounds }: CallForm, today: string): Fault[] {
  return rounds.flatMap((round, i) =>
    roundFaults(round, today).map(([field, says]) => ({ path: ['rounds', i, field], says }))
  );
}

function roundFaults(round: CallForm['rounds'][number], today: string): [string, string][] {
  const faults: [string, string][] = [];
  const { date, time, zone, uploadBy, isHistory, isRecorded, hearsAll, itemIds } = round;
  const skipped = skippedTime({ date, time: time || undefined, zone });
  if (skipped) faults.push(['time', skipped]);
  if (date < today && !isHistory)
    faults.push(['date', `${date} is before today. Choose a later date, or tick that it has taken place.`]);
  const far = outOfReach(date, today);
  if (far) faults.push(['date', far]);
  if (isRecorded && uploadBy === '') faults.push(['uploadBy', 'Until when are the takes to be uploaded?']);
  else if (isRecorded && uploadBy < date)
    faults.push(['uploadBy', `The recording day, ${date}, comes after it. Record first, with days in hand.`]);
  if (!hearsAll && itemIds.length === 0)
    faults.push(['hearsAll', 'Choose what it hears, or the whole list.']);
  return faults;
}

type StoredCall = {
  readonly name: string;
  readonly webAddress: string;
  readonly version: number;
  readonly rounds: readonly Round[];
  readonly dates: readonly OtherDate[];
};

/** What is one candidate's own of a call, as it is stored. */
type StoredOwn = {
  readonly ownDates: readonly OwnDate[];
  readonly ownVersion: number;
  readonly slots: readonly Slot[];
};

/** The form of a call that is there, with one candidate's own. */
export function fillCallForm(call: StoredCall, own: StoredOwn): CallForm {
  return {
    version: call.version,
    name: call.name,
    webAddress: call.webAddress,
    rounds: call.rounds.map((r) => ({
      ...r,
      time: r.time ?? '',
      isWeek: r.isWeek === true,
      isRecorded: r.uploadBy !== undefined,
      uploadBy: r.uploadBy ?? '',
      hearsAll: r.itemIds === undefined,
      itemIds: [...(r.itemIds ?? [])]
    })),
    dates: [...call.dates],
    ownVersion: own.ownVersion,
    ownDates: [...own.ownDates],
    slots: call.rounds.map(({ id }) => {
      const slot = own.slots.find((s) => s.roundId === id);
      return { roundId: id, date: slot?.date ?? '', time: slot?.time ?? '' };
    })
  };
}

/** What a sound form means. */
export function readCallForm(form: CallForm): Pick<StoredCall, 'name' | 'rounds' | 'dates' | 'webAddress'> {
  return {
    name: form.name,
    rounds: form.rounds.map(({ hearsAll, itemIds, time, isWeek, isRecorded, uploadBy, ...round }) => ({
      ...round,
      time: isWeek ? undefined : time || undefined,
      isWeek: isWeek || undefined,
      uploadBy: isRecorded ? uploadBy : undefined,
      itemIds: hearsAll ? undefined : itemIds
    })),
    dates: form.dates,
    webAddress: form.webAddress
  };
}

export function readOwnForm({ ownDates, ownVersion, slots }: CallForm) {
  return {
    dates: ownDates,
    version: ownVersion,
    slots: slots
      .filter((s) => s.date !== '')
      .map(({ roundId, date, time }) => ({ roundId, date, time: time || undefined }))
  };
}
