/** What forms of items say: one item with all its facts, or the rows of a pasted list. */
import { fail } from '@sveltejs/kit';
import type { RequestEvent } from '@sveltejs/kit';
import { type ItemForm, blankSection, itemForm, readItemForm } from '$lib/schema/item-form';
import { joinSections, listForm, readListRow, sayStray } from '$lib/schema/list/row';
import { formOf, fieldsOf } from '../http';
import { MOST_LIST_BYTES, decodeText, readList } from '../list-file';
import { refuseForm } from './form';

/** The form of an item of which nothing is known yet. */
export function blankItem(more: Partial<ItemForm> = {}): ItemForm {
  const empty = itemForm.parse({ name: 'x', composer: '', edition: '', tested: '' });
  return { ...empty, ...more, name: '', fromBar: 1, sections: [blankSection('new-1')] };
}

/** The item that was typed; where it is unsound, what the page is answered. */
export async function typedItem(event: RequestEvent) {
  const form = await formOf(event, itemForm);
  if (!form.valid) return { refused: fail(400, { form }) };
  const read = readItemForm(form.data);
  return read.ok ? { form, item: read.item } : { refused: refuseForm(form, read.faults) };
}

/** Reads a pasted or chosen list; nothing is saved. */
export async function readPasted(event: RequestEvent) {
  const fields = await fieldsOf(event, { fileBytes: MOST_LIST_BYTES });
  const read = readList(fields.file ? decodeText(fields.file) : fields.get('text'));
  return read.ok ? { rows: read.rows, notes: read.notes } : fail(400, { fault: read.says });
}

/** The items of a list that was looked over, with what holds on `today`; where a row is unsound, what the page is answered. */
export async function typedItems(event: RequestEvent, today: string) {
  const form = await formOf(event, listForm);
  if (!form.valid) return { refused: fail(400, { form }) };
  if (form.data.rows.length === 0)
    return { refused: refuseForm(form, [{ path: ['_errors'], says: 'There is no item to add.' }]) };
  const read = form.data.rows.map((row) => readListRow(row, today));
  const faults = read.flatMap((row, i) =>
    row.ok ? [] : [{ path: ['rows', i, row.fault.field], says: row.fault.says }]
  );
  if (faults.length > 0) return { refused: refuseForm(form, faults) };
  const items = joinSections(read.flatMap((row) => (row.ok ? [row.item] : [])));
  const strays = items.map(sayStray).filter((says) => says !== null);
  if (strays.length === 0) return { form, items };
  return {
    refused: refuseForm(
      form,
      strays.map((says) => ({ path: ['_errors'], says }))
    )
  };
}
