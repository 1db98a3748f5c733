/** What a desk sends, and what it hears back. */
import { z } from 'zod';
import { deskEvent } from '../core/record';
import type { Move } from '../core/season';

/** A device that was away for long sends in several goes. */
const MOST_EVENTS_AT_ONCE = 500;
export const deskEvents = z.strictObject({ events: z.array(deskEvent).min(1).max(MOST_EVENTS_AT_ONCE) });

export type DeskAnswer = {
  /** Ids of what is kept, those of before too. */
  readonly kept: readonly string[];
  /** What is kept and could not be logged, with the reason. */
  readonly notLogged: readonly { readonly block: string; readonly says: string }[];
  /** Whether touches were logged, and so plans laid again. */
  readonly isLaid: boolean;
  readonly moves: readonly Move[];
};
