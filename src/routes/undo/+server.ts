import { redirect } from '@sveltejs/kit';
import { ask } from '$lib/server/http';
import { takeBack } from '$lib/server/usecase/undo';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async (event) => {
  const data = await event.request.formData();
  ask(event, takeBack, { undoToken: String(data.get('undo') ?? '') });
  const to = new URL(String(data.get('to') ?? '/'), event.url);
  redirect(303, to.origin === event.url.origin ? to.pathname : '/');
};
