/** What is sent about mocks: booked, drawn, run, and written by jurors. */
import { z } from 'zod';
import { ballotItem, idField, mockBooked, nameField } from '../core/record';

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
const when = {
  date,
  time: z.preprocess((text) => (text === '' ? undefined : text), time),
  place,
  minutes: number(minutes)
};
export const bookForm = z.object({ id: z.uuid(), stage: number(stage), ...when, ...drawing });
export const moveForm = z.object({ mock: idField, ...when });
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
export const stepForm = z.object({
  to: number(z.number().int().min(0).max(60)),
  isBroken: z.string().max(1).default('')
});
export const ballotSent = z.strictObject({ ballot: ballotItem });
