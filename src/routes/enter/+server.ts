import { redirect } from '@sveltejs/kit';
import { runAs, deviceOf, fieldsOf, putSession } from '$lib/server/http';
import { enterDemo } from '$lib/server/usecase/sign-in';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async (event) => {
  const as = (await fieldsOf(event)).get('as');
  putSession(event, runAs(event, enterDemo, { candidateId: as || undefined, device: deviceOf(event) }));
  redirect(303, '/');
};
