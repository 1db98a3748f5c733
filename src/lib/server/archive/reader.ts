/** Has an archive read in a worker of its own: with so much memory, so much time, and an end when nobody waits for it any more. */
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { Archive } from '../../schema/archive';
import { CodedError } from '../errors';

export type FromReader =
  | { readonly kind: 'progress'; readonly step: 'unpack' | 'check'; readonly done: number }
  | { readonly kind: 'top'; readonly head: Archive['head']; readonly calls: Archive['calls'] }
  | { readonly kind: 'candidate'; readonly candidate: Archive['candidates'][number] }
  | { readonly kind: 'end' }
  | { readonly kind: 'fault'; readonly says: string };

/** The largest archive there may be takes half of either (measured). */
const MOST_HEAP_MB = 1536;
const MOST_MS = 180_000;

/** Built beside the server; where nothing is built (a test, the development server), read from its source. */
function openWorker(path: string): Worker {
  const built = process.env.IRVOT_WORKERS;
  const options = { workerData: path, resourceLimits: { maxOldGenerationSizeMb: MOST_HEAP_MB } };
  if (built) return new Worker(join(built, 'reader.worker.js'), options);
  const source = JSON.stringify(new URL('./reader.worker.ts', import.meta.url).href);
  const script = `import('tsx/esm/api').then(({ tsImport }) => tsImport(${source}, ${source}))`;
  return new Worker(script, { ...options, eval: true });
}

type Options = {
  readonly signal?: AbortSignal;
  readonly onProgress?: (step: 'unpack' | 'check', done: number) => void;
};

/** Throws CodedError "archive-unreadable" with a sentence that says what is wrong with the file, or that it was stopped. */
export function readArchiveFile(path: string, { signal, onProgress }: Options = {}): Promise<Archive> {
  const worker = openWorker(path);
  const candidates: Archive['candidates'][number][] = [];
  let top: Pick<Archive, 'head' | 'calls'> | null = null;
  return new Promise<Archive>((resolve, reject) => {
    const end = (finish: () => void) => {
      clearTimeout(late);
      signal?.removeEventListener('abort', stop);
      void worker.terminate();
      finish();
    };
    const refuse = (says: string) => end(() => reject(unreadable(says)));
    const late = setTimeout(() => refuse('It took longer than any studio takes.'), MOST_MS);
    const stop = () => refuse('It was stopped.');
    signal?.addEventListener('abort', stop);
    if (signal?.aborted) stop();
    worker.on('message', (message: FromReader) => {
      if (message.kind === 'progress') onProgress?.(message.step, message.done);
      else if (message.kind === 'top') top = message;
      else if (message.kind === 'candidate') candidates.push(message.candidate);
      else if (message.kind === 'fault') refuse(message.says);
      else end(() => resolve({ head: top!.head, calls: top!.calls, candidates }));
    });
    worker.on('error', (fault) => {
      const isFull = (fault as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY';
      if (isFull) refuse('Unpacked it is larger than any studio.');
      else end(() => reject(fault));
    });
  });
}

export function unreadable(why: string): CodedError {
  return new CodedError('archive-unreadable', `This file was not taken in. ${why} Nothing was changed.`);
}
