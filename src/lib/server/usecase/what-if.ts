/**
 * What if: all facts of a season for a scratch copy that is laid where it is looked at, and the changes of it that are kept. What they
 * replace is remembered as one thing to be taken back.
 */
import { type Changes, type Part, editsOf, forAllTwins, roundDayFault, targetFault } from '../../core/season';
import { practiceTime } from '../../schema/time';
import type { App } from '../app';
import { applyChange } from '../change/apply';
import type { Edit } from '../change/places';
import { CodedError } from '../errors';
import { readSeason } from '../laying/facts';
import { planOf } from '../laying/plan';
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
    const kept = editsToKeep(app, input);
    return applyChange(app, { ...kept, cause: 'changes tried and kept', agreedOf: input.auditionId });
  }
});

/**
 * What changes put where, for everything that is laid together. Throws CodedError "changes-unsound" with the reason where they cannot be
 * kept.
 */
export function editsToKeep(
  app: App,
  input: { auditionId: string; changes: Changes }
): { candidateId: string; edits: Edit[] } {
  const { audition, candidate, request, joint, own } = readSeason(app, input.auditionId);
  const candidateId = candidate.id;
  const alone: Part = { auditionId: audition.id, name: audition.name, request: own };
  const parts = joint?.live ?? [alone];
  const changes = joint ? forAllTwins(input.changes, joint) : input.changes;
  const edits = editsOf(changes, parts).map((edit): Edit =>
    edit.kind === 'time' ? { ...edit, about: { candidateId } } : edit
  );
  const fault = timeFault(edits) ?? changesFault(changes, parts, request.today);
  if (fault) throw new CodedError('changes-unsound', fault);
  return { candidateId, edits };
}

/** Why a week cannot be: a day has more minutes than it has, or runs past midnight. */
function timeFault(edits: readonly Edit[]): string | null {
  const time = edits.find((edit) => edit.kind === 'time');
  return time ? (practiceTime.safeParse(time.to).error?.issues[0]!.message ?? null) : null;
}

/** Why the rest of the changes cannot be kept, as a sentence; null where they can. */
function changesFault(
  { rounds = [], items = [] }: Changes,
  parts: readonly Part[],
  today: string
): string | null {
  const all = parts.flatMap(({ request }) => request.items);
  const ids = new Set(parts.flatMap(({ request }) => request.rounds.map((round) => round.id)));
  const faults = [
    ...rounds.map(({ roundId, date }) =>
      ids.has(roundId) ? roundDayFault(date, today) : 'A round moved here is in the call no more.'
    ),
    ...items.flatMap(({ itemId, targets = [] }) => {
      const item = all.find(({ id }) => id === itemId);
      if (!item) return ['An item changed here is on the list no more.'];
      return targets.map(({ sectionId, bpm }) => {
        const section = item.sections.find((s) => s.id === sectionId);
        return section ? targetFault(section.tempo, bpm) : null;
      });
    })
  ];
  return faults.find((fault) => fault !== null) ?? null;
}
