/** The call as a form: rounds with their slots, other dates. */
import { z } from 'zod';
import { tooFarAhead } from '../core/season';
import { dateField, jsonText, minutesField, nameField, timeField, zoneField } from './fields';
import { refineSlot } from './round';

const blankTime = z.union([z.literal(''), timeField], 'A time is written 09:30, on the 24-hour clock.');

export const callForm = z.object({
  version: z.number().default(0),
  name: nameField,
  rounds: z
    .array(
      z.object({
        id: z.string().max(80).default(''),
        name: nameField,
        date: dateField,
        time: blankTime.default(''),
        zone: zoneField,
        isHistory: z.boolean().default(false),
        isWeek: z.boolean().default(false),
        isRecorded: z.boolean().default(false),
        uploadBy: z.union([z.literal(''), dateField]).default(''),
        hearsAll: z.boolean().default(true),
        itemIds: z.array(z.string()).default([])
      })
    )
    .min(1, 'An audition has at least one round.')
    .max(20, 'At most 20 rounds.'),
  dates: z
    .array(
      z.object({
        date: dateField,
        name: nameField,
        kind: z.enum(['deadline', 'cuts', 'other'])
      })
    )
    .max(60, 'At most 60 dates.')
    .default([])
});

/** Mocks and other dates of one candidate alone. */
export const ownDatesForm = z.object({
  version: z.number().default(0),
  dates: z
    .array(
      z.object({
        date: dateField,
        name: nameField,
        kind: z.enum(['mock', 'other']),
        minutes: minutesField(0, 480).default(0)
      })
    )
    .max(60, 'At most 60 dates.')
    .default([])
});

/** Own dates as JSON, for taking back what was saved. */
export const ownDatesText = jsonText(ownDatesForm.shape.dates.unwrap());

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

/** What is only wrong today: a round before today that is not history, or years ahead; a time the clock skips; a round that hears nothing. */
export function callFaults(form: CallForm, today: string): { path: (string | number)[]; says: string }[] {
  const faults: { path: (string | number)[]; says: string }[] = [];
  // what is not a round at all has been said by the form itself
  const rounds = [...form.rounds.entries()].filter(([, round]: [number, unknown]) => round);
  const checked = z.array(z.any()).superRefine((_, context) => {
    for (const [i, round] of rounds)
      refineSlot({ ...round, time: round.time || undefined }, ['rounds', i], context);
  });
  for (const issue of checked.safeParse([]).error?.issues ?? [])
    faults.push({ path: issue.path as (string | number)[], says: issue.message });
  for (const [i, round] of rounds) {
    if (round.date < today && !round.isHistory) {
      faults.push({
        path: ['rounds', i, 'date'],
        says: `${round.date} is before today. Choose a later date, or tick that it has taken place.`
      });
    }
    const tooFar = tooFarAhead(round.date, today);
    if (tooFar) faults.push({ path: ['rounds', i, 'date'], says: tooFar });
    if (round.isRecorded && round.uploadBy === '')
      faults.push({ path: ['rounds', i, 'uploadBy'], says: 'Until when are the takes to be uploaded?' });
    else if (round.isRecorded && round.uploadBy < round.date)
      faults.push({
        path: ['rounds', i, 'uploadBy'],
        says: `The recording day, ${round.date}, comes after it. Record first, with days in hand.`
      });
    if (!round.hearsAll && round.itemIds.length === 0)
      faults.push({ path: ['rounds', i, 'hearsAll'], says: 'Choose what it hears, or the whole list.' });
  }
  return faults;
}

type StoredRound = {
  id: string;
  name: string;
  date: string;
  time?: string | undefined;
  zone: string;
  isHistory: boolean;
  isWeek?: boolean | undefined;
  uploadBy?: string | undefined;
  itemIds?: readonly string[] | undefined;
};
type StoredCall = {
  name: string;
  version: number;
  rounds: readonly StoredRound[];
  dates: readonly {
    date: string;
    name: string;
    kind: CallForm['dates'][number]['kind'];
  }[];
};

/** The form of a call that is there. */
export function fillCallForm(call: StoredCall): CallForm {
  return {
    version: call.version,
    name: call.name,
    rounds: call.rounds.map((r) => ({
      ...r,
      time: r.time ?? '',
      isWeek: r.isWeek === true,
      isRecorded: r.uploadBy !== undefined,
      uploadBy: r.uploadBy ?? '',
      hearsAll: r.itemIds === undefined,
      itemIds: [...(r.itemIds ?? [])]
    })),
    dates: [...call.dates]
  };
}

/** What a sound form means. */
export function readCallForm(form: CallForm): Pick<StoredCall, 'name' | 'rounds' | 'dates'> {
  return {
    name: form.name,
    rounds: form.rounds.map(({ hearsAll, itemIds, time, isWeek, isRecorded, uploadBy, ...round }) => ({
      ...round,
      time: isWeek ? undefined : time || undefined,
      isWeek: isWeek || undefined,
      uploadBy: isRecorded ? uploadBy : undefined,
      itemIds: hearsAll ? undefined : itemIds
    })),
    dates: form.dates
  };
}
