/** What pages about mocks show, and what a juror's does. */
import type { BallotItem, Drawn, Juror } from '../core/record';
import type { MockWord } from '../core/record/words';
import type { TempoAgainst } from '../core/tempo';
import type { BarRange } from '../core/units';

type Named = { readonly id: string; readonly name: string };

/** A stage of mock performance: booked, or where it would stand. */
export type StageView = {
  readonly stage: number;
  readonly name: string;
  /** Null where no day is left for it. */
  readonly date: string | null;
  readonly time: string | null;
  /** Null where it is only proposed. */
  readonly mockId: string | null;
  readonly isOver: boolean;
  /** A later one was played. */
  readonly isPassed: boolean;
  readonly minutes: number;
  readonly expects: string;
  readonly passes: string;
};
type StripItem = BarRange & { readonly name: string; readonly barsPerLine: string };
export type MockView = {
  readonly id: string;
  readonly stage: number;
  readonly name: string;
  readonly date: string;
  readonly time: string | null;
  readonly place: string;
  readonly minutes: number;
  readonly number: number;
  /** As far as whoever looks may know it. */
  readonly draw: readonly (Drawn & { readonly name: string; readonly item: StripItem })[];
  /** Of all that is drawn. */
  readonly count: number;
  readonly at: number | null;
  readonly sinceMs: number | null;
  /** The studio's clock. */
  readonly nowMs: number;
  readonly broken: readonly number[];
  /** Places of which a tempo or a take is known. */
  readonly played: readonly {
    readonly item: number;
    readonly tempo: TempoAgainst | null;
    readonly takeId: string | null;
  }[];
  /** Shared by those that are played on one evening. */
  readonly evening: string | null;
  /** What comes before its hour (ms since 1970 UTC); null where there are no limits. */
  readonly before: {
    readonly startsMs: number;
    readonly warmUpMin: number;
    readonly waitingMin: number;
  } | null;
  readonly isOver: boolean;
  readonly isOpened: boolean;
  readonly jurors: readonly {
    readonly id: string;
    readonly name: string;
    /** Places in the draw of which they have written something. */
    readonly written: readonly number[];
    readonly hasLink: boolean;
    /** By one link the whole evening. */
    readonly hearsMore: boolean;
    /** Empty until they are opened. */
    readonly ballot: readonly BallotItem[];
    readonly settled: Juror['settled'];
  }[];
};
export type MocksView = {
  readonly audition: Named;
  readonly candidate: Named;
  readonly today: string;
  readonly roundOn: string | null;
  readonly mockFrom: string | null;
  readonly stages: readonly StageView[];
  /** Booked, and not over. */
  readonly next: MockView | null;
  /** Those that are over. */
  readonly mocks: readonly MockView[];
  readonly items: readonly (Named &
    BarRange & {
      readonly heard: readonly BarRange[];
      /** What each mock said, by its widest gap. */
      readonly words: readonly {
        readonly mockId: string;
        readonly stage: number;
        readonly date: string;
        readonly element: string;
        readonly word: MockWord;
        readonly gap: number | null;
      }[];
      /** Dates of stages to come that hear it, as far as whoever looks may know. */
      readonly heardNext: readonly string[];
      /** Of the latest mock, in words; null where there is none, or practice says too little. */
      readonly gap: number | null;
    })[];
  /** Lines of the page that the mocks hear. */
  readonly cover: { readonly heard: number; readonly of: number };
  /** Hard bars that are heard in none; empty where that would tell what is drawn. */
  readonly unheard: readonly (BarRange & { readonly itemId: string })[];
  readonly newId: string;
};
/** What one link opens: the ballots of all that is heard from a seat, in the order in which it is played. */
export type BallotsView = {
  readonly juror: string;
  /** It goes on on another device than the one that asks. */
  readonly isElsewhere: boolean;
  readonly ballots: readonly BallotView[];
};
/** A ballot as a juror sees it: of the player nothing but a number. */
export type BallotView = {
  /** Id under which it is written. */
  readonly id: string;
  readonly number: number;
  readonly date: string;
  readonly time: string | null;
  readonly at: number | null;
  readonly isOver: boolean;
  /** All are read: nothing more is written. */
  readonly isClosed: boolean;
  readonly elements: readonly string[];
  readonly items: readonly (BarRange & {
    readonly name: string;
    readonly item: StripItem;
    /** It was recorded, and can be heard with the ballot. */
    readonly isRecorded: boolean;
  })[];
  readonly ballot: readonly BallotItem[];
};
/** A ballot to be printed; without a juror's name it has a line for one. */
export type PaperBallot = Pick<BallotView, 'number' | 'date' | 'time' | 'elements'> & {
  readonly juror: string;
  readonly items: readonly (BarRange & { readonly name: string })[];
};
