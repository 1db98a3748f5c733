import { redirect } from '@sveltejs/kit';
import { runAs } from '$lib/server/http';
import { readUntaken } from '$lib/server/usecase/untaken';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = (event) => {
  const list = runAs(event, readUntaken, { callId: event.params.call });
  // who takes it has it on pages of their own
  if (list.taker) redirect(303, `/auditions/${list.taker.auditionId}/list`);
  return { list };
};
