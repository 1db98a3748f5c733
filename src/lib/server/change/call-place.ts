/** A call, everyone's who takes it; and what one candidate has of it by themselves: own dates and slots. */
import { outOfReach, roundDayFault } from '../../core/season';
import { skippedTime } from '../../schema/round';
import { type App, todayIn } from '../app';
import { CodedError, orNotFound } from '../errors';
import * as auditions from '../store/audition';
import * as calls from '../store/call';
import { findCandidate } from '../store/candidate';
import { boundCount, boundDates } from './bounds';
import { place } from './place';

export type CallInput = {
  readonly name: string;
  readonly rounds: readonly calls.Round[];
  readonly dates: readonly calls.OtherDate[];
  readonly webAddress?: string | undefined;
};

type Own = { readonly ownDates: readonly auditions.OwnDate[]; readonly slots: readonly auditions.Slot[] };

/** What is one candidate's own stays where nothing is said of it. */
export const callPlace = place<{ auditionId: string }, CallInput & Own, CallInput & Partial<Own>>({
  read(app, { auditionId }) {
    const audition = auditions.findAudition(app.db, auditionId);
    if (!audition) return undefined;
    const { call, ownDates, slots } = audition;
    const { name, rounds, dates, webAddress } = call;
    return { name, rounds, dates, webAddress, ownDates, slots };
  },
  write(app, { auditionId }, { ownDates, slots, ...call }) {
    const audition = orNotFound(auditions.findAudition(app.db, auditionId));
    const { callId } = audition;
    refuseName(app, call.name, callId);
    boundCall(app, call);
    const rounds = withIds(app, call.rounds, callId);
    calls.saveCall(app.db, { id: callId, ...call, rounds, version: audition.call.version });
    if (ownDates) saveOwnDates(app, audition, ownDates);
    if (slots) saveSlots(app, audition, rounds, slots);
  },
  touches: (app, { auditionId }) => ({
    callId: orNotFound(auditions.findAudition(app.db, auditionId)).callId
  })
});

/** Adds a call that nobody takes yet; returns its id. */
export function newCall(app: App, input: CallInput): string {
  const { name, dates, webAddress, rounds } = input;
  refuseName(app, name, null);
  boundCount('calls', calls.listCalls(app.db).length + 1);
  boundCall(app, input);
  const id = app.newId();
  calls.addCall(app.db, { id, name, dates, webAddress, rounds: withIds(app, rounds, null) }, app.now());
  return id;
}

/** Two lists of one name could not be told apart. */
export function refuseName(app: App, name: string, callId: string | null): void {
  const isTaken = calls.listCalls(app.db).some((call) => call.name === name && call.id !== callId);
  if (isTaken) throw new CodedError('list-name-taken');
}

/** Throws CodedError where a date of a call is out of reach. */
export function boundCall(app: App, { rounds, dates }: CallInput): void {
  boundDates(app, 'UTC', [...rounds.flatMap((r) => [r.date, r.uploadBy]), ...dates.map((d) => d.date)]);
}

/** A round that is new in a form has no id yet; one that has is there once, and never another call's. */
export function withIds(app: App, rounds: readonly calls.Round[], callId: string | null): calls.Round[] {
  const seen = new Set<string>();
  return rounds.map((r) => {
    if (r.id === '') return { ...r, id: app.newId() };
    const of = calls.callOfRound(app.db, r.id) ?? callId;
    if (of !== callId || seen.size === seen.add(r.id).size) throw new CodedError('changed-elsewhere');
    return r;
  });
}

function saveOwnDates(app: App, audition: auditions.Audition, dates: readonly auditions.OwnDate[]): void {
  const days = dates.map(({ date }) => date);
  boundDates(app, 'UTC', days);
  auditions.saveOwnDates(app.db, audition.id, dates, audition.ownVersion);
}

/** A slot in a round that is no more goes with it. */
function saveSlots(
  app: App,
  audition: auditions.Audition,
  rounds: readonly calls.Round[],
  slots: readonly auditions.Slot[]
): void {
  for (const round of rounds) {
    const slot = slots.find((s) => s.roundId === round.id);
    const was = audition.slots.find((s) => s.roundId === round.id);
    if (!slot) auditions.dropSlot(app.db, audition.id, round.id);
    else if (slot.date !== was?.date || slot.time !== was.time) {
      const fault = slotFault(app, audition, round, slot);
      if (fault) throw new CodedError('slot-unsound', `${round.name}: ${fault}`);
      auditions.putSlot(app.db, audition.id, slot);
    }
  }
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
