/** What the page of readiness shows. */
import type { ItemReadiness, NextAction } from '../core/readiness';
import type { AskedBlock } from '../core/record/words';

/** A block that answers the next action, on the next day to come. */
export type AskedView = {
  readonly as: AskedBlock;
  readonly date: string;
  readonly minutes: number;
  /** Not there; put there because it was asked for; or there by the plan itself. */
  readonly is: 'open' | 'asked' | 'planned';
};

type Named = { readonly id: string; readonly name: string };
export type ReadinessView = {
  readonly audition: Named;
  readonly candidate: Named;
  readonly today: string;
  readonly isTeaching: boolean;
  /** The weakest first. */
  readonly readings: readonly ItemReadiness[];
  /** As far as whoever looks may know: then no block is offered. */
  readonly isHurt: boolean;
  /** Null where every required check holds; asked is null where it is a task, or no block can be had. */
  readonly next: (NextAction & { readonly asked: AskedView | null }) | null;
  /** What was put on the next day to come besides, in the order in which it was. */
  readonly put: readonly {
    readonly itemId: string;
    readonly name: string;
    readonly as: AskedBlock;
    readonly date: string;
  }[];
  /** Required checks that hold and will be too old on the day of their round, and how many of them grow so in its last week. */
  readonly ageing: { readonly count: number; readonly inLastWeek: number };
};
