/** Whether a device keeps what is laid down on it, and has room for more. */

/** What a long day at the desk and a take of some minutes need. */
const LITTLE_BYTES = 20 * 1024 * 1024;

/** The browser is asked to keep it whatever comes. Says where there is hardly room for what is to be played; empty where there is. */
export async function sayRoom(): Promise<string> {
  // older browsers tell nothing of it
  const storage: StorageManager | undefined = navigator.storage;
  if (!storage?.estimate) return '';
  await storage.persist?.();
  const { quota = Infinity, usage = 0 } = await storage.estimate();
  return quota - usage < LITTLE_BYTES
    ? 'This device has hardly any room left: what you play may not be kept. Take something off it before you begin.'
    : '';
}
