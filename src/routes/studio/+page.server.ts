import { fail, redirect } from '@sveltejs/kit';
import { superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { candidateForm } from '$lib/schema/forms';
import { ask } from '$lib/server/http';
import { checkCall } from '$lib/server/usecase/call';
import { addCandidate, readStudio } from '$lib/server/usecase/studio';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => ({
  studio: ask(event, readStudio, {}),
  zones: Intl.supportedValuesOf('timeZone'),
  form: await superValidate({ name: '', instruments: '', zone: '' }, zod4(candidateForm), { errors: false })
});

export const actions: Actions = {
  add: async (event) => {
    const form = await superValidate(event.request, zod4(candidateForm));
    if (!form.valid) return fail(400, { form });
    redirect(303, `/candidates/${ask(event, addCandidate, form.data)}`);
  },
  checked: async (event) => {
    const auditionId = String((await event.request.formData()).get('audition') ?? '');
    return { checked: { auditionId, before: ask(event, checkCall, { auditionId }) } };
  },
  unchecked: async (event) => {
    const data = await event.request.formData();
    const checkedOn = String(data.get('before') ?? '') || null;
    ask(event, checkCall, { auditionId: String(data.get('audition') ?? ''), checkedOn });
    return { checked: null };
  }
};
