/** The thread on which an archive is read: its file, in slices; says how far it is, and hands over candidate by candidate what it holds. */
import { closeSync, openSync, readSync } from 'node:fs';
import type { Archive } from '../../schema/archive';
import { answerFrom } from '../thread.worker';
import { type Progress, readArchive } from './file';

const SLICE = 256 * 1024;
/** So often is said how far it is. */
const SAID_MS = 100;

function* chunksOf(path: string): Generator<Uint8Array> {
  const handle = openSync(path, 'r');
  try {
    for (;;) {
      const chunk = new Uint8Array(SLICE);
      const read = readSync(handle, chunk, 0, SLICE, null);
      if (read === 0) return;
      yield chunk.subarray(0, read);
    }
  } finally {
    closeSync(handle);
  }
}

const reader = {
  /** Throws Unreadable. `take` is waited for. */
  async read(
    path: string,
    onProgress: Progress,
    take: (candidate: Archive['candidates'][number]) => unknown
  ): Promise<Pick<Archive, 'head' | 'calls'>> {
    let saidMs = 0;
    const { head, calls, candidates } = readArchive(chunksOf(path), (step, done) => {
      if (Date.now() - saidMs < SAID_MS) return;
      saidMs = Date.now();
      onProgress(step, done);
    });
    for (const candidate of candidates) await take(candidate);
    return { head, calls };
  }
};
export type Reader = typeof reader;

answerFrom(reader);
