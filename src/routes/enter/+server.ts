import { redirect } from '@sveltejs/kit';
import { ask, putSession } from '$lib/server/http';
import { enterDemo } from '$lib/server/usecase/sign-in';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async (event) => {
  const as = String((await event.request.formData()).get('as') ?? '');
  putSession(event.cookies, event.url, ask(event, enterDemo, { candidateId: as || undefined }));
  redirect(303, '/');
};
