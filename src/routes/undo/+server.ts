import { json, redirect } from '@sveltejs/kit';
import { runAs, fieldsOf, ownPath } from '$lib/server/http';
import { takeBack } from '$lib/server/usecase/undo';
import type { RequestHandler } from './$types';

/** A page that runs asks for JSON and stays where it is; without one it is led back. */
export const POST: RequestHandler = async (event) => {
  const fields = await fieldsOf(event);
  runAs(event, takeBack, { undoToken: fields.get('undo') });
  if (event.request.headers.get('accept') === 'application/json') return json({ isBack: true });
  redirect(303, ownPath(fields.get('to'), event));
};
