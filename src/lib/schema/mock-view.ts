/** What pages about mocks show, and what a juror's does. */
import type { BallotItem, Drawn, Juror } from '../core/record';
import type { MockWord } from '../core/record/words';
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
  readonly isOver: boolean;
  readonly isOpened: boolean;
  readonly jurors: readonly {
    readonly id: string;
    readonly name: string;
    /** Places in the draw of which they have written something. */
    readonly written: readonly number[];
    readonly hasLink: boolean;
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
      /** Of the latest mock, in words; null where there is none, or practice says too little. */
      readonly gap: number | null;
    })[];
  /** Lines of the page that the mocks hear. */
  readonly cover: { readonly heard: number; readonly of: number };
  readonly newId: string;
};
/** A ballot as a juror sees it: of the player nothing but a number. */
export type BallotView = {
  readonly juror: string;
  readonly number: number;
  readonly date: string;
  readonly at: number | null;
  readonly isOver: boolean;
  /** All are read: nothing more is written. */
  readonly isClosed: boolean;
  readonly elements: readonly string[];
  readonly items: readonly (BarRange & { readonly name: string; readonly item: StripItem })[];
  readonly ballot: readonly BallotItem[];
};
