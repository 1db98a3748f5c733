import { fail, isHttpError, redirect } from '@sveltejs/kit';
import { changesText } from '$lib/schema/changes';
import { ask } from '$lib/server/http';
import { readCountback } from '$lib/server/usecase/countback';
import { keepChanges, readScratch } from '$lib/server/usecase/what-if';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => {
  const { audition: auditionId } = event.params;
  const { request, ...scratch } = ask(event, readScratch, { auditionId });
  const { log: _, ...facts } = request;
  return {
    scratch: { ...scratch, facts },
    view: ask(event, readCountback, { auditionId })
  };
};

export const actions: Actions = {
  keep: async (event) => {
    const { audition: auditionId } = event.params;
    const read = changesText.safeParse((await event.request.formData()).get('changes'));
    if (!read.success) return fail(400, { says: read.error.issues[0]!.message });
    let token: string;
    try {
      token = ask(event, keepChanges, { auditionId, changes: read.data });
    } catch (thrown) {
      if (isHttpError(thrown, 400)) return fail(400, { says: thrown.body.message });
      throw thrown;
    }
    redirect(303, `/auditions/${auditionId}?undo=${token}`);
  }
};
