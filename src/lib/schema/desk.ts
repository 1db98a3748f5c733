/** What a desk sends, and what it hears back. */
import { z } from 'zod';
import { type DeskEvent, deskEvent } from '../core/record';
import type { Move } from '../core/season';

/** A device that was away for long sends in several goes. */
const MOST_EVENTS_AT_ONCE = 500;
export const deskEvents = z.strictObject({ events: z.array(z.unknown()).min(1).max(MOST_EVENTS_AT_ONCE) });

/** What the studio does not take, by id, with the reason; it takes the rest all the same. */
export type Refusal = { readonly id: string; readonly says: string };

/** Each event by itself: what an old device, or a broken one, has made is said, and holds nothing else back. */
export function readDeskEvents(sent: readonly unknown[]): {
  readonly events: DeskEvent[];
  readonly refused: Refusal[];
} {
  const read = sent.map((one) => ({ one, as: deskEvent.safeParse(one) }));
  return {
    events: read.flatMap(({ as }) => (as.success ? [as.data] : [])),
    refused: read.flatMap(({ one, as }) =>
      as.success ? [] : [{ id: named.safeParse(one).data?.id ?? '', says: UNREAD }]
    )
  };
}
const named = z.object({ id: z.string() });
const UNREAD =
  'The studio cannot read it: the program on this device may be older than the studio’s. Reload this page, then try once more.';

export type DeskAnswer = {
  /** Ids of what is kept, those of before too. */
  readonly kept: readonly string[];
  /** What is not kept, with the reason. */
  readonly refused: readonly Refusal[];
  /** What is kept and could not be logged, with the reason. */
  readonly notLogged: readonly { readonly block: string; readonly says: string }[];
  /** Whether touches were logged, and so plans laid again. */
  readonly isLaid: boolean;
  readonly moves: readonly Move[];
  /** Made on the device, without a line; the studio's own is to come. */
  readonly isHere?: true;
};
