import { fail, redirect } from '@sveltejs/kit';
import { theApp } from '$lib/server/context';
import { fillUsual } from '$lib/schema/usual-form';
import { blankSection, itemForm, readItemForm } from '$lib/schema/item-form';
import { answerForm, fillForm, refuseForm } from '$lib/server/form/form';
import { allow, runAs, formOf } from '$lib/server/http';
import { addItem, prepareItem } from '$lib/server/usecase/list';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const { usual } = runAs(event, prepareItem, { auditionId: event.params.audition });
  const blank = {
    ...itemForm.parse({ name: 'x', composer: '', edition: '', tested: '' }),
    ...fillUsual(usual),
    name: '',
    fromBar: 1,
    sections: [blankSection('new-1')]
  };
  return { form: await fillForm(itemForm, blank) };
};

export const actions: Actions = {
  save: async (event) => {
    allow(event, addItem, undefined);
    const { audition: auditionId } = event.params;
    const form = await formOf(event, itemForm);
    if (!form.valid) return fail(400, { form });
    const read = readItemForm(form.data);
    if (!read.ok) return refuseForm(form, read.faults);
    const { item } = read;
    const answer = await answerForm(form, () => addItem(theApp(), event.locals.who, { auditionId, item }));
    if ('failed' in answer) return answer.failed;
    redirect(303, `/auditions/${auditionId}/list`);
  }
};
