/** What was done at desks and waits on this device, sent from whatever page is open, tried again while there is no line. */
import { studioLine } from './line';
import { EventsToSend } from './queue';
import { hasSafeLine } from './safe-line';
import { openShelf, waits } from './shelf';

const AGAIN_MS = 15_000;

/** Returns what ends it. Does nothing where the browser keeps nothing. */
export function sendEvents(owner: string): () => void {
  if (!hasSafeLine()) return () => {};
  let again: ReturnType<typeof setTimeout> | undefined;
  let isOver = false;
  const shelf = openShelf();
  shelf.catch(() => {});
  async function send() {
    clearTimeout(again);
    const out = new EventsToSend(await shelf, owner, studioLine);
    if (!(await out.all()).some(waits)) return;
    await out.send('');
    await out.settled();
    if (!isOver) again = setTimeout(() => void send().catch(() => {}), AGAIN_MS);
  }
  const now = () => void send().catch(() => {});
  now();
  window.addEventListener('online', now);
  return () => {
    isOver = true;
    clearTimeout(again);
    window.removeEventListener('online', now);
  };
}
