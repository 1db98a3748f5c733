import { fail } from '@sveltejs/kit';
import { z } from 'zod';
import { TICKED_CHECKS } from '$lib/core/readiness';
import { allow, runAs, fieldsOf } from '$lib/server/http';
import { readReadiness, tickCheck } from '$lib/server/usecase/countback';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readReadiness, { auditionId: event.params.audition })
});

const tick = z.object({
  itemId: z.string(),
  kind: z.enum(TICKED_CHECKS as [(typeof TICKED_CHECKS)[number]]),
  isTicked: z.string().transform((text) => text === '1')
});

export const actions: Actions = {
  tick: async (event) => {
    allow(event, readReadiness, { auditionId: event.params.audition });
    const read = tick.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400);
    runAs(event, tickCheck, read.data);
  }
};
