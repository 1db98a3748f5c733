/** Has an archive read in a thread of its own: with so much memory, so much time, and an end when nobody waits for it any more. */
import type { Archive } from '../../schema/archive';
import { CodedError } from '../errors';
import { openThread, proxy } from '../thread';
import type { Progress } from './file';
import type { Reader } from './reader.worker';

/** The largest archive there may be takes half of either (measured). */
const MOST_HEAP_MB = 1536;
const MOST_MS = 180_000;

type Options = { readonly signal?: AbortSignal; readonly onProgress?: Progress };

/** The files beside its records go into a folder. Throws CodedError "archive-unreadable" with a sentence that says what is wrong with the file, or that it was stopped. */
export async function readArchiveFile(
  path: string,
  filesFolder: string,
  { signal, onProgress = () => {} }: Options = {}
): Promise<Archive> {
  const source = new URL('./reader.worker.ts', import.meta.url).href;
  const thread = openThread<Reader>('reader', source, { maxOldGenerationSizeMb: MOST_HEAP_MB });
  const candidates: Archive['candidates'][number][] = [];
  const take = (candidate: Archive['candidates'][number]) => void candidates.push(candidate);
  const stopped = refuseWhen(signal);
  try {
    const read = thread.ask.read(path, filesFolder, proxy(onProgress), proxy(take));
    const top = await Promise.race([read, thread.failed, stopped.refused]);
    return { ...top, candidates };
  } catch (thrown) {
    const { name, code, message } = thrown as Error & { code?: string };
    if (name === 'Unreadable') throw unreadable(message);
    if (code === 'ERR_WORKER_OUT_OF_MEMORY') throw unreadable('Unpacked it is larger than any studio.');
    throw thrown;
  } finally {
    stopped.forget();
    thread.end();
  }
}

/** Rejects when it is stopped, or takes too long. */
function refuseWhen(signal?: AbortSignal): { refused: Promise<never>; forget: () => void } {
  let forget = () => {};
  const refused = new Promise<never>((_, reject) => {
    const late = setTimeout(() => reject(unreadable('It took longer than any studio takes.')), MOST_MS);
    const stop = () => reject(unreadable('It was stopped.'));
    signal?.addEventListener('abort', stop);
    if (signal?.aborted) stop();
    forget = () => {
      clearTimeout(late);
      signal?.removeEventListener('abort', stop);
    };
  });
  refused.catch(() => {});
  return { refused, forget };
}

export function unreadable(why: string): CodedError {
  return new CodedError('archive-unreadable', `This file was not taken in. ${why} Nothing was changed.`);
}
