import { redirect } from '@sveltejs/kit';
import { listForm } from '$lib/schema/list/row';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm } from '$lib/server/form/form';
import { readPasted, typedItems } from '$lib/server/form/typed-item';
import { allow, runAs } from '$lib/server/http';
import { addUntakenItems, readUntaken } from '$lib/server/usecase/untaken';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({ form: await fillForm(listForm, { rows: [] }) });

export const actions: Actions = {
  read: async (event) => {
    allow(event, addUntakenItems, undefined);
    return readPasted(event);
  },
  save: async (event) => {
    allow(event, addUntakenItems, undefined);
    const callId = event.params.call;
    const typed = await typedItems(event, runAs(event, readUntaken, { callId }).today);
    if ('refused' in typed) return typed.refused;
    const { form, items } = typed;
    const answer = await answerForm(form, () =>
      addUntakenItems(theApp(), event.locals.who, { callId, items })
    );
    if ('failed' in answer) return answer.failed;
    redirect(303, `/lists/${callId}`);
  }
};
