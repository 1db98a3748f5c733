/** What pages are given to draw: shapes that cross from the server to the interface. */
import type { EquipmentMark } from '../core/practice';
import type { Take, TakeAnchor, TakeMark } from '../core/record';
import type { ItemKind } from '../core/record/words';
import type { HeadOnDay, HeadRound, SectionStair, Step } from '../core/season';
import type { BarRange, BeatUnit, Milliseconds, Tempo } from '../core/units';
import type { HeldBefore } from './before-view';

export type { HurtView, SpotView, TodayView } from '../core/season';

export type StudioAudition = {
  readonly id: string;
  readonly name: string;
  /** Null when every round has taken place; then nothing is said of the plan either. */
  readonly daysToGo: number | null;
  readonly roundName: string | null;
  readonly roundDate: string | null;
  readonly isWeek: boolean;
  readonly shortMin: number;
  /** Since when the plan does not fit. */
  readonly shortSince: string | null;
  readonly items: number;
  /** Its plan waits to be laid in the background; nothing is said of it yet. */
  readonly isBeingLaid: boolean;
  readonly holding: number;
  readonly farthest: { readonly name: string; readonly clicks: number } | null;
};

export type StudioRow = {
  readonly id: string;
  readonly name: string;
  readonly instruments: string;
  readonly hasJoined: boolean;
  readonly daysSinceLog: number | null;
  /** Since a device of theirs last asked or sent: what was played since may lie on it; null before any. */
  readonly daysSinceHeard: number | null;
  readonly minutesThisWeek: number;
  readonly lessonToday: { readonly start: string | null } | null;
  readonly hasTime: boolean;
  /** Wishes that wait for an answer. */
  readonly wishes: number;
  /** A minor without a guardian's consent on record. */
  readonly lacksConsent: boolean;
  /** Since when it hurts at the desk, where the candidate wants the teacher to know; else null. */
  readonly hurtSince: string | null;
  readonly today: string;
  readonly auditions: readonly StudioAudition[];
};

/** A mock of the days ahead, on the studio's front page. */
export type StudioMock = {
  readonly id: string;
  readonly candidate: string;
  /** Its name. */
  readonly stage: string;
  readonly date: string;
  readonly time: string | null;
  readonly place: string;
  /** Jurors, by their names. */
  readonly hears: readonly string[];
  /** Shared by those that are one evening; null where it stands alone. */
  readonly evening: string | null;
};

/** The sheet for who accompanies. */
export type PianoSheetView = {
  readonly items: readonly {
    readonly name: string;
    readonly composer: string;
    readonly edition: string;
    readonly pages: string;
    readonly cuts: readonly BarRange[];
    readonly sections: readonly (BarRange & {
      readonly target: Tempo | null;
      readonly range: { readonly low: number; readonly high: number } | null;
    })[];
  }[];
  /** Rehearsals and other own dates, and rounds, from today on. */
  readonly dates: readonly { readonly date: string; readonly name: string; readonly time: string | null }[];
};

/** What was just done, and the secret by which it can be taken back. */
export type Undo = { readonly says: string; readonly token: string };

/** How far an archive is that is being taken in, as it is told line by line. */
export type Intake =
  | { readonly step: 'unpack' | 'check'; readonly done: number }
  | { readonly step: 'take in'; readonly done: number; readonly of: number }
  | {
      readonly step: 'done';
      readonly taken: { readonly candidates: readonly string[]; readonly lists: readonly string[] };
    }
  | { readonly step: 'fault'; readonly says: string };

/** Who takes a call. */
export type Taker = {
  readonly auditionId: string;
  readonly candidateId: string;
  readonly name: string;
  readonly isArchived: boolean;
};

/** What a changed call would do to one candidate's plan. */
export type CallEffect = {
  readonly auditionId: string;
  readonly candidateName: string;
  readonly before: CallSide | null;
  readonly after: CallSide | null;
  /** Dates of rungs that would move. */
  readonly moved: number;
};
export type CallSide = {
  readonly daysToGo: number | null;
  readonly shortMin: number;
  /** Minutes that all items still ask. */
  readonly askedMin: number;
  /** The day by which the last target is to hold. */
  readonly lastTarget: string | null;
};

/** A call whose page is to be looked at again for errata and cuts. */
export type Recheck = {
  /** One of those who take it. */
  readonly auditionId: string;
  readonly name: string;
  readonly daysSince: number | null;
  /** Empty where nobody said. */
  readonly webAddress: string;
};

/** One row of the countback besides what the plan says of the item. */
export type CountbackItem = {
  readonly id: string;
  /** Another audition's, shown on the same axis. */
  readonly forAudition: string | null;
  /** On this list, but governed by another audition's earlier date. */
  readonly alsoFor: string | null;
  readonly composer: string;
  readonly fromBar: number;
  readonly toBar: number;
  readonly heldSteps: readonly Step[];
  /** Of each section; empty where there is but one. */
  readonly heldSections: readonly SectionStair[];
  readonly plannedSteps: readonly Step[];
  readonly heldSince: string | null;
};

