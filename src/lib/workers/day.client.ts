/** Days that are made without a line, in their worker. */
import type { DeskEvent } from '../core/record';
import type { Kit } from '../core/season';
import type { DayHere, Days } from './day.worker';
import DayThread from './day.worker?worker';
import { openWorker } from './open';

/** Rejects where it cannot be made. */
export async function makeDay(kit: Kit, since: readonly DeskEvent[], atMs: number): Promise<DayHere> {
  const { ask, failed, end } = openWorker<Days>(new DayThread());
  try {
    return await Promise.race([ask.makeDay(kit, since, atMs), failed]);
  } finally {
    end();
  }
}
