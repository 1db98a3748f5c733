/** What the page of a round's day shows. */
import type { RoundDay } from '../core/record';
import type { StepAt } from '../core/round-day';
import type { Tempo } from '../core/units';

type Named = { readonly id: string; readonly name: string };

/** A clock at a place: HH:MM, and the civil date where it is not the round's. */
export type ClockAt = { readonly time: string; readonly date: string | null };

export type RoundDayView = {
  readonly audition: Named;
  readonly candidate: Named;
  readonly today: string;
  /** The studio's clock, in ms since 1970 UTC. */
  readonly nowMs: number;
  /** All of them, in the order of their dates. */
  readonly rounds: readonly (Named & { readonly date: string })[];
  readonly round: Named & { readonly date: string; readonly time: string | null; readonly zone: string };
  /** The slot has passed, or its day. */
  readonly isOver: boolean;
  /** Null where the slot is not known, or its hour does not exist in its zone. */
  readonly slotMs: number | null;
  /** The candidate's zone, where its clock goes otherwise that day; null where it goes alike. */
  readonly homeZone: string | null;
  readonly day: RoundDay;
  readonly steps: readonly (StepAt & { readonly there: ClockAt; readonly home: ClockAt | null })[];
  readonly items: readonly (Named & {
    readonly thought: string;
    readonly metre: string;
    /** To begin at: what holds, the target at most; null where it has no tempo. */
    readonly tempo: Tempo | null;
  })[];
};
