import { filesFolder } from '$lib/server/context';
import { answerWithFile } from '$lib/server/files/serve';
import { runAs } from '$lib/server/http';
import { findSound } from '$lib/server/usecase/takes';
import type { RequestHandler } from './$types';

/** The sound of a take, or the part of it that is asked for. */
export const GET: RequestHandler = (event) => {
  const sound = runAs(event, findSound, { takeId: event.params.take });
  return answerWithFile(filesFolder(), sound, event.request);
};