/** What the countback draws besides the plan. */
export type CountbackView = {
  readonly audition: {
    readonly id: string;
    readonly rounds: readonly { readonly id: string; readonly name: string; readonly date: string }[];
    readonly dates: readonly { readonly date: string; readonly name: string; readonly kind: string }[];
  };
  readonly lessons: readonly { readonly weekday: number }[];
  readonly items: readonly CountbackItem[];
  /** What was changed of the instrument, oldest first. */
  readonly equipment: readonly EquipmentMark[];
  /** Minutes logged by date. */
  readonly practised: Readonly<Record<string, number>>;
};

/** What tops every screen of an audition. */
export type SeasonHeadView = HeadOnDay & {
  readonly auditionId: string;
  readonly auditionName: string;
  readonly candidateId: string;
  readonly candidateName: string;
  readonly instruments: string;
  readonly began: string;
  /** All of them, so that a device that goes without a line knows the next. */
  readonly rounds: readonly HeadRound[];
  readonly dates: readonly { readonly date: string; readonly name: string }[];
};

/** What a candidate can wish for that can be carried out. */
export type CanWish = {
  /** Monday first. */
  readonly minutes: readonly number[];
  readonly items: readonly { readonly id: string; readonly name: string }[];
  readonly sections: readonly {
    readonly itemId: string;
    readonly sectionId: string;
    readonly name: string;
    readonly fromBar: number;
    readonly toBar: number;
    readonly target: Tempo;
  }[];
};

/** An address that is handed over. */
export type SharedLink = {
  readonly address: string;
  /** It opens on this machine alone. */ readonly isHereOnly: boolean;
};

/** A section of which it is asked what holds today. */
export type HoldsAsked = {
  readonly itemId: string;
  readonly sectionId: string;
  readonly itemName: string;
  readonly kind: ItemKind;
  /** Of the section; empty where it has none. */
  readonly name: string;
  readonly fromBar: number;
  readonly toBar: number;
  readonly target: Tempo;
  /** Something was logged or said of it. */
  readonly isKnown: boolean;
  /** What holds, in words. */
  readonly says: string;
  /** In an audition that is behind; null where nothing did. */
  readonly before: HeldBefore | null;
};

/** Where the bars of a spot sound in a take. */
export type SpotPlace = {
  readonly takeId: string;
  readonly date: string;
  readonly madeAtMs: number;
  readonly fromMs: Milliseconds;
  readonly toMs: Milliseconds;
};
/** A take as lists and its page show it. */
type TakeShown = Take & {
  readonly anchors: readonly TakeAnchor[];
  readonly isKept: boolean;
  /** Null until its sound has come. */
  readonly lengthMs: number | null;
  /** When it goes; null where it stays. */
  readonly goesOn: string | null;
};
type Named = { readonly id: string; readonly name: string };
export type TakeListView = {
  readonly audition: Named;
  readonly candidate: Named;
  readonly today: string;
  /** A guardian has not said yes: nobody is recorded. */
  readonly isAskedFirst: boolean;
  readonly items: readonly (Named & BarRange & { readonly takes: readonly TakeShown[] })[];
};
export type TakeView = {
  readonly auditionId: string;
  readonly candidate: Named;
  readonly today: string;
  readonly take: TakeShown;
  readonly item: Named & BarRange & { readonly metre: string; readonly barsPerLine?: string | undefined };
  /** What its target counts; null where it has none. */
  readonly unit: BeatUnit | null;
  /** Who can hear it by a link just now. */
  readonly listener: { readonly name: string; readonly endsMs: number } | null;
  /** False before a guardian has said yes to sending takes to anybody. */
  readonly maySend: boolean;
  readonly elements: readonly string[];
  /** It is the teacher who listens. */
  readonly isTeaching: boolean;
  /** Of a run that was logged; null of anything else. */
  readonly run: { readonly isHeard: boolean; readonly isClean: boolean } | null;
  /** For the teacher: sections with a target, and from how many recordings it is taken. */
  readonly targets: readonly (Tempo & BarRange & { readonly id: string; readonly measured: number })[];
  /** The outline of its sound; null until somebody has listened. */
  readonly peaks: readonly number[] | null;
  readonly marks: readonly (TakeMark & {
    readonly isOwn: boolean;
    readonly spotId: string | null;
    /** The listener whose remark it is; else empty. */
    readonly by: string;
  })[];
};
/** The first and the latest take of an item. */
export type PairView = {
  readonly audition: Named;
  readonly item: Named & { readonly metre: string };
  readonly takes: readonly [Omit<TakeShown, 'goesOn'>, Omit<TakeShown, 'goesOn'>];
};
/** A take as somebody hears it who was sent a link. */
export type ListenerView = {
  readonly listener: string;
  /** When the link ends. */
  readonly endsMs: number | null;
  readonly take: Omit<TakeShown, 'goesOn'>;
  readonly item: TakeView['item'];
  readonly peaks: readonly number[] | null;
  readonly remarks: readonly { readonly id: string; readonly atMs: number; readonly says: string }[];
};
