/**
 * The one way to a worker of the page: its functions are called as if they were here, and answer with a promise, in the order they were
 * asked. Progress comes through a function that is handed over (comlink's `proxy`); it is stopped by ending the worker.
 */
import { type Remote, expose, wrap } from 'comlink';

export type Opened<Answers> = {
  readonly ask: Remote<Answers>;
  /** Rejects when the worker fails by itself. */
  readonly failed: Promise<never>;
  readonly end: () => void;
};

export function openWorker<Answers>(worker: Worker): Opened<Answers> {
  const failed = new Promise<never>((_, reject) =>
    worker.addEventListener('error', (event) => reject(new Error(event.message)))
  );
  failed.catch(() => {});
  return { ask: wrap<Answers>(worker), failed, end: () => worker.terminate() };
}

/** The worker's own side. */
export const answerFrom = (answers: object) => expose(answers);
