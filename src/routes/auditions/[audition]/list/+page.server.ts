import { fail } from '@sveltejs/kit';
import { z } from 'zod';
import { GROUNDWORK, type GroundworkKind } from '$lib/core/readiness';
import { ask } from '$lib/server/http';
import { tickCheck } from '$lib/server/usecase/countback';
import { orderItems, readList, removeItem } from '$lib/server/usecase/list';
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
    const ids = (await event.request.formData()).getAll('id').map(String);
    ask(event, orderItems, { auditionId: event.params.audition, ids });
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
