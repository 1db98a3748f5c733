import { redirect } from '@sveltejs/kit';
import { allow, fieldsOf, runAs } from '$lib/server/http';
import { takeCall } from '$lib/server/usecase/call';
import { orderUntaken, removeUntakenItem } from '$lib/server/usecase/untaken';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ url }) => ({ removed: url.searchParams.get('removed') });

export const actions: Actions = {
  take: async (event) => {
    allow(event, takeCall, undefined);
    const candidateId = (await fieldsOf(event)).get('candidate');
    redirect(303, `/auditions/${runAs(event, takeCall, { candidateId, callId: event.params.call })}`);
  },
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
