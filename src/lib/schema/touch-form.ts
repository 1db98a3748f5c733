/** A touch as a form: fields that may be empty while one types; what it means is the touch schema's to check. */
import { z } from 'zod';
import type { LogLine } from '../core/practice';
import type { BeatUnit } from '../core/units';
import { touchIdField } from './forms';
import { typedMark, typedNumber, withoutEmpty } from './typed';
import { idField, longText, touchFields } from '../core/record';
import { refineTouch } from './touch';

export const touchForm = z.object({
  touchId: touchIdField,
  itemId: touchFields.itemId,
  date: z.string(),
  fromBar: typedNumber,
  toBar: typedNumber,
  minutes: typedNumber,
  tempoBpm: typedNumber,
  unit: touchFields.unit.unwrap().default('quarter'),
  attempts: z.string().max(60, 'At most 60 attempts in one touch.').default(''),
  notHeld: z.array(z.string()).default([]),
  isRecorded: typedMark,
  note: longText
});
export type TouchForm = z.infer<typeof touchForm>;

type Item = { readonly id: string; readonly name: string; readonly fromBar: number; readonly toBar: number };

/** A sound touch, or the faults at the form's fields. */
export function readTouchForm(form: TouchForm, items: readonly Item[], today: string) {
  const item = items.find((i) => i.id === form.itemId);
  const checked = z.object({ ...touchFields, id: idField.optional() }).superRefine((touch, context) => {
    if (!item) context.addIssue({ code: 'custom', path: ['itemId'], message: 'Choose an item of the list.' });
    else refineTouch(touch, item, today, context);
  });
  const { touchId, isRecorded, ...rest } = form;
  const given = withoutEmpty(rest);
  return checked.safeParse({
    ...given,
    // faults of these name what was typed
    date: rest.date,
    attempts: rest.attempts,
    note: rest.note,
    id: touchId || undefined,
    toBar: given.toBar ?? given.fromBar,
    unit: given.tempoBpm === undefined ? undefined : given.unit,
    evidence: isRecorded ? 'recording' : undefined
  });
}

/** The form that a quick line fills in; its tempo counts the item's own beat unit. */
export function fillFromLine(touchId: string, line: LogLine, unit: BeatUnit): TouchForm {
  return {
    touchId,
    itemId: line.itemId,
    date: line.date,
    fromBar: line.fromBar ?? null,
    toBar: line.toBar ?? null,
    minutes: line.minutes,
    tempoBpm: line.tempoBpm ?? null,
    unit,
    attempts: line.attempts ?? '',
    notHeld: [...line.notHeld],
    isRecorded: false,
    note: line.note
  };
}
