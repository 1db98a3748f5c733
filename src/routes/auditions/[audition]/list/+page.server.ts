import { fail } from '@sveltejs/kit';
import { z } from 'zod';
import { GROUNDWORK, type GroundworkKind } from '$lib/core/readiness';
import { ask } from '$lib/server/http';
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
  view: ask(event, readList, { auditionId: event.params.audition }),
  removed: event.url.searchParams.get('removed')
});

export const actions: Actions = {
  order: async (event) => {
    const auditionId = event.params.audition;
    const ids = String((await event.request.formData()).get('ids') ?? '').split(',');
    const before = ask(event, readList, { auditionId }).items.map((item) => item.id);
    ask(event, orderItems, { auditionId, ids });
    const undo: Undo = { says: 'The order is changed.', action: 'order', fields: { ids: before.join(',') } };
    return { undo };
  },
  groundwork: async (event) => {
    const read = groundworkForm.safeParse(Object.fromEntries(await event.request.formData()));
    if (!read.success) return fail(400);
    ask(event, tickCheck, read.data);
  },
  restore: async (event) => {
    const itemId = String((await event.request.formData()).get('id') ?? '');
    ask(event, removeItem, { itemId, isBack: true });
  }
};
