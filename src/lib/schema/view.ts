/** What pages are given to draw: shapes that cross from the server to the interface. */
import type { Step } from '../core/season';

export type StudioAudition = {
  readonly id: string;
  readonly name: string;
  /** Null when every round has taken place. */
  readonly daysToGo: number | null;
  readonly roundName: string | null;
  readonly roundDate: string | null;
  readonly shortMin: number;
  readonly items: number;
  readonly holding: number;
  readonly farthest: { readonly name: string; readonly clicks: number } | null;
};

export type StudioRow = {
  readonly id: string;
  readonly name: string;
  readonly instruments: string;
  readonly hasJoined: boolean;
  readonly daysSinceLog: number | null;
  readonly minutesThisWeek: number;
  readonly hasLessonToday: boolean;
  readonly hasTime: boolean;
  readonly auditions: readonly StudioAudition[];
};

/** One row of the countback besides what the plan says of the item. */
export type CountbackItem = {
  readonly id: string;
  readonly composer: string;
  readonly fromBar: number;
  readonly toBar: number;
  readonly heldSteps: readonly Step[];
  readonly plannedSteps: readonly Step[];
  readonly heldSince: string | null;
};

type HeadRound = { readonly name: string; readonly date: string; readonly time?: string | undefined };

/** What tops every screen of an audition. */
export type SeasonHeadView = {
  readonly auditionId: string;
  readonly auditionName: string;
  readonly candidateId: string;
  readonly candidateName: string;
  readonly instruments: string;
  readonly today: string;
  readonly began: string;
  readonly next: HeadRound | null;
  readonly mockFrom: string | null;
  readonly dates: readonly { readonly date: string; readonly name: string }[];
  readonly shortMin: number;
};
