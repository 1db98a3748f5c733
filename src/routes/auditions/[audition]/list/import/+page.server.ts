import { fail, redirect } from '@sveltejs/kit';
import { setError, superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { joinSections, listForm, readListRow } from '$lib/schema/list-text';
import { theApp } from '$lib/server/context';
import { answerForm, ask } from '$lib/server/http';
import { decodeText, readList } from '$lib/server/list-file';
import { addItems, prepareItem } from '$lib/server/usecase/list';
import type { Actions, PageServerLoad } from './$types';

const MOST_ROWS = 80;

export const load: PageServerLoad = async (event) => {
  ask(event, prepareItem, { auditionId: event.params.audition });
  return { form: await superValidate({ rows: [] }, zod4(listForm), { errors: false }) };
};

export const actions: Actions = {
  read: async (event) => {
    ask(event, prepareItem, { auditionId: event.params.audition });
    const data = await event.request.formData();
    const file = data.get('file');
    const typed = String(data.get('text') ?? '');
    const text =
      file instanceof File && file.size > 0 ? decodeText(new Uint8Array(await file.arrayBuffer())) : typed;
    const rows = readList(text);
    if (rows.length === 0)
      return fail(400, { fault: 'There is nothing to read: paste the list or choose a file.', text });
    if (rows.length > MOST_ROWS || text.includes('\u0000'))
      return fail(400, {
        fault: `That does not look like a list: ${rows.length} lines. At most ${MOST_ROWS} items at once.`,
        text: text.slice(0, 4000)
      });
    return { rows, text };
  },
  save: async (event) => {
    const auditionId = event.params.audition;
    const form = await superValidate(event.request, zod4(listForm));
    if (form.data.rows.length === 0) return setError(form, '', 'There is no item to add.');
    const read = form.data.rows.map(readListRow);
    read.forEach((row, i) => {
      if (!row.ok) setError(form, `rows[${i}].${row.fault.field}`, row.fault.says);
    });
    const sound = read.flatMap((row) => (row.ok ? [row.item] : []));
    if (!form.valid || sound.length < read.length) return fail(400, { form });
    const items = joinSections(sound);
    const answer = await answerForm(form, () => addItems(theApp(), event.locals.who, { auditionId, items }));
    if ('failed' in answer) return answer.failed;
    redirect(303, `/auditions/${auditionId}/list`);
  }
};
