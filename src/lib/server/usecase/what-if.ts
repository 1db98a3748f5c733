/**
 * What if: all facts of a season for a scratch copy that is laid where it is looked at, and the changes of it that are kept. What they
 * replace is remembered as one thing to be taken back.
 */
import { type Changes, addMinutes, forAllTwins, roundDayFault } from '../../core/season';
import { practiceTime } from '../../schema/time';
import type { App } from '../app';
import { CodedError, orNotFound } from '../errors';
import { dropSlot, findAudition, putSlot, setDaysIntoMock } from '../store/audition';
import { type CandidateTime, findCandidate, saveTime } from '../store/candidate';
import * as items from '../store/item';
import { candidateOfAudition } from './owner';
import { readSeason } from '../laying/facts';
import { layAgain } from '../laying/lay';
import { planOf } from '../laying/plan';
import { boundTime } from './bounds';
import { type BeforeChanges, keepUndo } from './keep-undo';
import { setSections, withTarget } from './target';
import { useCase } from './use-case';

/** The season as it is laid from, and each audition of it; with the plan as it stands. */
export const readScratch = useCase({
  rule: 'teacher',
  run: (app: App, input: { auditionId: string }) => {
    const season = readSeason(app, input.auditionId);
    const plan = planOf(app, season)?.plan ?? null;
    const alone = { auditionId: season.audition.id, name: season.audition.name, request: season.request };
    return { request: season.request, parts: season.joint?.parts ?? [alone], plan };
  }
});

/** Keeps what was tried, all or nothing, and lays the plan once. Returns the secret by which it can be taken back. */
export const keepChanges = useCase({
  rule: 'teacher',
  run: (app: App, input: { auditionId: string; changes: Changes }) => {
    const season = readSeason(app, input.auditionId);
    const { audition, candidate, request, joint } = season;
    const together = joint?.live.map((part) => part.auditionId) ?? [audition.id];
    const changes = joint ? forAllTwins(input.changes, joint) : input.changes;
    const { week, fundamentalsMin, daysIntoMock, rounds = [], items: changed = [] } = changes;
    const before: BeforeChanges = {
      auditionId: audition.id,
      agreed: planOf(app, season)?.plan.agreed,
      ...(week || fundamentalsMin !== undefined ? { time: candidate.time } : {}),
      ...(daysIntoMock === undefined
        ? {}
        : {
            daysIntoMock: together.map((id) => ({
              auditionId: id,
              days: orNotFound(findAudition(app.db, id)).daysIntoMock
            }))
          }),
      slots: rounds.map(({ roundId }) => {
        const slot = audition.slots.find((s) => s.roundId === roundId);
        return { roundId, date: slot?.date ?? null, time: slot?.time };
      }),
      items: changed.map((change) => {
        const item = itemOf(app, audition.id, change.itemId);
        const ownSections = item.hasOwnSections ? item.sections : null;
        return {
          id: item.id,
          ...(change.targets ? { ownSections, sections: item.sections } : {}),
          ...(change.schools ? { schools: item.schools ?? {} } : {}),
          ...(change.isLeftOut === undefined ? {} : { isLeftOut: item.isLeftOut === true })
        };
      })
    };
    if (before.time) setTime(app, candidate.id, changeTime(candidate.time, week ?? [], fundamentalsMin));
    if (daysIntoMock !== undefined) for (const id of together) setDaysIntoMock(app.db, id, daysIntoMock);
    for (const { roundId, date } of rounds) {
      const round = audition.rounds.find((r) => r.id === roundId);
      if (!round) throw new CodedError('changes-unsound', 'A round moved here is in the call no more.');
      const fault = roundDayFault(date, request.today);
      if (fault) throw new CodedError('changes-unsound', fault);
      putSlot(app.db, audition.id, { roundId, date, time: round.time });
    }
    for (const change of changed) keepItem(app, audition.id, change);
    layAgain(app, audition.id, 'changes tried and kept');
    return keepUndo(app, candidate.id, 'changes', { candidateId: candidate.id, before }, before);
  }
});

/** An item of this audition, or of another of the candidate's that is laid with it. Throws CodedError "changes-unsound" where it is gone. */
function itemOf(app: App, auditionId: string, itemId: string): items.ListItem {
  const item = items.findItem(app.db, itemId);
  if (!item || candidateOfAudition(app, item) !== candidateOfAudition(app, { auditionId }))
    throw new CodedError('changes-unsound', 'An item changed here is on the list no more.');
  return item;
}

function keepItem(app: App, auditionId: string, change: NonNullable<Changes['items']>[number]): void {
  const item = itemOf(app, auditionId, change.itemId);
  if (change.schools) items.setSchools(app.db, item.id, { ...item.schools, ...change.schools });
  if (change.isLeftOut !== undefined) items.setLeftOut(app.db, item.id, change.isLeftOut);
  if (!change.targets) return;
  const sections = item.sections.map((section) => {
    const target = change.targets!.find((t) => t.sectionId === section.id);
    return target ? { ...section, tempo: withTarget(section.tempo, target.bpm) } : section;
  });
  setSections(app, item, sections);
}

/** Throws CodedError "changes-unsound" where a day would have more minutes than it has or run past midnight. */
function changeTime(
  time: CandidateTime,
  week: NonNullable<Changes['week']>,
  fundamentalsMin: number = time.fundamentalsMin
): CandidateTime {
  const changed = { ...time, week: addMinutes(time.week, week), fundamentalsMin };
  const read = practiceTime.safeParse(changed);
  if (!read.success) throw new CodedError('changes-unsound', read.error.issues[0]!.message);
  return changed;
}

function setTime(app: App, candidateId: string, time: CandidateTime): void {
  const { zone, timeVersion } = orNotFound(findCandidate(app.db, candidateId));
  boundTime(app, zone, time);
  saveTime(app.db, candidateId, time, timeVersion);
}

/** Puts back what stood there before changes were kept; what has gone since is passed over. */
export function putBack(app: App, candidateId: string, before: BeforeChanges): void {
  const { auditionId, time, daysIntoMock = [], slots = [], items: changed = [] } = before;
  if (time) setTime(app, candidateId, time);
  for (const { auditionId: id, days } of daysIntoMock) setDaysIntoMock(app.db, id, days);
  const rounds = new Set(findAudition(app.db, auditionId)?.rounds.map((round) => round.id));
  for (const { roundId, date, time: hour } of slots.filter((slot) => rounds.has(slot.roundId)))
    if (date === null) dropSlot(app.db, auditionId, roundId);
    else putSlot(app.db, auditionId, { roundId, date, time: hour });
  for (const was of changed) {
    const item = items.findItem(app.db, was.id);
    if (!item) continue;
    if (was.schools) items.setSchools(app.db, item.id, was.schools);
    if (was.isLeftOut !== undefined) items.setLeftOut(app.db, item.id, was.isLeftOut);
    if (!was.sections) continue;
    if (item.hasOwnSections) items.setOwnSections(app.db, item.id, was.ownSections ?? null);
    else setSections(app, item, was.sections);
  }
  layAgain(app, auditionId, 'changes taken back', before.agreed);
}
