import { fail, redirect } from '@sveltejs/kit';
import { newTeacherForm } from '$lib/schema/forms';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm } from '$lib/server/form/form';
import { runAs, deviceOf, formOf, putSession } from '$lib/server/http';
import { createTeacher, isNewStudio } from '$lib/server/usecase/sign-in';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  if (!runAs(event, isNewStudio, undefined as void)) redirect(303, '/sign-in');
  return { form: await fillForm(newTeacherForm) };
};

export const actions: Actions = {
  default: async (event) => {
    const form = await formOf(event, newTeacherForm);
    if (!form.valid) return fail(400, { form });
    const input = { ...form.data, device: deviceOf(event) };
    const answer = await answerForm(form, () => createTeacher(theApp(), event.locals.who, input), {
      'password-weak': 'password',
      'login-taken': 'login'
    });
    if ('failed' in answer) return answer.failed;
    putSession(event, answer.done);
    redirect(303, '/studio');
  }
};
