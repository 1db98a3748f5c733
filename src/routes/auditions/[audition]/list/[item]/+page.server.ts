import { redirect } from '@sveltejs/kit';
import { fillItemForm, itemForm } from '$lib/schema/item-form';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm } from '$lib/server/form/form';
import { typedItem } from '$lib/server/form/typed-item';
import { allow, runAs } from '$lib/server/http';
import { previewItem, readItem, removeItem, saveItem } from '$lib/server/usecase/list';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const { item, takers, planned, log } = runAs(event, readItem, { itemId: event.params.item });
  return {
    itemId: item.id,
    name: item.name,
    takers,
    planned,
    log,
    form: await fillForm(itemForm, fillItemForm(item))
  };
};

export const actions: Actions = {
  preview: async (event) => {
    allow(event, previewItem, undefined);
    const typed = await typedItem(event);
    if ('refused' in typed) return typed.refused;
    const { form, item } = typed;
    const asked = { itemId: event.params.item, item };
    const answer = await answerForm(form, () => previewItem(theApp(), event.locals.who, asked));
    return 'failed' in answer ? answer.failed : { form, isPreview: true, effects: answer.done };
  },
  save: async (event) => {
    allow(event, saveItem, undefined);
    const typed = await typedItem(event);
    if ('refused' in typed) return typed.refused;
    const { form, item } = typed;
    const { version } = form.data;
    const itemId = event.params.item;
    const answer = await answerForm(form, () =>
      saveItem(theApp(), event.locals.who, { itemId, item, version })
    );
    if ('failed' in answer) {
      form.data.version = runAs(event, readItem, { itemId }).item.version;
      return answer.failed;
    }
    // the item's own list, whatever the path said before it
    const { auditionId } = runAs(event, readItem, { itemId }).item;
    redirect(303, `/auditions/${auditionId}/list?undo=${answer.done}`);
  },
  remove: (event) => {
    const auditionId = runAs(event, removeItem, { itemId: event.params.item, isBack: false });
    redirect(303, `/auditions/${auditionId}/list?removed=${event.params.item}`);
  }
};
