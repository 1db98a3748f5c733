import { allow, fieldsOf, runAs } from '$lib/server/http';
import { orderUntaken, removeUntakenItem } from '$lib/server/usecase/untaken';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ url }) => ({ removed: url.searchParams.get('removed') });

export const actions: Actions = {
  order: async (event) => {
    allow(event, orderUntaken, undefined);
    const ids = (await fieldsOf(event)).get('ids').split(',');
    runAs(event, orderUntaken, { callId: event.params.call, ids });
  },
  restore: async (event) => {
    allow(event, removeUntakenItem, undefined);
    const itemId = (await fieldsOf(event)).get('id');
    runAs(event, removeUntakenItem, { callId: event.params.call, itemId, isBack: true });
  }
};
