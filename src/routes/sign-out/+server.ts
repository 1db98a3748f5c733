import { redirect } from '@sveltejs/kit';
import { theApp } from '$lib/server/context';
import { SESSION_COOKIE } from '$lib/server/http';
import { signOut } from '$lib/server/usecase/sign-in';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = ({ cookies, locals }) => {
  const token = cookies.get(SESSION_COOKIE);
  if (token) signOut(theApp(), locals.who, { token });
  cookies.delete(SESSION_COOKIE, { path: '/' });
  redirect(303, '/sign-in');
};
