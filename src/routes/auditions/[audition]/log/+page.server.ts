import { fail } from '@sveltejs/kit';
import { setError, superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { parseLogLine } from '$lib/core/practice';
import { targetOf } from '$lib/core/tempo';
import { dayOf } from '$lib/core/units';
import { lineForm } from '$lib/schema/forms';
import { type TouchForm, fillFromLine, readTouchForm, touchForm } from '$lib/schema/touch-form';
import { ask, putFaults } from '$lib/server/http';
import { logTouch, readLog, removeTouch } from '$lib/server/usecase/log';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

const SHOWN = 40;

export const load: PageServerLoad = async (event) => {
  const { touches, ...view } = ask(event, readLog, { auditionId: event.params.audition });
  const blank = {
    ...fillFromLine(
      { itemId: view.items[0]?.id ?? '', date: view.today, minutes: 0, notHeld: [], note: '' },
      'quarter'
    ),
    minutes: null
  };
  return {
    view: { ...view, touches: touches.slice(0, SHOWN), logged: touches.length },
    line: await superValidate({ line: '' }, zod4(lineForm), { errors: false, id: 'line' }),
    form: await superValidate(blank, zod4(touchForm), { errors: false, id: 'touch' })
  };
};

function log(event: RequestEvent, form: TouchForm) {
  const { items, today } = ask(event, readLog, { auditionId: event.params.audition });
  const read = readTouchForm(form, items, today);
  if (!read.success)
    return {
      faults: read.error.issues.map((i) => ({ path: i.path as (string | number)[], says: i.message }))
    };
  return { logged: ask(event, logTouch, read.data) };
}

export const actions: Actions = {
  line: async (event) => {
    const line = await superValidate(event.request, zod4(lineForm), { id: 'line' });
    if (!line.valid) return fail(400, { form: line });
    const { items, today } = ask(event, readLog, { auditionId: event.params.audition });
    const parsed = parseLogLine(line.data.line, items, dayOf(today));
    if (!parsed.ok) return setError(line, 'line', parsed.faults[0]!.says);
    const item = items.find((i) => i.id === parsed.value.itemId)!;
    const at = item.sections.find(
      (s) =>
        parsed.value.fromBar === undefined ||
        (parsed.value.fromBar >= s.fromBar && parsed.value.fromBar <= s.toBar)
    );
    const unit = (at && targetOf(at.tempo)?.unit) ?? 'quarter';
    const answer = log(event, fillFromLine(parsed.value, unit));
    if (answer.faults) return setError(line, 'line', answer.faults[0]!.says);
    return { form: { ...line, data: { line: '' } }, ...answer };
  },
  touch: async (event) => {
    const form = await superValidate(event.request, zod4(touchForm), { id: 'touch' });
    if (!form.valid) return fail(400, { form });
    const answer = log(event, form.data);
    if (answer.faults) return putFaults(form, answer.faults);
    return { form, ...answer };
  },
  remove: async (event) => {
    const data = await event.request.formData();
    const touchId = String(data.get('id') ?? '');
    const isBack = data.get('back') === '1';
    ask(event, removeTouch, { touchId, isBack });
    return { removed: isBack ? null : touchId };
  }
};
