import { fail, redirect } from '@sveltejs/kit';
import { superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { newTeacherForm } from '$lib/schema/forms';
import { theApp } from '$lib/server/context';
import { answerForm, ask, putSession } from '$lib/server/http';
import { createTeacher, isNewStudio } from '$lib/server/usecase/sign-in';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  if (!ask(event, isNewStudio, undefined as void)) redirect(303, '/sign-in');
  return { form: await superValidate(zod4(newTeacherForm)) };
};

export const actions: Actions = {
  default: async ({ request, locals, cookies, url }) => {
    const form = await superValidate(request, zod4(newTeacherForm));
    if (!form.valid) return fail(400, { form });
    const answer = await answerForm(form, () => createTeacher(theApp(), locals.who, form.data));
    if ('failed' in answer) return answer.failed;
    putSession(cookies, url, answer.done);
    redirect(303, '/studio');
  }
};
