import { fail, redirect } from '@sveltejs/kit';
import { eveningForm, limitsIn } from '$lib/schema/mock';
import { allow, fieldsOf, runAs, sayRefusal } from '$lib/server/http';
import { prepareEvening, readPlayers } from '$lib/server/usecase/evening';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => runAs(event, readPlayers, {});

export const actions: Actions = {
  default: async (event) => {
    allow(event, prepareEvening, undefined);
    const read = eveningForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { fault: read.error.issues[0]!.message });
    const { warmUpMin, waitingMin, ...plan } = read.data;
    let token: string;
    try {
      token = runAs(event, prepareEvening, { ...plan, before: limitsIn({ warmUpMin, waitingMin }) });
    } catch (thrown) {
      return fail(400, { fault: sayRefusal(thrown) });
    }
    redirect(303, `/studio/evening/${plan.id}?undo=${token}`);
  }
};
