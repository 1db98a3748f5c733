import { fail, redirect } from '@sveltejs/kit';
import { joinSections, listForm, readListRow, sayStray } from '$lib/schema/list/row';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm, refuseForm } from '$lib/server/form/form';
import { allow, runAs, fieldsOf, formOf } from '$lib/server/http';
import { MOST_LIST_BYTES, decodeText, readList } from '$lib/server/list-file';
import { addItems, prepareHolds, prepareItem } from '$lib/server/usecase/list';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const { today } = runAs(event, prepareItem, { auditionId: event.params.audition });
  return { today, form: await fillForm(listForm, { rows: [] }) };
};

export const actions: Actions = {
  read: async (event) => {
    allow(event, addItems, undefined);
    const fields = await fieldsOf(event, { fileBytes: MOST_LIST_BYTES });
    const text = fields.file ? decodeText(fields.file) : fields.get('text');
    const read = readList(text);
    return read.ok ? { rows: read.rows, notes: read.notes } : fail(400, { fault: read.says });
  },
  save: async (event) => {
    allow(event, addItems, undefined);
    const auditionId = event.params.audition;
    const form = await formOf(event, listForm);
    if (!form.valid) return fail(400, { form });
    if (form.data.rows.length === 0)
      return refuseForm(form, [{ path: ['_errors'], says: 'There is no item to add.' }]);
    const { today } = runAs(event, prepareItem, { auditionId });
    const read = form.data.rows.map((row) => readListRow(row, today));
    const faults = read.flatMap((row, i) =>
      row.ok ? [] : [{ path: ['rows', i, row.fault.field], says: row.fault.says }]
    );
    if (faults.length > 0) return refuseForm(form, faults);
    const items = joinSections(read.flatMap((row) => (row.ok ? [row.item] : [])));
    const strays = items.map(sayStray).filter((says) => says !== null);
    if (strays.length > 0)
      return refuseForm(
        form,
        strays.map((says) => ({ path: ['_errors'], says }))
      );
    const answer = await answerForm(form, () => addItems(theApp(), event.locals.who, { auditionId, items }));
    if ('failed' in answer) return answer.failed;
    // a first plan asks what holds
    const isAsked = runAs(event, prepareHolds, { auditionId }).some(({ isKnown }) => !isKnown);
    redirect(303, `/auditions/${auditionId}/list${isAsked ? '/holds' : ''}`);
  }
};
