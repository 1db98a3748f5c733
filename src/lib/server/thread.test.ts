import { expect, it } from 'vitest';
import { openThread } from './thread';

it('a thread that ends by itself says so to whoever waits for it', async () => {
  const thread = openThread('laying', new URL('./nowhere.worker.ts', import.meta.url).href);
  await expect(thread.failed).rejects.toThrow(/nowhere/);
  thread.end();
});
