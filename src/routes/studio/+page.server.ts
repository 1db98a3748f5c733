import { fail, redirect } from '@sveltejs/kit';
import { superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { candidateForm } from '$lib/schema/forms';
import { ask } from '$lib/server/http';
import { addCandidate, readStudio } from '$lib/server/usecase/studio';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => ({
  studio: ask(event, readStudio, {}),
  zones: Intl.supportedValuesOf('timeZone'),
  form: await superValidate({ name: '', instruments: '', zone: '' }, zod4(candidateForm), { errors: false })
});

export const actions: Actions = {
  default: async (event) => {
    const form = await superValidate(event.request, zod4(candidateForm));
    if (!form.valid) return fail(400, { form });
    redirect(303, `/candidates/${ask(event, addCandidate, form.data)}`);
  }
};
