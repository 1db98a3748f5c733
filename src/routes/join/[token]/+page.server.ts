import { fail, redirect } from '@sveltejs/kit';
import { superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { joinForm } from '$lib/schema/forms';
import { theApp } from '$lib/server/context';
import { answerForm, ask, putSession } from '$lib/server/http';
import { acceptJoinLink, readJoinLink } from '$lib/server/usecase/sign-in';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  const { name, login } = ask(event, readJoinLink, { token: event.params.token });
  return { name, form: await superValidate({ login, password: '' }, zod4(joinForm), { errors: false }) };
};

export const actions: Actions = {
  default: async ({ request, locals, cookies, url, params }) => {
    const form = await superValidate(request, zod4(joinForm));
    if (!form.valid) return fail(400, { form });
    const answer = await answerForm(form, () =>
      acceptJoinLink(theApp(), locals.who, { ...form.data, token: params.token })
    );
    if ('failed' in answer) return answer.failed;
    putSession(cookies, url, answer.done);
    redirect(303, '/');
  }
};
