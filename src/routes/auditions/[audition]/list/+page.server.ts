import { ask } from '$lib/server/http';
import { orderItems, readList, removeItem } from '$lib/server/usecase/list';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: ask(event, readList, { auditionId: event.params.audition }),
  removed: event.url.searchParams.get('removed')
});

export const actions: Actions = {
  order: async (event) => {
    const ids = (await event.request.formData()).getAll('id').map(String);
    ask(event, orderItems, { auditionId: event.params.audition, ids });
  },
  restore: async (event) => {
    const itemId = String((await event.request.formData()).get('id') ?? '');
    ask(event, removeItem, { itemId, isBack: true });
  }
};
