/** The day of a round: counted back from its slot, with the list in its order. */
import type { AfterRound, RoundDay } from '../../core/record';
import { planDay } from '../../core/round-day';
import { targetOf } from '../../core/tempo';
import { clockIn, instantOf } from '../../core/units/zone';
import type { Tempo } from '../../core/units';
import type { ClockAt, RoundDayView } from '../../schema/round-day-view';
import type { App } from '../app';
import { applyChange } from '../change/apply';
import { CodedError, orNotFound } from '../errors';
import { type Season, readSeason } from '../laying/facts';
import { planOf } from '../laying/plan';
import { findAudition } from '../store/audition';
import type { ListItem } from '../store/item';
import { findRoundDay, thoughtOf } from '../store/round-day';
import { candidateOfAudition } from './owner';
import { useCase } from './use-case';

const AS_USUAL = { travelMin: null, minutes: {}, notes: {}, place: '' };

/** Of the round that is named, else of the next one. Throws CodedError "not-found" where there is none. */
export const readRoundDay = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run(app: App, input: { auditionId: string; roundId?: string | undefined }): RoundDayView {
    const season = readSeason(app, input.auditionId);
    const { audition, candidate, own } = season;
    const known = [...audition.rounds].sort((a, b) => (a.date < b.date ? -1 : 1));
    const next = known.find(({ date, isHistory }) => !isHistory && date >= own.today) ?? known.at(-1);
    const round = orNotFound(
      input.roundId === undefined ? next : known.find(({ id }) => id === input.roundId)
    );
    const slotMs =
      round.time === undefined || round.isWeek ? null : instantOf(round.date, round.time, round.zone);
    const day: RoundDay = findRoundDay(app.db, audition.id, round.id) ?? { roundId: round.id, ...AS_USUAL };
    const isElsewhere =
      slotMs !== null && clockIn(slotMs, round.zone).time !== clockIn(slotMs, candidate.zone).time;
    const at = (ms: number, zone: string): ClockAt => {
      const { date, time } = clockIn(ms, zone);
      return { time, date: date === round.date ? null : date };
    };
    return {
      audition: { id: audition.id, name: audition.name },
      candidate: { id: candidate.id, name: candidate.name },
      today: own.today,
      nowMs: app.now(),
      rounds: known.map(({ id, name, date }) => ({ id, name, date })),
      round: {
        id: round.id,
        name: round.name,
        date: round.date,
        time: slotMs === null ? null : round.time!,
        zone: round.zone
      },
      isOver: slotMs === null ? round.date < own.today : slotMs <= app.now(),
      slotMs,
      homeZone: isElsewhere ? candidate.zone : null,
      day,
      steps: (slotMs === null ? [] : planDay(slotMs, day)).map((step) => ({
        ...step,
        there: at(step.atMs, round.zone),
        home: isElsewhere ? at(step.atMs, candidate.zone) : null
      })),
      items: season.items
        .filter(({ listItemId, isLeftOut }) => !isLeftOut && (round.itemIds?.includes(listItemId) ?? true))
        .map((item) => ({
          id: item.id,
          name: item.name,
          thought: thoughtOf(app.db, item.id) ?? '',
          metre: item.metre,
          tempo: startOf(app, season, item)
        }))
    };
  }
});

/** Of its first section with a tempo: what holds, at most the target. */
function startOf(app: App, season: Season, { id, sections }: ListItem): Tempo | null {
  const first = sections.find(({ tempo }) => targetOf(tempo) !== null);
  const target = first && targetOf(first.tempo);
  if (!target) return null;
  const planned = planOf(app, season)?.plan.items.find((item) => item.id === id);
  const held = planned?.sections.find((section) => section.id === first.id)?.held;
  return { unit: target.unit, bpm: Math.min(target.bpm, held?.bpm ?? target.bpm) };
}

/** Sets how a round's day goes, and what is thought before its items. Returns the secret by which it can be taken back. */
export const setRoundDay = useCase({
  rule: 'own',
  owner: candidateOfAudition,
  run(app: App, input: { auditionId: string; day: RoundDay; thoughts: ReadonlyMap<string, string> }): string {
    const { auditionId, day } = input;
    const audition = orNotFound(findAudition(app.db, auditionId));
    if (!audition.rounds.some(({ id }) => id === day.roundId)) throw new CodedError('not-found');
    const { items } = readSeason(app, auditionId);
    // how it went is told elsewhere
    const { after } = findRoundDay(app.db, auditionId, day.roundId) ?? {};
    const told = after ? { after } : {};
    const thoughts = items.flatMap(({ id }) => {
      const to = input.thoughts.get(id);
      return to === undefined ? [] : [{ kind: 'thought' as const, about: { itemId: id }, to }];
    });
    return applyChange(app, {
      candidateId: audition.candidateId,
      edits: [
        { kind: 'round-day', about: { auditionId, roundId: day.roundId }, to: { ...day, ...told } },
        ...thoughts
      ],
      cause: 'the day of a round'
    });
  }
});

/** Tells what was asked in a round and how it went. Returns the secret by which it can be taken back. */
export const tellRound = useCase({
  rule: 'own',
  owner: candidateOfAudition,
  run(app: App, input: { auditionId: string; roundId: string; after: AfterRound }): string {
    const { auditionId, roundId, after } = input;
    const audition = orNotFound(findAudition(app.db, auditionId));
    if (!audition.rounds.some(({ id }) => id === roundId)) throw new CodedError('not-found');
    const day = findRoundDay(app.db, auditionId, roundId) ?? { roundId, ...AS_USUAL };
    return applyChange(app, {
      candidateId: audition.candidateId,
      edits: [{ kind: 'round-day', about: { auditionId, roundId }, to: { ...day, after } }],
      cause: 'how a round went'
    });
  }
});
