import { fail } from '@sveltejs/kit';
import { z } from 'zod';
import { GROUNDWORK, type GroundworkKind } from '$lib/core/readiness';
import { allow, runAs, fieldsOf } from '$lib/server/http';
import { tickCheck } from '$lib/server/usecase/countback';
import { orderItems, readList, removeItem } from '$lib/server/usecase/list';
import type { Undo } from '$lib/schema/view';
import type { Actions, PageServerLoad } from './$types';

const kinds = GROUNDWORK.map((g) => g.kind) as [GroundworkKind, ...GroundworkKind[]];
const groundworkForm = z.object({
  itemId: z.string(),
  kind: z.enum(kinds),
  isTicked: z.string().transform((text) => text === '1')
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
    runAs(event, tickCheck, read.data);
  },
  restore: async (event) => {
    allow(event, removeItem, undefined);
    runAs(event, removeItem, { itemId: (await fieldsOf(event)).get('id'), isBack: true });
  }
};
