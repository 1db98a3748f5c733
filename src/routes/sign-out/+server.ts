import { redirect } from '@sveltejs/kit';
import { theApp } from '$lib/server/context';
import { endSessionHere, sessionOf } from '$lib/server/http';
import { signOut } from '$lib/server/usecase/sign-in';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = (event) => {
  signOut(theApp(), event.locals.who, { token: sessionOf(event) });
  endSessionHere(event);
  redirect(303, '/sign-in');
};
