/** The thread on which an archive is read: says how far it is, and hands over candidate by candidate what it holds. */
import type { Archive } from '../../schema/archive';
import { answerFrom } from '../thread.worker';
import { type Progress, readArchive } from './file';

/** So often is said how far it is. */
const SAID_MS = 100;

const reader = {
  /** Throws Unreadable. The files beside the records go into the folder; `take` is waited for. */
  async read(
    path: string,
    filesFolder: string,
    onProgress: Progress,
    take: (candidate: Archive['candidates'][number]) => unknown
  ): Promise<Pick<Archive, 'head' | 'calls'>> {
    let saidMs = 0;
    const { head, calls, candidates } = await readArchive(path, filesFolder, (step, done) => {
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
