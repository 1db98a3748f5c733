/**
 * The call: rounds and dates, the studio's, taken by several candidates; each candidate's own slot; what a changed date
 * would do to every plan, shown before it is saved; and when its page was last looked at.
 */
import { dayOf } from '../../core/units';
import type { CallEffect } from '../../schema/view';
import { type App, type Who, todayIn } from '../app';
import { applyChange } from '../change/apply';
import { boundCount } from '../change/bounds';
import { type CallInput, newCall } from '../change/call-place';
import { CodedError, orNotFound } from '../errors';
import * as auditions from '../store/audition';
import * as calls from '../store/call';
import { findCandidate } from '../store/candidate';
import { addOwn, listItemIds, printedItems } from '../store/item';
import { candidateOfAudition } from './owner';
import { readSeason } from '../laying/facts';
import { layAgain } from '../laying/lay';
import { bringUsualTasks } from './around';
import { effectOn } from './effect';
import { useCase } from './use-case';
import { usualSchools } from './usual';

/** A new call, taken by one candidate; returns the audition's id. */
export const addAudition = useCase({
  rule: 'teacher',
  run: (app: App, input: CallInput & { candidateId: string }) =>
    take(app, input.candidateId, newCall(app, input))
});

/** A call the studio has, taken by one more candidate with its whole list; returns the audition's id. */
export const takeCall = useCase({
  rule: 'teacher',
  run: (app: App, input: { candidateId: string; callId: string }) => {
    orNotFound(calls.findCall(app.db, input.callId));
    const isTaken = auditions
      .takersOf(app.db, input.callId)
      .some(({ candidateId }) => candidateId === input.candidateId);
    if (isTaken) throw new CodedError('taken-already');
    const auditionId = take(app, input.candidateId, input.callId);
    const own = { schools: usualSchools(app), ownSections: null };
    for (const listItemId of listItemIds(app.db, input.callId))
      addOwn(app.db, { id: app.newId(), auditionId, listItemId }, own);
    layAgain(app, auditionId, 'list taken');
    return auditionId;
  }
});

function take(app: App, candidateId: string, callId: string): string {
  const candidate = orNotFound(findCandidate(app.db, candidateId));
  boundCount('auditions', auditions.auditionsOf(app.db, candidateId).length + 1);
  const id = app.newId();
  const beganOn = todayIn(app, candidate.zone);
  auditions.addAudition(app.db, { id, candidateId, callId, beganOn }, app.now());
  bringUsualTasks(app, id);
  return id;
}

/** Opens the editor of a new audition: the candidate, and the calls that could be taken instead. */
export const prepareAudition = useCase({
  rule: 'teacher',
  run: (app: App, input: { candidateId: string }) => {
    const candidate = orNotFound(findCandidate(app.db, input.candidateId));
    const today = todayIn(app, candidate.zone);
    const open = calls
      .listCalls(app.db)
      .map((call) => ({ call, takers: auditions.takersOf(app.db, call.id) }))
      .filter(({ call, takers }) => {
        const isAhead = call.rounds.length === 0 || call.rounds.some((r) => r.date >= today);
        return isAhead && takers.every((t) => t.candidateId !== candidate.id);
      })
      .map(({ call, takers }) => ({
        id: call.id,
        name: call.name,
        round: call.rounds.find((r) => r.date >= today) ?? null,
        items: listItemIds(app.db, call.id).length,
        takers: takers.map((t) => t.name)
      }));
    return { ...candidate, calls: open };
  }
});

/** The call with its list's names, for rounds that hear a part of it, who takes it, and this candidate's slots. */
export const readCall = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run: (app: App, input: { auditionId: string }, who: Who) => {
    const { audition, candidate, items, request } = readSeason(app, input.auditionId);
    return {
      audition,
      candidate,
      today: request.today,
      items: items.map(({ listItemId, name }) => ({ id: listItemId, name })),
      /** What was printed wrong and what will be heard, by item. */
      printed: items.map(({ id, name, errata, cuts }) => ({ id, name, errata, cuts })),
      // who else takes it is the teacher's to know
      takers: who.kind === 'teacher' ? auditions.takersOf(app.db, audition.callId) : []
    };
  }
});

