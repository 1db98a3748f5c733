/** Reads an archive beside the server: the file of workerData, in slices; says how far it is, then candidate by candidate what it holds. */
import { closeSync, openSync, readSync } from 'node:fs';
import { parentPort, workerData } from 'node:worker_threads';
import { readArchive } from './file';
import type { FromReader } from './reader';
import { Unreadable } from './unpack';

const SLICE = 256 * 1024;
/** So often is said how far it is. */
const SAID_MS = 100;
const say = (message: FromReader) => parentPort!.postMessage(message);

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

let saidMs = 0;
try {
  const archive = readArchive(chunksOf(workerData as string), (step, done) => {
    if (Date.now() - saidMs < SAID_MS) return;
    saidMs = Date.now();
    say({ kind: 'progress', step, done });
  });
  say({ kind: 'top', head: archive.head, calls: archive.calls });
  for (const candidate of archive.candidates) say({ kind: 'candidate', candidate });
  say({ kind: 'end' });
} catch (thrown) {
  if (!(thrown instanceof Unreadable)) throw thrown;
  say({ kind: 'fault', says: thrown.message });
}
