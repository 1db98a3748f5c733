import { fail, redirect } from '@sveltejs/kit';
import { newTeacherForm } from '$lib/schema/forms';
import { theApp } from '$lib/server/context';
import { isZone } from '$lib/core/units/zone';
import { answerForm, fillForm, refuseForm } from '$lib/server/form/form';
import { runAs, deviceOf, formOf, putSession } from '$lib/server/http';
import { createTeacher, isNewStudio } from '$lib/server/usecase/sign-in';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  if (!runAs(event, isNewStudio, undefined as void)) redirect(303, '/sign-in');
  return { zones: Intl.supportedValuesOf('timeZone'), form: await fillForm(newTeacherForm) };
};

export const actions: Actions = {
  default: async (event) => {
    const form = await formOf(event, newTeacherForm);
    if (!form.valid) return fail(400, { form });
    const { name, login, password, how, instruments, zone } = form.data;
    if (how === 'alone' && instruments === '')
      return refuseForm(form, [{ path: ['instruments'], says: 'What do you play?' }]);
    if (how === 'alone' && !isZone(zone))
      return refuseForm(form, [{ path: ['zone'], says: 'Choose a time zone, such as Europe/Brussels.' }]);
    const alone = how === 'alone' ? { instruments, zone } : undefined;
    const input = { name, login, password, device: deviceOf(event), alone };
    const answer = await answerForm(form, () => createTeacher(theApp(), event.locals.who, input), {
      'password-weak': 'password',
      'login-taken': 'login'
    });
    if ('failed' in answer) return answer.failed;
    putSession(event, answer.done);
    redirect(303, '/');
  }
};
