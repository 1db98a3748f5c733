import { fail, redirect } from '@sveltejs/kit';
import { joinForm } from '$lib/schema/forms';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm } from '$lib/server/form/form';
import { readHolder } from '$lib/server/grant/grant';
import { deviceOf, formOf, putSession, runAsHolder } from '$lib/server/http';
import { acceptJoinLink, readJoinLink } from '$lib/server/usecase/sign-in';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const { name, login } = runAsHolder(event, 'join', event.params.token, readJoinLink, {});
  return { name, form: await fillForm(joinForm, { login, password: '' }) };
};

export const actions: Actions = {
  default: async (event) => {
    const { token } = event.params;
    runAsHolder(event, 'join', token, readJoinLink, {});
    const form = await formOf(event, joinForm);
    if (!form.valid) return fail(400, { form });
    const input = { ...form.data, device: deviceOf(event) };
    const answer = await answerForm(
      form,
      () => acceptJoinLink(theApp(), readHolder(theApp(), 'join', token), input),
      {
        'password-weak': 'password',
        'login-taken': 'login'
      }
    );
    form.data.password = '';
    if ('failed' in answer) return answer.failed;
    putSession(event, answer.done);
    redirect(303, '/');
  }
};
