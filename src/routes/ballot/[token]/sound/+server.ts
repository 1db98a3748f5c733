import { soundAsked } from '$lib/schema/mock';
import { filesFolder } from '$lib/server/context';
import { answerWithFile } from '$lib/server/files/serve';
import { runAsHolder } from '$lib/server/http';
import { findBallotSound, readBallots } from '$lib/server/usecase/ballot';
import type { RequestHandler } from './$types';
import { error } from '@sveltejs/kit';

/** The sound of an item of a mock that was recorded, or the part of it that is asked for. */
export const GET: RequestHandler = (event) => {
  const { token } = event.params;
  // a link that opens nothing says nothing of what is asked by it
  runAsHolder(event, 'juror', token, readBallots, {});
  const asked = soundAsked.safeParse(Object.fromEntries(event.url.searchParams));
  if (!asked.success) error(404, 'There is nothing here; it may have been removed.');
  const { of: jurorId, item } = asked.data;
  const sound = runAsHolder(event, 'juror', token, findBallotSound, { jurorId, item });
  return answerWithFile(filesFolder(), sound, event.request);
};
