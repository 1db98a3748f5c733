/**
 * The one way to a thread beside the server: its functions are called as if they were here, and answer with a promise. Progress comes
 * through a function that is handed over (`proxy`); it is stopped by ending the thread.
 */
import { join } from 'node:path';
import { type ResourceLimits, Worker } from 'node:worker_threads';
import { type Remote, wrap } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';

export { proxy } from 'comlink';

export type Thread<Answers> = {
  readonly ask: Remote<Answers>;
  /** Rejects when the thread ends by itself. */
  readonly failed: Promise<never>;
  readonly end: () => void;
};

/** Built beside the server; where nothing is built (a test, the development server), read from its source. */
export function openThread<Answers>(
  name: 'laying' | 'reader',
  source: string,
  resourceLimits: ResourceLimits = {}
): Thread<Answers> {
  const built = process.env.IRVOT_WORKERS;
  const from = JSON.stringify(source);
  const script = `import('tsx/esm/api').then(({ tsImport }) => tsImport(${from}, ${from}))`;
  const worker = built
    ? new Worker(join(built, `${name}.worker.js`), { resourceLimits })
    : new Worker(script, { resourceLimits, eval: true });
  worker.unref();
  const failed = new Promise<never>((_, reject) => worker.on('error', reject));
  failed.catch(() => {});
  return { ask: wrap<Answers>(nodeEndpoint(worker as never)), failed, end: () => void worker.terminate() };
}
