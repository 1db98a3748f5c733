import { fail, redirect } from '@sveltejs/kit';
import { joinForm } from '$lib/schema/forms';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm } from '$lib/server/form/form';
import { runAs, deviceOf, formOf, putSession } from '$lib/server/http';
import { acceptJoinLink, readJoinLink } from '$lib/server/usecase/sign-in';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const { name, login } = runAs(event, readJoinLink, { token: event.params.token });
  return { name, form: await fillForm(joinForm, { login, password: '' }) };
};

export const actions: Actions = {
  default: async (event) => {
    const { token } = event.params;
    runAs(event, readJoinLink, { token });
    const form = await formOf(event, joinForm);
    if (!form.valid) return fail(400, { form });
    const input = { ...form.data, token, device: deviceOf(event) };
    const answer = await answerForm(form, () => acceptJoinLink(theApp(), event.locals.who, input), {
      'password-weak': 'password',
      'login-taken': 'login'
    });
    form.data.password = '';
    if ('failed' in answer) return answer.failed;
    putSession(event, answer.done);
    redirect(303, '/');
  }
};
