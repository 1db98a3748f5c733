/** One touch of the log, as the quick line, the form or a file brings it. */
import { z } from 'zod';
import { EVIDENCE } from '../core/practice';
import {
  barField,
  bpmField,
  dateField,
  idField,
  longText,
  minutesField,
  shortText,
  unitField
} from './fields';

export const touchFields = {
  itemId: idField,
  date: dateField,
  fromBar: barField.optional(),
  toBar: barField.optional(),
  minutes: minutesField(1, 360),
  tempoBpm: bpmField.optional(),
  unit: unitField.optional(),
  attempts: z
    .string()
    .regex(/^[cn]*$/, 'Attempts are c for clean and n for not yet, in the order played: ccncc.')
    .max(60, 'At most 60 attempts in one touch.')
    .optional(),
  notHeld: z.array(shortText).max(12).optional(),
  evidence: z.enum(EVIDENCE).optional(),
  note: longText.unwrap().optional()
};

export const touch = z.strictObject({ id: idField, ...touchFields });

type Played = { date: string; fromBar?: number | undefined; toBar?: number | undefined };

/** Bars in order and inside the item, and not later than today. */
export function refineTouch(
  played: Played,
  item: { fromBar: number; toBar: number; name: string },
  today: string,
  context: z.RefinementCtx
): void {
  const add = (path: string, message: string) => context.addIssue({ code: 'custom', path: [path], message });
  if (played.date > today) add('date', 'A touch is logged on its day or later, not ahead.');
  if (played.fromBar === undefined) return;
  const to = played.toBar ?? played.fromBar;
  if (to < played.fromBar) add('toBar', `The bars are upside down: ${played.fromBar} to ${to}.`);
  else if (played.fromBar < item.fromBar || to > item.toBar) {
    add(
      played.fromBar < item.fromBar ? 'fromBar' : 'toBar',
      `${item.name} has bars ${item.fromBar} to ${item.toBar}.`
    );
  }
}
