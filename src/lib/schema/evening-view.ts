/** What pages about a mock evening show. */
import type { MockBooked } from '../core/record';

/** Somebody who could play, with the stage that would be theirs. */
export type EveningPlayer = {
  readonly auditionId: string;
  readonly candidate: string;
  readonly audition: string;
  /** Days to go. */
  readonly days: number;
  /** On the list. */
  readonly items: number;
  readonly booked: readonly { readonly stage: number; readonly date: string }[];
  readonly stage: number;
};

export type EveningView = {
  readonly id: string;
  readonly date: string;
  readonly place: string;
  /** In the order in which they play. */
  readonly players: readonly {
    readonly mockId: string;
    readonly auditionId: string;
    readonly candidate: string;
    readonly number: number;
    readonly stage: string;
    readonly time: string | null;
    readonly before: MockBooked['before'] | null;
    readonly minutes: number;
    /** Items that are drawn. */
    readonly count: number;
    readonly at: number | null;
    readonly isOver: boolean;
    readonly isOpened: boolean;
    readonly jurors: number;
    /** Jurors who have written something. */
    readonly written: number;
  }[];
  /** Who hears all of it. */
  readonly jurors: readonly {
    readonly seat: string;
    readonly name: string;
    readonly hasLink: boolean;
    /** Candidates of whom something is written. */
    readonly written: number;
  }[];
};
