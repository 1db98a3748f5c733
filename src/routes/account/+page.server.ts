import { fail, redirect } from '@sveltejs/kit';
import { passwordForm } from '$lib/schema/forms';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm } from '$lib/server/form/form';
import { allow, runAs, fieldsOf, formOf, sessionOf } from '$lib/server/http';
import { changePassword, endSession, readSessions } from '$lib/server/usecase/sign-in';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => ({
  account: runAs(event, readSessions, { token: sessionOf(event) }),
  form: await fillForm(passwordForm)
});

export const actions: Actions = {
  password: async (event) => {
    allow(event, changePassword, undefined);
    const form = await formOf(event, passwordForm);
    if (!form.valid) return fail(400, { form });
    const input = { ...form.data, token: sessionOf(event) };
    const answer = await answerForm(form, () => changePassword(theApp(), event.locals.who, input), {
      'wrong-sign-in': 'present',
      'password-weak': 'password'
    });
    form.data = { present: '', password: '' };
    return 'failed' in answer ? answer.failed : { form, isChanged: true };
  },
  end: async (event) => {
    allow(event, endSession, undefined);
    runAs(event, endSession, { handle: (await fieldsOf(event)).get('session') });
    redirect(303, '/account');
  }
};
