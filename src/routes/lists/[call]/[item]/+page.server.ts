import { redirect } from '@sveltejs/kit';
import { fillItemForm, itemForm } from '$lib/schema/item-form';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm } from '$lib/server/form/form';
import { typedItem } from '$lib/server/form/typed-item';
import { allow, runAs } from '$lib/server/http';
import { readUntakenItem, removeUntakenItem, saveUntakenItem } from '$lib/server/usecase/untaken';
import type { Actions, PageServerLoad } from './$types';

const placeOf = ({ params }: { params: { call: string; item: string } }) => ({
  callId: params.call,
  itemId: params.item
});

export const load: PageServerLoad = async (event) => {
  const { item } = runAs(event, readUntakenItem, placeOf(event));
  const filled = fillItemForm({ ...item, hasOwnSections: false });
  return { name: item.name, form: await fillForm(itemForm, filled) };
};

export const actions: Actions = {
  save: async (event) => {
    allow(event, saveUntakenItem, undefined);
    const typed = await typedItem(event);
    if ('refused' in typed) return typed.refused;
    const { form, item } = typed;
    const { version } = form.data;
    const answer = await answerForm(form, () =>
      saveUntakenItem(theApp(), event.locals.who, { ...placeOf(event), item, version })
    );
    if ('failed' in answer) {
      form.data.version = runAs(event, readUntakenItem, placeOf(event)).item.version;
      return answer.failed;
    }
    redirect(303, `/lists/${event.params.call}`);
  },
  remove: (event) => {
    runAs(event, removeUntakenItem, { ...placeOf(event), isBack: false });
    redirect(303, `/lists/${event.params.call}?removed=${event.params.item}`);
  }
};
