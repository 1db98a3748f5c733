import { randomUUID } from 'node:crypto';
import { fail } from '@sveltejs/kit';
import { parseLogLine } from '$lib/core/practice';
import { targetOf } from '$lib/core/tempo';
import { dayOf } from '$lib/core/units';
import { lineForm } from '$lib/schema/forms';
import { type TouchForm, fillFromLine, readTouchForm, touchForm } from '$lib/schema/touch-form';
import { fillForm, refuseForm } from '$lib/server/form/form';
import { allow, runAs, fieldsOf, formOf } from '$lib/server/http';
import { logTouch, readLog, removeTouch } from '$lib/server/usecase/log';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

const SHOWN = 40;

const blankLine = () => ({ touchId: randomUUID(), line: '' });
const blankTouch = (itemId: string, date: string): TouchForm => ({
  ...fillFromLine(randomUUID(), { itemId, date, minutes: 0, notHeld: [], note: '' }, 'quarter'),
  minutes: null
});

export const load: PageServerLoad = async (event) => {
  const { touches, ...view } = runAs(event, readLog, { auditionId: event.params.audition });
  const blank = blankTouch(view.items[0]?.id ?? '', view.today);
  return {
    view: { ...view, touches: touches.slice(0, SHOWN), logged: touches.length },
    line: await fillForm(lineForm, blankLine(), 'line'),
    form: await fillForm(touchForm, blank, 'touch')
  };
};

function log(event: RequestEvent, form: TouchForm) {
  const { items, today } = runAs(event, readLog, { auditionId: event.params.audition });
  const read = readTouchForm(form, items, today);
  if (!read.success)
    return {
      faults: read.error.issues.map((i) => ({ path: i.path as (string | number)[], says: i.message }))
    };
  return { logged: runAs(event, logTouch, { ...read.data, isTyped: true }) };
}

export const actions: Actions = {
  line: async (event) => {
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
    const answer = log(event, fillFromLine(line.data.touchId, parsed.value, unit));
    if (answer.faults) return refuse(answer.faults[0]!.says);
    return { form: { ...line, data: blankLine() }, ...answer };
  },
  touch: async (event) => {
    allow(event, readLog, { auditionId: event.params.audition });
    const form = await formOf(event, touchForm, 'touch');
    if (!form.valid) return fail(400, { form });
    const answer = log(event, form.data);
    if (answer.faults) return refuseForm(form, answer.faults);
    return { form: { ...form, data: blankTouch(form.data.itemId, form.data.date) }, ...answer };
  },
  remove: async (event) => {
    allow(event, readLog, { auditionId: event.params.audition });
    const fields = await fieldsOf(event);
    const touchId = fields.get('id');
    const isBack = fields.get('back') === '1';
    runAs(event, removeTouch, { touchId, isBack });
    return { removed: isBack ? null : touchId };
  }
};
