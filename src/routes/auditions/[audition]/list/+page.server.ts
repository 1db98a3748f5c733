import { fail } from '@sveltejs/kit';
import { z } from 'zod';
import { saidKind } from '$lib/core/record';
import { allow, runAs, fieldsOf } from '$lib/server/http';
import { orderItems, readList, removeItem } from '$lib/server/usecase/list';
import { sayCheck } from '$lib/server/usecase/readiness';
import type { Undo } from '$lib/schema/view';
import type { Actions, PageServerLoad } from './$types';

const groundworkForm = z.object({
  itemId: z.string(),
  check: saidKind,
  isHeld: z.string().transform((text) => text === '1')
});

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readList, { auditionId: event.params.audition }),
  removed: event.url.searchParams.get('removed')
});

export const actions: Actions = {
  order: async (event) => {
    allow(event, orderItems, undefined);
    const ids = (await fieldsOf(event)).get('ids').split(',');
    const token = runAs(event, orderItems, { auditionId: event.params.audition, ids });
    const undo: Undo = { says: 'The order is changed.', token };
    return { undo };
  },
  groundwork: async (event) => {
    allow(event, readList, { auditionId: event.params.audition });
    const read = groundworkForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400);
    runAs(event, sayCheck, read.data);
  },
  restore: async (event) => {
    allow(event, removeItem, undefined);
    runAs(event, removeItem, { itemId: (await fieldsOf(event)).get('id'), isBack: true });
  }
};
