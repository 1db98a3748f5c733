import type { DeskEvent } from '../record';

/** Events in the order in which they happened: by the clock, then by device and its own number. Each id once. */
export function inOrder(events: readonly DeskEvent[]): DeskEvent[] {
  const once = new Map(events.map((event) => [event.id, event]));
  return [...once.values()].sort(
    (a, b) => a.atMs - b.atMs || (a.device < b.device ? -1 : a.device > b.device ? 1 : 0) || a.seq - b.seq
  );
}
