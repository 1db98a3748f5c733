import { fail, redirect } from '@sveltejs/kit';
import { superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { blankSection, itemForm, readItemForm } from '$lib/schema/item-form';
import { ask, putFaults } from '$lib/server/http';
import { addItem, prepareItem } from '$lib/server/usecase/list';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  ask(event, prepareItem, { auditionId: event.params.audition });
  const blank = {
    ...itemForm.parse({ name: 'x', composer: '', edition: '', tested: '' }),
    name: '',
    fromBar: 1,
    sections: [blankSection('new-1')]
  };
  return { form: await superValidate(blank, zod4(itemForm), { errors: false }) };
};

export const actions: Actions = {
  save: async (event) => {
    const form = await superValidate(event.request, zod4(itemForm));
    if (!form.valid) return fail(400, { form });
    const read = readItemForm(form.data);
    if (!read.ok) return putFaults(form, read.faults);
    ask(event, addItem, { auditionId: event.params.audition, item: read.item });
    redirect(303, `/auditions/${event.params.audition}/list`);
  }
};
