import { fail, redirect } from '@sveltejs/kit';
import { superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { fillItemForm, itemForm, readItemForm } from '$lib/schema/item-form';
import { theApp } from '$lib/server/context';
import { answerForm, ask, putFaults } from '$lib/server/http';
import { previewItem, readItem, removeItem, saveItem } from '$lib/server/usecase/list';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const { item, takers, planned, log } = ask(event, readItem, { itemId: event.params.item });
  return {
    itemId: item.id,
    name: item.name,
    takers,
    planned,
    log,
    form: await superValidate(fillItemForm(item), zod4(itemForm), { errors: false })
  };
};

export const actions: Actions = {
  preview: async (event) => {
    const form = await superValidate(event.request, zod4(itemForm));
    if (!form.valid) return fail(400, { form });
    const read = readItemForm(form.data);
    if (!read.ok) return putFaults(form, read.faults);
    const itemId = event.params.item;
    return { form, effects: ask(event, previewItem, { itemId, item: read.item }) };
  },
  save: async (event) => {
    const form = await superValidate(event.request, zod4(itemForm));
    if (!form.valid) return fail(400, { form });
    const read = readItemForm(form.data);
    if (!read.ok) return putFaults(form, read.faults);
    const { item } = read;
    const answer = await answerForm(form, () =>
      saveItem(theApp(), event.locals.who, { itemId: event.params.item, item, version: form.data.version })
    );
    if ('failed' in answer) {
      form.data.version = ask(event, readItem, { itemId: event.params.item }).item.version;
      return answer.failed;
    }
    redirect(303, `/auditions/${event.params.audition}/list?undo=${answer.done}`);
  },
  remove: (event) => {
    const auditionId = ask(event, removeItem, { itemId: event.params.item, isBack: false });
    redirect(303, `/auditions/${auditionId}/list?removed=${event.params.item}`);
  }
};
