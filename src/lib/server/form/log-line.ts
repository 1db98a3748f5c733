/** A touch typed on a page of an audition, in one line or in fields: read, logged, or answered with its sentence. */
import { randomUUID } from 'node:crypto';
import { type RequestEvent, fail } from '@sveltejs/kit';
import { parseLogLine } from '../../core/practice';
import { targetOf } from '../../core/tempo';
import { dayOf } from '../../core/units';
import { lineForm } from '../../schema/forms';
import { type TouchForm, fillFromLine, readTouchForm } from '../../schema/touch-form';
import { allow, formOf, runAs } from '../http';
import { logTouch, readLog } from '../usecase/log';
import { fillForm, refuseForm } from './form';

type OfAudition = RequestEvent<{ audition: string }>;

const blankLine = () => ({ touchId: randomUUID(), line: '' });
export const fillLogLine = () => fillForm(lineForm, blankLine(), 'line');

/** Logs what a form means, or gives its faults at its own paths. */
export function logTyped(event: OfAudition, form: TouchForm) {
  const { items, today } = runAs(event, readLog, { auditionId: event.params.audition });
  const read = readTouchForm(form, items, today);
  if (!read.success)
    return {
      faults: read.error.issues.map((i) => ({ path: i.path as (string | number)[], says: i.message }))
    };
  return { logged: runAs(event, logTouch, { ...read.data, isTyped: true }) };
}

export async function logLine(event: OfAudition) {
  allow(event, readLog, { auditionId: event.params.audition });
  const line = await formOf(event, lineForm, 'line');
  if (!line.valid) return fail(400, { form: line });
  const { items, today } = runAs(event, readLog, { auditionId: event.params.audition });
  const refuse = (says: string) => refuseForm(line, [{ path: ['line'], says }]);
  const parsed = parseLogLine(line.data.line, items, dayOf(today));
  if (!parsed.ok) return refuse(parsed.faults[0]!.says);
  const item = items.find((i) => i.id === parsed.value.itemId)!;
  const at = item.sections.find(
    (s) =>
      parsed.value.fromBar === undefined ||
      (parsed.value.fromBar >= s.fromBar && parsed.value.fromBar <= s.toBar)
  );
  const unit = (at && targetOf(at.tempo)?.unit) ?? 'quarter';
  const answer = logTyped(event, fillFromLine(line.data.touchId, parsed.value, unit));
  if (answer.faults) return refuse(answer.faults[0]!.says);
  return { form: { ...line, data: blankLine() }, ...answer };
}
