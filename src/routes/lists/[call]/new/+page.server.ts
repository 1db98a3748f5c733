import { redirect } from '@sveltejs/kit';
import { itemForm } from '$lib/schema/item-form';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm } from '$lib/server/form/form';
import { blankItem, typedItem } from '$lib/server/form/typed-item';
import { allow } from '$lib/server/http';
import { addUntakenItems } from '$lib/server/usecase/untaken';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({ form: await fillForm(itemForm, blankItem()) });

export const actions: Actions = {
  save: async (event) => {
    allow(event, addUntakenItems, undefined);
    const callId = event.params.call;
    const typed = await typedItem(event);
    if ('refused' in typed) return typed.refused;
    const { form, item } = typed;
    const answer = await answerForm(form, () =>
      addUntakenItems(theApp(), event.locals.who, { callId, items: [item] })
    );
    if ('failed' in answer) return answer.failed;
    redirect(303, `/lists/${callId}`);
  }
};
