import { fail, redirect } from '@sveltejs/kit';
import { superValidate } from 'sveltekit-superforms';
import { zod4 } from 'sveltekit-superforms/adapters';
import { signInForm } from '$lib/schema/forms';
import { theApp } from '$lib/server/context';
import { answerForm, ask, putSession } from '$lib/server/http';
import { readDemoDoor } from '$lib/server/usecase/studio';
import { isNewStudio, signIn } from '$lib/server/usecase/sign-in';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  if (event.locals.who.kind !== 'nobody') redirect(303, '/');
  if (ask(event, isNewStudio, undefined as void)) redirect(303, '/new-studio');
  return { form: await superValidate(zod4(signInForm)), door: ask(event, readDemoDoor, undefined as void) };
};

export const actions: Actions = {
  default: async ({ request, locals, cookies, url, getClientAddress }) => {
    const form = await superValidate(request, zod4(signInForm));
    if (!form.valid) return fail(400, { form });
    const answer = await answerForm(form, () =>
      signIn(theApp(), locals.who, { ...form.data, address: getClientAddress() })
    );
    if ('failed' in answer) return answer.failed;
    putSession(cookies, url, answer.done);
    redirect(303, localPath(url.searchParams.get('to')));
  }
};

/** Only a path of this studio; anything else leads to the first page. */
function localPath(to: string | null): string {
  return to && /^\/(?![/\\])/.test(to) ? to : '/';
}
