/** What is sent about mocks: booked, drawn, run, and written by jurors. */
import { z } from 'zod';
import {
  ballotItem,
  barField,
  bpmField,
  idField,
  jsonText,
  minutesField,
  mockBooked,
  nameField,
  shortText,
  timeField
} from '../core/record';

const whole = (text: unknown) =>
  typeof text === 'string' && /^\d{1,9}$/.test(text.trim()) ? Number(text) : text;
const number = <T extends z.ZodType>(field: T) => z.preprocess(whole, field);

/** How many items are drawn, and whether they keep the list's order. */
const drawing = {
  count: number(z.number('How many items are heard?').int().min(1, 'At least one item is heard.').max(60)),
  isInOrder: z.string().max(2).default('')
};
export const drawForm = z.object({ mock: idField, ...drawing });
const { stage, date, time, place, minutes } = mockBooked.shape;
const limit = z.preprocess((text) => (text === '' ? 0 : whole(text)), minutesField(0, 120)).default(0);
/** Minutes of warming up and of waiting before the hour. */
const limits = { warmUpMin: limit, waitingMin: limit };
/** None, where both are. */
export const limitsIn = ({ warmUpMin, waitingMin }: { warmUpMin: number; waitingMin: number }) =>
  warmUpMin + waitingMin > 0 ? { warmUpMin, waitingMin } : undefined;
const when = {
  date,
  time: z.preprocess((text) => (text === '' ? undefined : text), time),
  place,
  minutes: number(minutes),
  ...limits
};
export const bookForm = z.object({ id: z.uuid(), stage: number(stage), ...when, ...drawing });
export const moveForm = z.object({ mock: idField, ...when });
export const hearForm = z.object({
  mock: idField,
  item: idField,
  fromBar: number(barField),
  toBar: number(barField)
});

/** Names in one line, or several, between commas. */
const names = z
  .string()
  .max(2000)
  .default('')
  .transform((text) =>
    text
      .split(/[,;\n]/)
      .map((name) => name.trim())
      .filter((name) => name !== '')
  )
  .pipe(z.array(nameField));
/** What was played without Irvot: of each item the bars that were heard, as they are typed. */
export const paperForm = z.object({
  id: z.uuid(),
  stage: number(stage),
  date,
  place,
  minutes: number(minutes),
  jurors: names,
  heard: jsonText(z.array(z.strictObject({ itemId: idField, bars: shortText })).max(60))
});
export const eveningForm = z.object({
  id: z.uuid(),
  date,
  start: timeField,
  place,
  eachMin: number(minutesField(1, 240)),
  pauseMin: number(minutesField(0, 240)),
  ...limits,
  jurors: names,
  players: jsonText(
    z
      .array(z.strictObject({ auditionId: idField, stage: number(stage), count: drawing.count }))
      .min(1, 'Nobody plays yet: take somebody in.')
      .max(24, 'At most 24 candidates on one evening.')
  )
});
/** Which sound a juror asks for. */
export const soundAsked = z.object({ of: idField, item: number(z.number().int().min(0).max(60)) });
export const jurorNameForm = z.object({ name: nameField });
export const seatForm = z.object({ seat: idField });
export const mockForm = z.object({ mock: idField });
export const jurorForm = z.object({ mock: idField, name: nameField });
export const jurorLinkForm = z.object({ mock: idField, juror: idField });
export const settleForm = z.object({
  mock: idField,
  juror: idField,
  item: number(z.number().int().min(0).max(60)),
  note: number(z.number().int().min(0).max(20)),
  isTaken: z.string().max(1).default('')
});
const unlessEmpty = (text: unknown) => (text === '' ? undefined : text);
export const stepForm = z.object({
  to: number(z.number().int().min(0).max(60)),
  isBroken: z.string().max(1).default(''),
  /** A tempo that was tapped. */
  bpm: z.preprocess((text) => whole(unlessEmpty(text)), bpmField.optional()),
  take: z.preprocess(unlessEmpty, idField.optional())
});
export const ballotSent = z.strictObject({ juror: idField, ballot: ballotItem, device: idField });
export const ballotHere = z.strictObject({ device: idField });
/** A step of a run that is sent by the device that records it. */
export const stepSent = z.strictObject({
  to: z.number().int().min(0).max(60),
  takeId: idField.optional()
});
