import { error, json } from '@sveltejs/kit';
import { takeSent } from '$lib/schema/take';
import { jsonOf, runAs } from '$lib/server/http';
import { addTake } from '$lib/server/usecase/takes';
import type { RequestHandler } from './$types';

/** Notes a take that a device has made, before its sound comes. */
export const POST: RequestHandler = async (event) => {
  if (event.locals.who.kind === 'nobody') error(401, { message: 'Sign in first.' });
  const { take } = await jsonOf(event, takeSent);
  return json(runAs(event, addTake, { itemId: take.itemId, take }));
};
