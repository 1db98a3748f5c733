import { randomUUID } from 'node:crypto';
import { fail } from '@sveltejs/kit';
import { remarkForm } from '$lib/schema/take';
import { fieldsOf, runAsHolder, sayRefusal } from '$lib/server/http';
import { addRemark, readListening } from '$lib/server/usecase/listener';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAsHolder(event, 'listener', event.params.token, readListening, {}),
  newId: randomUUID()
});

export const actions: Actions = {
  remark: async (event) => {
    // a link that opens nothing lets nothing in
    runAsHolder(event, 'listener', event.params.token, readListening, {});
    const read = remarkForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { fault: read.error.issues[0]!.message });
    try {
      runAsHolder(event, 'listener', event.params.token, addRemark, read.data);
    } catch (thrown) {
      return fail(400, { fault: sayRefusal(thrown) });
    }
  }
};
