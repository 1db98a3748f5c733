import { filesFolder } from '$lib/server/context';
import { answerWithFile } from '$lib/server/files/serve';
import { runAsHolder } from '$lib/server/http';
import { findListenedSound } from '$lib/server/usecase/listener';
import type { RequestHandler } from './$types';

/** The sound that a link opens, or the part of it that is asked for. */
export const GET: RequestHandler = (event) => {
  const sound = runAsHolder(event, 'listener', event.params.token, findListenedSound, {});
  return answerWithFile(filesFolder(), sound, event.request);
};
