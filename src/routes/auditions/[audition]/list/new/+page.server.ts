import { redirect } from '@sveltejs/kit';
import { itemForm } from '$lib/schema/item-form';
import { fillUsual } from '$lib/schema/usual-form';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm } from '$lib/server/form/form';
import { blankItem, typedItem } from '$lib/server/form/typed-item';
import { allow, runAs } from '$lib/server/http';
import { addItem, prepareItem } from '$lib/server/usecase/list';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const { usual } = runAs(event, prepareItem, { auditionId: event.params.audition });
  return { form: await fillForm(itemForm, blankItem(fillUsual(usual))) };
};

export const actions: Actions = {
  save: async (event) => {
    allow(event, addItem, undefined);
    const { audition: auditionId } = event.params;
    const typed = await typedItem(event);
    if ('refused' in typed) return typed.refused;
    const { form, item } = typed;
    const answer = await answerForm(form, () => addItem(theApp(), event.locals.who, { auditionId, item }));
    if ('failed' in answer) return answer.failed;
    redirect(303, `/auditions/${auditionId}/list`);
  }
};
