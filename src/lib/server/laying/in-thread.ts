/** Lays plans on a thread of their own: opened when there is one to lay, ended when there is none, and opened anew where it broke. */
import { type Thread, openThread } from '../thread';
import type { Laying } from './laying.worker';
import type { Layer } from './queue';

export function layInThread(): Layer {
  let thread: Thread<Laying> | null = null;
  const rest = () => {
    thread?.end();
    thread = null;
  };
  return {
    rest,
    async layForEach(request, rounds) {
      thread ??= openThread<Laying>('laying', new URL('./laying.worker.ts', import.meta.url).href);
      try {
        return await Promise.race([thread.ask.layForEach(request, rounds), thread.failed]);
      } catch (thrown) {
        rest();
        throw thrown;
      }
    }
  };
}
