/** What is entered about spots outside the desk, as small forms bring it. */
import { z } from 'zod';
import { idField, ownMethod } from '../core/record';
import { readBars } from './printed';

export const spotLineForm = z.object({
  id: idField,
  itemId: idField,
  line: z.string().max(4000, 'At most 4,000 characters, please.')
});

export const spotRemoveForm = z.object({ id: idField, back: z.enum(['', '1']).default('') });

export const wayAddForm = ownMethod.strip().extend({ isForAll: z.enum(['', 'on']).default('') });
export const wayOfferForm = z.object({ id: idField, isOffered: z.enum(['', '1']).default('') });

/** What can be set of a spot; each with the field it brings. */
export const spotSetForm = z.object({
  what: z.enum(['open', 'rest', 'first', 'not-first', 'method', 'elsewhere', 'issue']),
  value: z.string().max(400, 'At most 400 characters, please.').default('')
});

/** "61-62, 85" as bars; null where it is none. */
export function readPlaces(text: string): { fromBar: number; toBar: number }[] | null {
  const parts = text.split(',').map((part) => part.trim());
  if (text.trim() === '') return [];
  const read = parts.map((part) => readBars(part));
  return read.every((bars) => bars !== null && bars.fromBar <= bars.toBar) && read.length <= 12
    ? (read as { fromBar: number; toBar: number }[])
    : null;
}
