import { fail, redirect } from '@sveltejs/kit';
import { signInForm } from '$lib/schema/forms';
import { theApp } from '$lib/server/context';
import { answerForm, fillForm } from '$lib/server/form/form';
import { runAs, deviceOf, formOf, knownDeviceOf, ownPath, putDevice, putSession } from '$lib/server/http';
import { readDemoDoor } from '$lib/server/usecase/studio';
import { isNewStudio, isPreparedAlone, signIn } from '$lib/server/usecase/sign-in';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  if (event.locals.who.kind !== 'nobody') redirect(303, '/');
  if (runAs(event, isNewStudio, undefined as void)) redirect(303, '/new-studio');
  return {
    form: await fillForm(signInForm),
    door: runAs(event, readDemoDoor, undefined as void),
    isAlone: runAs(event, isPreparedAlone, undefined as void)
  };
};

export const actions: Actions = {
  default: async (event) => {
    const form = await formOf(event, signInForm);
    if (!form.valid) return fail(400, { form });
    const answer = await answerForm(form, () =>
      signIn(theApp(), event.locals.who, {
        ...form.data,
        address: event.getClientAddress(),
        device: deviceOf(event),
        knownDevice: knownDeviceOf(event)
      })
    );
    // a password is typed again, not sent back
    form.data.password = '';
    if ('failed' in answer) return answer.failed;
    putSession(event, answer.done.session);
    putDevice(event, answer.done.knownDevice);
    redirect(303, ownPath(event.url.searchParams.get('to') ?? '/', event));
  }
};
