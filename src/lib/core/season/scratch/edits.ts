/**
 * What a change puts where, in absolute values: carried out on a copy of the facts here, and on what is kept by the server's places
 * (server/change/), so that what is drawn is what is laid when it is kept.
 */
import type { PracticeTime } from '../../plan';
import type { Schools, SeasonRequest, SeasonSection } from '../facts/request';
import type { Part } from '../joint/join';
import { type Changes, addMinutes, halfDays, setTarget } from './change';

/** By its kind, what it is about and what stands there afterwards. */
type Edits = {
  /** The candidate's practice time, in every audition. */
  time: { about: object; to: Omit<PracticeTime, 'mocks'> };
  'days-into-mock': { about: { auditionId: string }; to: number };
  slot: {
    about: { auditionId: string; roundId: string };
    to: { date: string; time?: string | undefined } | null;
  };
  sections: { about: { itemId: string }; to: { sections: readonly SeasonSection[] } };
  schools: { about: { itemId: string }; to: Partial<Schools> };
  'left-out': { about: { itemId: string }; to: boolean };
};
export type SeasonEdit = { [K in keyof Edits]: { readonly kind: K } & Readonly<Edits[K]> }[keyof Edits];

/** What changes come to for the auditions laid together; what they name that is not there is passed over. */
export function editsOf(changes: Changes, parts: readonly Part[]): SeasonEdit[] {
  const { week, fundamentalsMin, lighterDays, daysIntoMock, rounds = [], items = [] } = changes;
  const { mocks: _, ...time } = parts[0]!.request.time;
  const isTime = week !== undefined || fundamentalsMin !== undefined || lighterDays !== undefined;
  const minutes = {
    week: addMinutes(time.week, week ?? []),
    fundamentalsMin: fundamentalsMin ?? time.fundamentalsMin,
    exceptions: lighterDays
      ? halfDays({ ...time, mocks: [] }, parts[0]!.request.today, lighterDays)
      : time.exceptions
  };
  return [
    ...(isTime ? [{ kind: 'time', about: {}, to: { ...time, ...minutes } } as const] : []),
    ...(daysIntoMock === undefined
      ? []
      : parts.map(({ auditionId }) => ({
          kind: 'days-into-mock' as const,
          about: { auditionId },
          to: daysIntoMock
        }))),
    ...parts.flatMap((part) => rounds.flatMap((moved) => slotOf(part, moved))),
    ...parts.flatMap((part) => items.flatMap((change) => editsOfItem(part, change)))
  ];
}

function slotOf({ auditionId, request }: Part, moved: NonNullable<Changes['rounds']>[number]): SeasonEdit[] {
  const round = request.rounds.find((r) => r.id === moved.roundId);
  if (!round) return [];
  const about = { auditionId, roundId: round.id };
  return [{ kind: 'slot', about, to: { date: moved.date, time: round.time } }];
}

function editsOfItem({ request }: Part, change: NonNullable<Changes['items']>[number]): SeasonEdit[] {
  const { itemId, targets, schools, isLeftOut } = change;
  const item = request.items.find(({ id }) => id === itemId);
  if (!item) return [];
  const about = { itemId };
  const sections = item.sections.map((section) => {
    const target = targets?.find((t) => t.sectionId === section.id);
    return target ? { ...section, tempo: setTarget(section.tempo, target.bpm) } : section;
  });
  return [
    ...(targets ? [{ kind: 'sections', about, to: { sections } } as const] : []),
    ...(schools ? [{ kind: 'schools', about, to: { ...item.schools, ...schools } } as const] : []),
    ...(isLeftOut === undefined ? [] : [{ kind: 'left-out', about, to: isLeftOut } as const])
  ];
}

/** One audition's facts with the edits carried out. */
export const applyEdits = ({ auditionId, request }: Part, edits: readonly SeasonEdit[]): SeasonRequest =>
  edits.reduce((facts, edit) => applyEdit(auditionId, facts, edit), request);

function applyEdit(auditionId: string, request: SeasonRequest, edit: SeasonEdit): SeasonRequest {
  switch (edit.kind) {
    case 'time':
      return { ...request, time: { ...request.time, ...edit.to } };
    case 'days-into-mock':
      return edit.about.auditionId === auditionId
        ? {
            ...request,
            daysIntoMock: edit.to,
            items: request.items.map((item) => ({ ...item, daysIntoMock: edit.to }))
          }
        : request;
    case 'slot':
      return {
        ...request,
        rounds: request.rounds.map((round) =>
          round.id === edit.about.roundId ? { ...round, ...edit.to } : round
        )
      };
    case 'sections':
      return changeItem(request, edit.about.itemId, edit.to);
    case 'schools':
      return changeItem(request, edit.about.itemId, { schools: edit.to });
    case 'left-out':
      return changeItem(request, edit.about.itemId, { isLeftOut: edit.to });
  }
}

function changeItem(
  request: SeasonRequest,
  itemId: string,
  to: Partial<SeasonRequest['items'][number]>
): SeasonRequest {
  return { ...request, items: request.items.map((item) => (item.id === itemId ? { ...item, ...to } : item)) };
}

/** A request by itself with the changes made. */
export function applyChanges(request: SeasonRequest, changes: Changes): SeasonRequest {
  const part = { auditionId: '', name: '', request };
  return applyEdits(part, editsOf(changes, [part]));
}
