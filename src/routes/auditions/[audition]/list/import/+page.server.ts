import { redirect } from '@sveltejs/kit';
import { listForm } from '$lib/schema/list/row';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm } from '$lib/server/form/form';
import { readPasted, typedItems } from '$lib/server/form/typed-item';
import { allow, runAs } from '$lib/server/http';
import { addItems, prepareHolds, prepareItem } from '$lib/server/usecase/list';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const { today } = runAs(event, prepareItem, { auditionId: event.params.audition });
  return { today, form: await fillForm(listForm, { rows: [] }) };
};

export const actions: Actions = {
  read: async (event) => {
    allow(event, addItems, undefined);
    return readPasted(event);
  },
  save: async (event) => {
    allow(event, addItems, undefined);
    const auditionId = event.params.audition;
    const typed = await typedItems(event, runAs(event, prepareItem, { auditionId }).today);
    if ('refused' in typed) return typed.refused;
    const { form, items } = typed;
    const answer = await answerForm(form, () => addItems(theApp(), event.locals.who, { auditionId, items }));
    if ('failed' in answer) return answer.failed;
    // a first plan asks what holds
    const isAsked = runAs(event, prepareHolds, { auditionId }).some(({ isKnown }) => !isKnown);
    redirect(303, `/auditions/${auditionId}/list${isAsked ? '/holds' : ''}`);
  }
};
