/**
 * Others who look in by a link, without an account: a guardian reads the week, a substitute what a lesson needs. They change nothing, and read no
 * private note and nothing of guardians.
 */
import { unitOfRung } from '../../core/season';
import { dayOf, formatDate, tempoIn, weekdayOf } from '../../core/units';
import { instantOf } from '../../core/units/zone';
import { type App, type Who, todayIn } from '../app';
import { CodedError, orNotFound } from '../errors';
import { endGrants, grantEndsMs, lastsUntil, makeGrant } from '../grant/grant';
import { type Season, readSeason } from '../laying/facts';
import { planOf } from '../laying/plan';
import { auditionsOf } from '../store/audition';
import { findCandidate } from '../store/candidate';
import { lessonNotesOf } from '../store/lesson';
import { spotsOfSeason } from './spots';
import { holderOf, useCase } from './use-case';

export type VisitKind = 'guardian' | 'substitute';

const DAYS_SHOWN = 7;
const NOTES_SHOWN = 3;

/** A new link, shown once; the one before it ends. A substitute's ends with the day that is said. */
export const makeVisit = useCase({
  rule: 'teacher',
  run: (
    app: App,
    { candidateId, kind, until }: { candidateId: string; kind: VisitKind; until?: string | undefined }
  ) => {
    const { zone } = orNotFound(findCandidate(app.db, candidateId));
    if (until !== undefined && until < todayIn(app, zone)) throw new CodedError('visit-over');
    const after = until === undefined ? null : formatDate(dayOf(until) + 1);
    const endsMs = after === null ? undefined : (instantOf(after, '00:00', zone) ?? undefined);
    if (endsMs !== undefined && !lastsUntil(app, kind, endsMs)) throw new CodedError('visit-too-long');
    return makeGrant(app, kind, { candidateId, opensId: candidateId, endsMs });
  }
});

export const endVisit = useCase({
  rule: 'teacher',
  run: (app: App, { candidateId, kind }: { candidateId: string; kind: VisitKind }) =>
    endGrants(app, kind, candidateId)
});

/** Until when each link that is open works, as an instant; null where none is. */
export const visitsOf = (app: App, candidateId: string): Record<VisitKind, number | null> => ({
  guardian: grantEndsMs(app, 'guardian', candidateId),
  substitute: grantEndsMs(app, 'substitute', candidateId)
});

/** The audition that is counted down to, read for its plan; null where none is ahead. */
function nextSeason(app: App, candidateId: string, today: string): Season | null {
  const dated = auditionsOf(app.db, candidateId).flatMap(({ id, rounds }) =>
    rounds.filter(({ date }) => date >= today).map(({ date }) => ({ id, date }))
  );
  const [first] = dated.sort((a, b) => (a.date < b.date ? -1 : 1));
  return first ? readSeason(app, first.id) : null;
}

/** A candidate's next seven days: blocks with their minutes, lessons and dates; no tempo, no note, no word of what did not hold. */
export const readGuardianWeek = useCase({
  rule: 'holder',
  grant: 'guardian',
  run: (app: App, _input: Record<string, never>, who: Who) => {
    const { name, zone, time, id } = orNotFound(findCandidate(app.db, holderOf(who).candidateId));
    const today = todayIn(app, zone);
    const season = nextSeason(app, id, today);
    const plan = season && (planOf(app, season)?.plan ?? null);
    const dated = season ? [...season.audition.rounds, ...season.audition.dates] : [];
    const days = Array.from({ length: DAYS_SHOWN }, (_, i) => formatDate(dayOf(today) + i)).map((date) => {
      const day = plan?.days.find((one) => one.date === date);
      return {
        date,
        minutes: day?.plannedMin ?? 0,
        blocks: (day?.blocks ?? []).map(({ itemId, minutes, start }) => ({
          name: plan!.items.find((item) => item.id === itemId)!.name,
          minutes,
          start
        })),
        lessons: time.lessons
          .filter(({ weekday }) => weekday === weekdayOf(dayOf(date)))
          .map(({ start }) => start ?? null),
        dates: dated.filter((one) => one.date === date).map((one) => one.name)
      };
    });
    const since = formatDate(dayOf(today) - DAYS_SHOWN);
    const log = season?.own.log.filter(({ date }) => date > since && date <= today) ?? [];
    return {
      name,
      days,
      playedMin: log.reduce((sum, touch) => sum + touch.minutes, 0),
      playedDays: new Set(log.map(({ date }) => date)).size,
      next: season
        ? { name: season.audition.name, date: season.audition.rounds.find((r) => r.date >= today)!.date }
        : null
    };
  }
});

/** What a lesson needs: the list with what holds and what is next, open spots, what was taken home from the last lessons. */
export const readSubstitute = useCase({
  rule: 'holder',
  grant: 'substitute',
  run: (app: App, _input: Record<string, never>, who: Who) => {
    const { name, instruments, zone, id } = orNotFound(findCandidate(app.db, holderOf(who).candidateId));
    const today = todayIn(app, zone);
    const season = nextSeason(app, id, today);
    const plan = season && (planOf(app, season)?.plan ?? null);
    const spots = season ? spotsOfSeason(app, season, today).filter(({ state }) => state === 'open') : [];
    return {
      name,
      instruments,
      today,
      audition: season
        ? { name: season.audition.name, date: season.audition.rounds.find((r) => r.date >= today)!.date }
        : null,
      items: (season?.items ?? []).map((item) => {
        const planned = plan?.items.find((one) => one.id === item.id);
        const rung = planned?.rungs.find(({ date }) => date !== null);
        return {
          ...{
            id: item.id,
            name: item.name,
            composer: item.composer,
            edition: item.edition,
            tested: item.tested
          },
          sections: (planned?.sections ?? []).map((section) => ({
            ...{ id: section.id, fromBar: section.fromBar, toBar: section.toBar, says: section.says }
          })),
          next:
            planned && rung
              ? {
                  tempo: {
                    bpm: tempoIn(rung.click, unitOfRung(planned, rung)),
                    unit: unitOfRung(planned, rung)
                  },
                  date: rung.date!
                }
              : null,
          spots: spots
            .filter(({ itemId }) => itemId === item.id)
            .map(({ fromBar, toBar, issue }) => ({ fromBar, toBar, issue }))
        };
      }),
      notes: lessonNotesOf(app.db, id).slice(0, NOTES_SHOWN)
    };
  }
});
