/** What stands around the demo's auditions: an evening ahead, tasks that are behind, and a round that is told. */
import { dayOf, formatDate } from '../../core/units';
import { type App, type Who, todayIn } from '../app';
import { auditionsOf } from '../store/audition';
import { listCandidates } from '../store/candidate';
import { readTasks, tickTask } from '../usecase/around';
import { prepareEvening } from '../usecase/evening';
import { readRoundDay, tellRound } from '../usecase/round-day';
import type { Player } from './desk-day';
import type { DemoCandidate } from './shape';
import { DEMO_EVENING, DEMO_ZONE } from './studio';

export function seedEvening(app: App, teacher: Who): void {
  const { inDays, players, ...evening } = DEMO_EVENING;
  const all = listCandidates(app.db);
  prepareEvening(app, teacher, {
    ...evening,
    id: app.newId(),
    date: formatDate(dayOf(todayIn(app, DEMO_ZONE)) + inDays),
    players: players.map(({ name, ...plays }) => {
      const { id } = all.find((one) => one.name === name)!;
      return { auditionId: auditionsOf(app.db, id)[0]!.id, ...plays };
    })
  });
}

/** What was due is done. */
export function tickBehind(on: (day: number) => App, { who, auditionId }: Player, today: number): void {
  for (const { id, dueOn } of readTasks(on(today), who, { auditionId }).tasks)
    if (dueOn !== null && dayOf(dueOn) < today)
      tickTask(on(dayOf(dueOn)), who, { auditionId, id, isDone: true });
}

/** The day after it, as it was for who played. */
export function tell(
  app: App,
  { who, auditionId, easeOf }: Player,
  { words, ...told }: NonNullable<DemoCandidate['told']>
): void {
  const { round } = readRoundDay(app, who, { auditionId });
  const heard = [...easeOf.keys()].flatMap((itemId, i) => {
    const word = words[i];
    return word ? [{ itemId, word }] : [];
  });
  tellRound(app, who, { auditionId, roundId: round.id, after: { ...told, heard } });
}
