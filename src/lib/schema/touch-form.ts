/** A touch as a form: fields that may be empty while one types; what it means is the touch schema's to check. */
import { z } from 'zod';
import type { LogLine } from '../core/practice';
import { BEAT_UNITS, type BeatUnit } from '../core/units';
import { touchIdField } from './forms';
import { idField, longText, touchFields } from '../core/record';
import { refineTouch } from './touch';

const number = z.number().nullable().default(null);

export const touchForm = z.object({
  touchId: touchIdField,
  itemId: idField,
  date: z.string(),
  fromBar: number,
  toBar: number,
  minutes: number,
  tempoBpm: number,
  unit: z.enum(BEAT_UNITS).default('quarter'),
  attempts: z.string().max(60, 'At most 60 attempts in one touch.').default(''),
  notHeld: z.array(z.string()).default([]),
  isRecorded: z.boolean().default(false),
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
  return checked.safeParse({
    ...rest,
    id: touchId || undefined,
    fromBar: form.fromBar ?? undefined,
    toBar: form.toBar ?? form.fromBar ?? undefined,
    tempoBpm: form.tempoBpm ?? undefined,
    unit: form.tempoBpm === null ? undefined : form.unit,
    minutes: form.minutes ?? undefined,
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
