/** A thread's own side of thread.ts. */
import { parentPort } from 'node:worker_threads';
import { expose } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';

/** What the thread answers: its functions, called from the other side. */
export const answerFrom = (answers: object) => expose(answers, nodeEndpoint(parentPort as never));
