import { randomUUID } from 'node:crypto';
import { fail } from '@sveltejs/kit';
import { type TouchForm, fillFromLine, touchForm } from '$lib/schema/touch-form';
import { fillForm, refuseForm } from '$lib/server/form/form';
import { allow, runAs, fieldsOf, formOf } from '$lib/server/http';
import { fillLogLine, logLine, logTyped } from '$lib/server/form/log-line';
import { readLog, removeTouch } from '$lib/server/usecase/log';
import type { Actions, PageServerLoad } from './$types';

const SHOWN = 40;

const blankTouch = (itemId: string, date: string): TouchForm => ({
  ...fillFromLine(randomUUID(), { itemId, date, minutes: 0, notHeld: [], note: '' }, 'quarter'),
  minutes: null
});

export const load: PageServerLoad = async (event) => {
  const { touches, ...view } = runAs(event, readLog, { auditionId: event.params.audition });
  const blank = blankTouch(view.items[0]?.id ?? '', view.today);
  return {
    view: { ...view, touches: touches.slice(0, SHOWN), logged: touches.length },
    line: await fillLogLine(),
    form: await fillForm(touchForm, blank, 'touch')
  };
};

export const actions: Actions = {
  line: logLine,
  touch: async (event) => {
    allow(event, readLog, { auditionId: event.params.audition });
    const form = await formOf(event, touchForm, 'touch');
    if (!form.valid) return fail(400, { form });
    const answer = logTyped(event, form.data);
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
