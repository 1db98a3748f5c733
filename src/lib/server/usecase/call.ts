/**
 * The call: rounds and dates, the studio's, taken by several candidates; each candidate's own slot; what a changed date
 * would do to every plan, shown before it is saved; and when its page was last looked at.
 */
import { dayOf } from '../../core/units';
import { outOfReach, roundDayFault } from '../../core/season';
import { skippedTime } from '../../schema/round';
import type { CallEffect } from '../../schema/view';
import { type App, type Who, todayIn } from '../app';
import { CodedError, orNotFound } from '../errors';
import * as auditions from '../store/audition';
import * as calls from '../store/call';
import { findCandidate } from '../store/candidate';
import { addOwn, listItemIds, printedItems } from '../store/item';
import { candidateOfAudition } from './owner';
import { readDates, readSeason } from '../laying/facts';
import { layAgain, layForTakers } from '../laying/lay';
import { effectOn } from './effect';
import { boundCount, boundDates } from './bounds';
import { READERS, keepUndo } from './keep-undo';
import { useCase } from './use-case';

export type CallInput = {
  readonly name: string;
  readonly rounds: readonly calls.Round[];
  readonly dates: readonly calls.OtherDate[];
};

/** A new call, taken by one candidate; returns the audition's id. */
export const addAudition = useCase({
  rule: 'teacher',
  run: (app: App, input: CallInput & { candidateId: string }) => {
    const callId = app.newId();
    const { name, dates } = input;
    refuseName(app, name, null);
    boundCount('calls', calls.listCalls(app.db).length + 1);
    boundCall(app, input);
    calls.addCall(app.db, { id: callId, name, dates, rounds: withIds(app, input.rounds, null) }, app.now());
    return take(app, input.candidateId, callId);
  }
});

/** Two lists of one name could not be told apart. */
function refuseName(app: App, name: string, callId: string | null): void {
  const isTaken = calls.listCalls(app.db).some((call) => call.name === name && call.id !== callId);
  if (isTaken) throw new CodedError('list-name-taken');
}

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
    for (const listItemId of listItemIds(app.db, input.callId))
      addOwn(app.db, { id: app.newId(), auditionId, listItemId }, { ownSections: null });
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
  return id;
}

/** A round that is new in a form has no id yet; one that has is there once, and never another call's. */
function withIds(app: App, rounds: readonly calls.Round[], callId: string | null): calls.Round[] {
  const seen = new Set<string>();
  return rounds.map((r) => {
    if (r.id === '') return { ...r, id: app.newId() };
    const of = calls.callOfRound(app.db, r.id) ?? callId;
    if (of !== callId || seen.size === seen.add(r.id).size) throw new CodedError('changed-elsewhere');
    return r;
  });
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

/** Saves the call for everyone who takes it, and this candidate's own dates and slots. Returns the secret by which it can be taken back. */
export const saveCall = useCase({
  rule: 'teacher',
  run: (app: App, input: CallInput & { auditionId: string; version: number; own?: OwnInput | undefined }) => {
    const { auditionId, own } = input;
    const audition = orNotFound(auditions.findAudition(app.db, auditionId));
    const before = READERS.call(app, { auditionId })!;
    const { callId, candidateId } = audition;
    const { name, dates, version } = input;
    refuseName(app, name, callId);
    boundCall(app, input);
    const rounds = withIds(app, input.rounds, audition.callId);
    if (!calls.saveCall(app.db, { id: callId, name, dates, rounds, version }))
      throw new CodedError('changed-elsewhere');
    if (own) saveOwn(app, audition, rounds, own);
    layForTakers(app, callId, 'call changed');
    return keepUndo(app, candidateId, 'call', { auditionId }, before);
  }
});

/** Own dates and slots; a slot in a round that is no more goes with it. */
function saveOwn(
  app: App,
  audition: auditions.Audition,
  rounds: readonly calls.Round[],
  own: OwnInput
): void {
  boundDates(
    app,
    'UTC',
    own.dates.map((d) => d.date)
  );
  if (!auditions.saveOwnDates(app.db, audition.id, own.dates, own.version))
    throw new CodedError('changed-elsewhere');
  for (const round of rounds) {
    const slot = own.slots.find((s) => s.roundId === round.id);
    const was = audition.slots.find((s) => s.roundId === round.id);
    if (!slot) auditions.dropSlot(app.db, audition.id, round.id);
    else if (slot.date !== was?.date || slot.time !== was.time) putSlot(app, audition, round, slot);
  }
}

/** Throws CodedError where a date of a call is out of reach. */
function boundCall(app: App, { rounds, dates }: CallInput): void {
  boundDates(app, 'UTC', [...rounds.flatMap((r) => [r.date, r.uploadBy]), ...dates.map((d) => d.date)]);
}

/** What a changed call would do to the plan of everyone who takes it; nothing is saved. */
export const previewCall = useCase({
  rule: 'teacher',
  run: (app: App, input: CallInput & { auditionId: string }): CallEffect[] => {
    const { callId } = orNotFound(auditions.findAudition(app.db, input.auditionId));
    return auditions
      .takersOf(app.db, callId)
      .filter((taker) => !taker.isArchived)
      .map((taker) =>
        effectOn(app, taker, ({ own, audition, items }) => {
          const rounds = auditions.placeSlots(withIds(app, input.rounds, callId), audition.slots);
          return { ...own, ...readDates({ rounds }, items) };
        })
      );
  }
});

function putSlot(app: App, audition: auditions.Audition, round: calls.Round, slot: auditions.Slot): void {
  const fault = slotFault(app, audition, round, slot);
  if (fault) throw new CodedError('slot-unsound', `${round.name}: ${fault}`);
  auditions.putSlot(app.db, audition.id, slot);
}

/** Why a slot cannot be; of a round that has taken place only the clock is asked. */
function slotFault(
  app: App,
  audition: auditions.Audition,
  round: calls.Round,
  { date, time }: { date: string; time?: string | undefined }
): string | null {
  const { zone } = orNotFound(findCandidate(app.db, audition.candidateId));
  const today = todayIn(app, zone);
  const dayFault = round.date < today ? outOfReach(date, today) : roundDayFault(date, today);
  return dayFault ?? skippedTime({ date, time, zone: round.zone });
}

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
    calls.setCallChecked(app.db, audition.callId, todayIn(app, zone));
    return keepUndo(app, audition.candidateId, 'checked', { auditionId }, audition.call.checkedOn);
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
  return {
    id,
    name,
    rounds,
    daysToGo: next ? dayOf(next.date) - dayOf(today) : null,
    isOver: rounds.length > 0 && !next,
    daysSinceChecked: checkedOn === null ? null : dayOf(today) - dayOf(checkedOn),
    isRecheckDue: isRecheckDue(call, today),
    items: printedItems(app.db, id).map((item) => ({ name: item.name, errata: item.errata.length })),
    takers: auditions.takersOf(app.db, id)
  };
}