/** What is one candidate's own of a call. */
export type OwnInput = {
  readonly dates: readonly auditions.OwnDate[];
  readonly version: number;
  readonly slots: readonly auditions.Slot[];
};

type CallChange = CallInput & { auditionId: string; own?: OwnInput | undefined };

function changeCall({ auditionId, name, rounds, dates, webAddress, own }: CallChange) {
  const to = { name, rounds, dates, webAddress, ...(own ? { ownDates: own.dates, slots: own.slots } : {}) };
  return { edits: [{ kind: 'call', about: { auditionId }, to } as const], cause: 'call changed' };
}

/** Saves the call for everyone who takes it, and this candidate's own dates and slots. Returns the secret by which it can be taken back. */
export const saveCall = useCase({
  rule: 'teacher',
  run: (app: App, input: CallChange & { version: number }) => {
    const { candidateId, call, ownVersion } = orNotFound(auditions.findAudition(app.db, input.auditionId));
    if (call.version !== input.version || (input.own && input.own.version !== ownVersion))
      throw new CodedError('changed-elsewhere');
    return applyChange(app, { candidateId, ...changeCall(input) });
  }
});

/** What a changed call would do to the plan of everyone who takes it; nothing is saved. */
export const previewCall = useCase({
  rule: 'teacher',
  run: (app: App, input: CallInput & { auditionId: string }): CallEffect[] => {
    const { callId } = orNotFound(auditions.findAudition(app.db, input.auditionId));
    return effectOn(app, auditions.takersOf(app.db, callId), changeCall(input));
  }
});

/** Days after which the page with the call is to be looked at again (handbook section 2: weekly). */
const RECHECK_DAYS = 7;

/** Whether the page is to be looked at again for errata and cuts: never, or a week ago, while a round is ahead. */
export function isRecheckDue(call: calls.Call, today: string): boolean {
  if (!call.rounds.some((r) => r.date > today)) return false;
  return call.checkedOn === null || dayOf(today) - dayOf(call.checkedOn) >= RECHECK_DAYS;
}

/** The page was looked at today. Returns the secret by which it can be taken back. */
export const checkCall = useCase({
  rule: 'teacher',
  run: (app: App, { auditionId }: { auditionId: string }) => {
    const audition = orNotFound(auditions.findAudition(app.db, auditionId));
    const { zone } = orNotFound(findCandidate(app.db, audition.candidateId));
    const edit = { kind: 'checked', about: { auditionId }, to: todayIn(app, zone) } as const;
    return applyChange(app, { candidateId: audition.candidateId, edits: [edit], cause: 'call looked at' });
  }
});

/** Every call of the studio with who takes it: the soonest round first, then those without, then what is over. */
export const readCalls = useCase({
  rule: 'teacher',
  run: (app: App, _input: Record<string, never>) =>
    calls
      .listCalls(app.db)
      .map((call) => readCallLine(app, call))
      .sort(
        (a, b) => (a.daysToGo ?? Infinity) - (b.daysToGo ?? Infinity) || Number(a.isOver) - Number(b.isOver)
      )
});

function readCallLine(app: App, call: calls.Call) {
  const { id, name, rounds, checkedOn } = call;
  const today = todayIn(app, rounds[0]?.zone ?? 'UTC');
  const next = rounds.find((r) => r.date >= today);
  const takers = auditions.takersOf(app.db, id);
  return {
    id,
    name,
    rounds,
    daysToGo: next ? dayOf(next.date) - dayOf(today) : null,
    isOver: rounds.length > 0 && !next,
    daysSinceChecked: checkedOn === null ? null : dayOf(today) - dayOf(checkedOn),
    // nobody is led astray by what nobody takes yet
    isRecheckDue: takers.length > 0 && isRecheckDue(call, today),
    items: printedItems(app.db, id).map((item) => ({ name: item.name, errata: item.errata.length })),
    takers
  };
}
