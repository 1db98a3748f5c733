import { fail } from '@sveltejs/kit';
import { z } from 'zod';
import { CHECKS_BY_HAND, ASKED_BLOCKS, CHECK_KINDS, CHECK_LEVELS } from '$lib/core/record/words';
import { allow, runAs, fieldsOf } from '$lib/server/http';
import { askBlock, readReadiness, sayCheck, setCheckLevel } from '$lib/server/usecase/readiness';
import type { Undo } from '$lib/schema/view';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readReadiness, { auditionId: event.params.audition })
});

const yes = z.string().transform((text) => text === '1');
const itemId = z.string();
const said = z.object({ itemId, check: z.enum(CHECKS_BY_HAND), isHeld: yes });
const asked = z.object({ itemId, as: z.enum(ASKED_BLOCKS), isWanted: yes });
const level = z.object({ itemId, check: z.enum(CHECK_KINDS), level: z.enum(CHECK_LEVELS) });

export const actions: Actions = {
  say: async (event) => {
    allow(event, readReadiness, { auditionId: event.params.audition });
    const read = said.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400);
    runAs(event, sayCheck, read.data);
  },
  ask: async (event) => {
    allow(event, readReadiness, { auditionId: event.params.audition });
    const read = asked.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400);
    runAs(event, askBlock, read.data);
  },
  level: async (event) => {
    allow(event, setCheckLevel, undefined);
    const read = level.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400);
    const undo: Undo = {
      says: 'What is asked of it is changed.',
      token: runAs(event, setCheckLevel, read.data)
    };
    return { undo };
  }
};
