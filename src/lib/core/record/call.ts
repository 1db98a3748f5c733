/** A call: rounds and other dates, the studio's; and what a candidate has of it by themselves: slots and own dates. */
import { z } from 'zod';
import { dateField, idField, minutesField, nameField, timeField, zoneField } from './fields';
import type { Immutable } from './immutable';

export const roundFields = {
  id: idField,
  name: nameField,
  /** The recording day, where takes are uploaded instead. */
  date: dateField,
  time: timeField.optional(),
  zone: zoneField,
  /** Of the list's items; missing: the whole list. */
  itemIds: z.array(idField).optional()
};
export const round = z.strictObject({
  ...roundFields,
  isHistory: z.boolean(),
  /** Known to the week only: `date` is the first day it can be. */
  isWeek: z.boolean().optional(),
  /** Last day for uploading the takes of a recorded round. */
  uploadBy: dateField.optional()
});
export type Round = Immutable<z.infer<typeof round>>;

/** Where a call is published; empty where nobody said. */
export const webAddressField = z
  .string()
  .trim()
  .max(500, 'At most 500 characters, please.')
  .regex(/^(?:https?:\/\/[^\s/]\S*)?$/i, 'A web address begins with https:// or http://.');

export const otherDate = z.strictObject({
  date: dateField,
  name: nameField,
  kind: z.enum(['deadline', 'cuts', 'other'])
});
export type OtherDate = Immutable<z.infer<typeof otherDate>>;

export const slot = z.strictObject({ roundId: idField, date: dateField, time: timeField.optional() });
export type Slot = Immutable<z.infer<typeof slot>>;

/** A mock, or another date of one candidate alone. */
export const ownDate = z.strictObject({
  date: dateField,
  name: nameField,
  kind: z.enum(['mock', 'other']),
  /** Of a mock that is booked for an hour. */
  time: timeField.optional(),
  /** Minutes it takes from its day. */
  minutes: minutesField(0, 480)
});
export type OwnDate = Immutable<z.infer<typeof ownDate>>;
