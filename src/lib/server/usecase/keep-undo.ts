/**
 * Keeps what stood there before, for usecase/undo.ts to put back; and how each kind of thing is read, so that what was left can be
 * told from what is there now.
 */
import { createHash } from 'node:crypto';
import type { SeasonRequest, SeasonSection } from '../../core/season';
import { targetOf } from '../../core/tempo';
import type { App } from '../app';
import { type OwnDate, type Slot, findAudition } from '../store/audition';
import type { OtherDate, Round } from '../store/call';
import { type CandidateFacts, type CandidateTime, findCandidate, privateNoteOf } from '../store/candidate';
import { type ListItem, findItem, itemsOf } from '../store/item';
import { type Wish, lessonNotesOf, wishesOf } from '../store/lesson';
import { putUndoStep } from '../store/undo-step';
import { hashToken, newToken } from '../token';

type CallState = {
  readonly name: string;
  readonly rounds: readonly Round[];
  readonly dates: readonly OtherDate[];
  readonly ownDates: readonly OwnDate[];
  readonly slots: readonly Slot[];
};

/** What stood there before changes were kept; only what they touch. */
export type BeforeChanges = {
  readonly auditionId: string;
  /** The dates that were agreed: with the facts they give the plan that was there. */
  readonly agreed?: SeasonRequest['previous'];
  readonly time?: CandidateTime;
  /** Of every audition laid together. */
  readonly daysIntoMock?: readonly { readonly auditionId: string; readonly days: number }[];
  readonly slots?: readonly {
    readonly roundId: string;
    readonly date: string | null;
    readonly time?: string | undefined;
  }[];
  readonly items?: readonly {
    readonly id: string;
    readonly ownSections?: readonly SeasonSection[] | null;
    readonly sections?: readonly SeasonSection[];
    readonly schools?: ListItem['schools'];
    readonly isLeftOut?: boolean;
  }[];
};

/** What can be taken back: what it is about, and what is kept of it. */
export type Undoable = {
  item: { about: { itemId: string }; state: Omit<ListItem, 'version'> };
  call: { about: { auditionId: string }; state: CallState };
  time: { about: { candidateId: string }; state: CandidateTime };
  facts: { about: { candidateId: string }; state: CandidateFacts };
  changes: { about: { candidateId: string; before: BeforeChanges }; state: Omit<BeforeChanges, 'agreed'> };
  target: { about: { itemId: string; sectionId: string }; state: number };
  step: { about: { itemId: string }; state: NonNullable<ListItem['schools']>['step'] | null };
  order: { about: { auditionId: string }; state: readonly string[] };
  note: { about: { candidateId: string; date: string }; state: string };
  /** Null before it was made. */
  wish: { about: { candidateId: string; wishId: string }; state: Wish | null };
  checked: { about: { auditionId: string }; state: string | null };
};
export type UndoKind = keyof Undoable;

/** How each kind is read now; undefined where the thing is gone. */
export const READERS: {
  readonly [K in UndoKind]: (app: App, about: Undoable[K]['about']) => Undoable[K]['state'] | undefined;
} = {
  item: (app, { itemId }) => {
    const item = findItem(app.db, itemId);
    if (!item) return undefined;
    const { version: _, ...state } = item;
    return state;
  },
  call: (app, { auditionId }) => {
    const audition = findAudition(app.db, auditionId);
    if (!audition) return undefined;
    const { call, ownDates, slots } = audition;
    return { name: call.name, rounds: call.rounds, dates: call.dates, ownDates, slots };
  },
  time: (app, { candidateId }) => findCandidate(app.db, candidateId)?.time,
  facts: (app, { candidateId }) => {
    const candidate = findCandidate(app.db, candidateId);
    if (!candidate) return undefined;
    const { name, instruments, zone, isMinor, guardian, consentOn } = candidate;
    const privateNote = privateNoteOf(app.db, candidateId);
    return { name, instruments, zone, isMinor, guardian, consentOn, privateNote };
  },
  changes: (app, { candidateId, before }) => readTouched(app, candidateId, before),
  target: (app, { itemId, sectionId }) => {
    const section = findItem(app.db, itemId)?.sections.find((s) => s.id === sectionId);
    return section && targetOf(section.tempo)?.bpm;
  },
  step: (app, { itemId }) => {
    const item = findItem(app.db, itemId);
    return item && (item.schools?.step ?? null);
  },
  order: (app, { auditionId }) => itemsOf(app.db, auditionId).map((item) => item.id),
  note: (app, { candidateId, date }) =>
    lessonNotesOf(app.db, candidateId).find((n) => n.date === date)?.note ?? '',
  wish: (app, { candidateId, wishId }) => wishesOf(app.db, candidateId).find((w) => w.id === wishId) ?? null,
  checked: (app, { auditionId }) => findAudition(app.db, auditionId)?.call.checkedOn
};

/** What now stands where changes were kept. */
function readTouched(app: App, candidateId: string, before: BeforeChanges): Omit<BeforeChanges, 'agreed'> {
  const { auditionId, time, daysIntoMock = [], slots = [], items = [] } = before;
  const now = findAudition(app.db, auditionId)?.slots ?? [];
  return {
    auditionId,
    ...(time ? { time: findCandidate(app.db, candidateId)!.time } : {}),
    daysIntoMock: daysIntoMock.map(({ auditionId: id }) => ({
      auditionId: id,
      days: findAudition(app.db, id)?.daysIntoMock ?? 0
    })),
    slots: slots.map(({ roundId }) => {
      const slot = now.find((s) => s.roundId === roundId);
      return { roundId, date: slot?.date ?? null, time: slot?.time };
    }),
    items: items.map(({ id, sections, schools, isLeftOut }) => {
      const item = findItem(app.db, id);
      return {
        id,
        ...(sections && item ? { sections: item.sections } : {}),
        ...(schools && item ? { schools: item.schools } : {}),
        ...(isLeftOut === undefined ? {} : { isLeftOut: item?.isLeftOut === true })
      };
    })
  };
}

export function digestOf(state: unknown): string {
  return createHash('sha256')
    .update(JSON.stringify(state ?? null))
    .digest('base64url');
}

/** Call after saving. Returns the secret by which it can be taken back. */
export function keepUndo<K extends UndoKind>(
  app: App,
  candidateId: string,
  kind: K,
  about: Undoable[K]['about'],
  before: K extends 'changes' ? BeforeChanges : Undoable[K]['state']
): string {
  const token = newToken();
  const left = digestOf(READERS[kind](app, about));
  putUndoStep(app.db, hashToken(token), { candidateId, kind, about, before, left }, app.now());
  return token;
}
