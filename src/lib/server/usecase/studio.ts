/** The teacher's first page, and candidates with their time. */
import type { App, Who } from '../app';
import { todayIn } from '../app';
import { applyChange } from '../change/apply';
import { boundCount } from '../change/bounds';
import { STAGE_NAMES } from '../../core/record/words';
import type { Recheck, StudioAudition, StudioMock, StudioRow } from '../../schema/view';
import { CodedError, orNotFound } from '../errors';
import { emptyLog } from '../db/open';
import { serverLog } from '../log';
import { dropAttemptsOf, eraseAccount, findAccount, findTeacher } from '../store/account';
import { type Audition, auditionsOf } from '../store/audition';
import * as candidates from '../store/candidate';
import { lastLogDate, loggedMinutesSince } from '../store/touch';
import { clearDays, joinDays } from '../../core/plan';
import { dayOf, formatDate, sayDate, weekdayOf } from '../../core/units';
import { dayInZone } from '../../core/units/zone';
import { grantEndsMs } from '../grant/grant';
import { itemCount } from '../store/item';
import { countWaitingWishes } from '../store/lesson';
import { mocksBetween } from '../store/mock';
import { summaryOf } from '../store/plan-version';
import { readyToDrop } from '../takes/keep';
import { isRecheckDue } from './call';
import { candidateOfAudition } from './owner';
import { hurtOf } from './spots';
import { leaveLinks } from './jurors';
import { useCase } from './use-case';
import { visitsOf } from './visit';

export const addCandidate = useCase({
  rule: 'teacher',
  run: (
    app: App,
    {
      name,
      instruments,
      zone,
      isMinor = false
    }: {
      name: string;
      instruments: string;
      zone: string;
      isMinor?: boolean;
    }
  ) => {
    boundCount('candidates', candidates.listCandidates(app.db).length + 1);
    const id = app.newId();
    candidates.addCandidate(
      app.db,
      { id, name, instruments, zone, isMinor, time: candidates.EMPTY_TIME },
      app.now()
    );
    return id;
  }
});

export const readStudio = useCase({
  rule: 'teacher',
  run: (app: App, _input: Record<string, never>, who: Who) => {
    const all = candidates.listCandidates(app.db);
    const active = all
      .filter((c) => c.archivedAtMs === null)
      .map((candidate) => ({ candidate, auditions: auditionsOf(app.db, candidate.id) }));
    const rows = active.map(({ candidate, auditions }) => studioRow(app, candidate, auditions, who));
    const name = who.kind === 'teacher' ? who.name : '';
    const rechecks = readRechecks(app, active);
    const archived = all
      .filter((c) => c.archivedAtMs !== null)
      .map((c) => ({ id: c.id, name: c.name, instruments: c.instruments }));
    const mocks = playsAhead(app, active);
    return { name, rows: rows.sort((a, b) => soonest(a) - soonest(b)), rechecks, mocks, archived };
  }
});

/** From today on, today included. */
const AHEAD_DAYS = 7;

/** Who plays to whom in the next seven days. */
function playsAhead(app: App, all: readonly WithAuditions[]): StudioMock[] {
  const byId = new Map(all.map(({ candidate }) => [candidate.id, candidate]));
  const todays = all.map(({ candidate }) => dayOf(todayIn(app, candidate.zone)));
  if (todays.length === 0) return [];
  const [from, to] = [Math.min(...todays), Math.max(...todays) + AHEAD_DAYS - 1];
  return mocksBetween(app.db, formatDate(from), formatDate(to)).flatMap((mock) => {
    const candidate = byId.get(mock.candidateId);
    if (!candidate) return [];
    const { id, stage, date, time, place, jurors, evening = null } = mock;
    const hears = jurors.map(({ name }) => name);
    return [
      {
        id,
        candidate: candidate.name,
        stage: STAGE_NAMES[stage - 1]!,
        date,
        time: time ?? null,
        place,
        hears,
        evening
      }
    ];
  });
}

function soonest(row: StudioRow): number {
  return Math.min(Infinity, ...row.auditions.map((a) => a.daysToGo ?? Infinity));
}

type WithAuditions = { readonly candidate: candidates.Candidate; readonly auditions: readonly Audition[] };

function readRechecks(app: App, all: readonly WithAuditions[]): Recheck[] {
  const byCall = new Map<string, Recheck>();
  for (const { candidate, auditions } of all) {
    const today = todayIn(app, candidate.zone);
    for (const { id, call } of auditions) {
      if (byCall.has(call.id) || !isRecheckDue(call, today)) continue;
      const daysSince = call.checkedOn === null ? null : dayOf(today) - dayOf(call.checkedOn);
      byCall.set(call.id, {
        auditionId: id,
        name: call.name,
        daysSince,
        webAddress: call.webAddress
      });
    }
  }
  return [...byCall.values()];
}

function studioRow(
  app: App,
  candidate: candidates.Candidate,
  auditions: readonly Audition[],
  who: Who
): StudioRow {
  const today = todayIn(app, candidate.zone);
  const day = dayOf(today);
  const lastLog = lastLogDate(app.db, candidate.id);
  const lesson = candidate.time.lessons.find((l) => l.weekday === weekdayOf(day));
  return {
    id: candidate.id,
    name: candidate.name,
    instruments: candidate.instruments,
    hasJoined: candidate.accountId !== null,
    daysSinceLog: lastLog === null ? null : day - dayOf(lastLog),
    daysSinceHeard:
      candidate.heardAtMs === null ? null : day - dayInZone(candidate.heardAtMs, candidate.zone),
    minutesThisWeek: loggedMinutesSince(app.db, candidate.id, formatDate(day - 6)),
    lessonToday: lesson ? { start: lesson.start ?? null } : null,
    hasTime: candidate.time.week.length > 0,
    wishes: countWaitingWishes(app.db, candidate.id),
    lacksConsent: !candidates.mayBeRecorded(candidate),
    hurtSince: hurtOf(app, candidate.id, who)?.since ?? null,
    today,
    auditions: shownAuditions(auditions, today).map((a) => studioAudition(app, a, today))
  };
}

/** Those ahead or without a round yet; where there is none, the latest. */
function shownAuditions(all: readonly Audition[], today: string): readonly Audition[] {
  const ahead = all.filter((a) => a.rounds.length === 0 || a.rounds.some((r) => r.date >= today));
  return ahead.length > 0 ? ahead : all.slice(-1);
}

/** From what the latest laying says of itself: a front page unpacks no plan. */
function studioAudition(app: App, audition: Audition, today: string): StudioAudition {
  const ahead = audition.rounds.find((r) => r.date >= today);
  const summary = ahead ? summaryOf(app.db, audition.id) : null;
  const items = itemCount(app.db, audition.id);
  return {
    id: audition.id,
    name: audition.name,
    daysToGo: ahead ? dayOf(ahead.date) - dayOf(today) : null,
    roundName: ahead?.name ?? null,
    roundDate: ahead?.date ?? null,
    isWeek: ahead?.isWeek === true,
    shortMin: summary?.shortMin ?? 0,
    shortSince: summary?.shortSince ?? null,
    items,
    isBeingLaid: ahead !== undefined && summary === null && items > 0,
    holding: summary?.holding ?? 0,
    farthest: summary?.farthest ?? null
  };
}

const ownCandidate = (_app: App, input: { candidateId: string }) => input.candidateId;

export const readCandidate = useCase({
  rule: 'see',
  owner: ownCandidate,
  run: (app: App, input: { candidateId: string }) => {
    const candidate = orNotFound(candidates.findCandidate(app.db, input.candidateId));
    const today = todayIn(app, candidate.zone);
    const auditions = auditionsOf(app.db, candidate.id).map((a) => studioAudition(app, a, today));
    return { candidate, today, auditions };
  }
});

/** Whose an audition is. */
export const readOwner = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run: (app: App, input: { auditionId: string }) => orNotFound(candidateOfAudition(app, input))
});

/** Own minutes: the candidate's to change as well as the teacher's. */
export const saveTime = useCase({
  rule: 'own',
  owner: ownCandidate,
  run: (app: App, input: { candidateId: string; time: candidates.CandidateTime; version: number }) => {
    const candidate = orNotFound(candidates.findCandidate(app.db, input.candidateId));
    return changeTime(app, candidate, input.time, input.version, 'time changed');
  }
});

/** Everything of a candidate beside the practice time, with the teacher's private note. */
export const readFacts = useCase({
  rule: 'teacher',
  run: (app: App, input: { candidateId: string }) => {
    const candidate = orNotFound(candidates.findCandidate(app.db, input.candidateId));
    const lastDay = (endsMs: number | null, isMidnight = false) =>
      endsMs === null ? null : formatDate(dayInZone(isMidnight ? endsMs - 1 : endsMs, candidate.zone));
    const { guardian, substitute } = visitsOf(app, candidate.id);
    return {
      candidate,
      privateNote: candidates.privateNoteOf(app.db, candidate.id),
      /** The last day of the link that lets them join; null where none is open. */
      joinUntil: lastDay(grantEndsMs(app, 'join', candidate.id)),
      /** The same of those who look in. */
      visits: {
        guardian: sayLast(lastDay(guardian)),
        substitute: sayLast(lastDay(substitute, true))
      }
    };
  }
});

const sayLast = (date: string | null) => (date === null ? null : sayDate(dayOf(date)));

/** A changed home zone changes today, and so the plan. */
export const saveFacts = useCase({
  rule: 'teacher',
  run: (app: App, input: { candidateId: string; facts: candidates.CandidateFacts; version: number }) => {
    const candidate = orNotFound(candidates.findCandidate(app.db, input.candidateId));
    if (candidate.factsVersion !== input.version) throw new CodedError('changed-elsewhere');
    const about = { candidateId: candidate.id };
    const edit = { kind: 'facts', about, to: input.facts } as const;
    const cause = candidate.zone === input.facts.zone ? 'a new day' : 'home zone changed';
    return applyChange(app, { ...about, edits: [edit], cause });
  }
});

/** Off the first page with everything kept, or back on it. */
export const archiveCandidate = useCase({
  rule: 'teacher',
  run: (app: App, input: { candidateId: string; isBack: boolean }) => {
    orNotFound(candidates.findCandidate(app.db, input.candidateId));
    candidates.setArchived(app.db, input.candidateId, input.isBack ? null : app.now());
  }
});

/** Erases a candidate with everything of theirs, for good; `typed` is the name, typed to be sure. */
export const eraseCandidate = useCase({
  rule: 'teacher',
  // what is gone from the database is in its log no more either
  afterwards: (app) => emptyLog(app.db),
  run: (app: App, input: { candidateId: string; typed: string }) => {
    const candidate = orNotFound(candidates.findCandidate(app.db, input.candidateId));
    if (input.typed.trim() !== candidate.name) throw new CodedError('name-not-typed');
    const login = candidate.accountId && findAccount(app.db, candidate.accountId)?.login;
    leaveLinks(app, candidate.id);
    const dropRecorded = readyToDrop(app, candidate.id);
    candidates.eraseCandidate(app.db, candidate.id);
    dropRecorded();
    if (candidate.accountId !== null) eraseAccount(app.db, candidate.accountId);
    if (login) dropAttemptsOf(app.db, `login ${login.toLowerCase()}`);
    serverLog.info({ candidateId: candidate.id }, 'erased');
  }
});

/** One entry for days away: no minutes on any of them. Returns the secret by which it can be taken back. */
export const addAway = useCase({
  rule: 'own',
  owner: ownCandidate,
  run: (app: App, input: { candidateId: string; from: string; to: string; why: string }) => {
    const candidate = orNotFound(candidates.findCandidate(app.db, input.candidateId));
    const span = { from: dayOf(input.from), to: dayOf(input.to) };
    const away = { date: input.from, until: input.to, minutes: 0, why: input.why || 'away' };
    const exceptions = joinDays([...clearDays(candidate.time.exceptions, span), away]);
    const cause = `away ${sayDate(span.from)} to ${sayDate(span.to)}`;
    return changeTime(app, candidate, { ...candidate.time, exceptions }, candidate.timeVersion, cause);
  }
});

/** Saves the minutes and lays every plan they are in once. Returns the secret by which it can be taken back. */
export function changeTime(
  app: App,
  candidate: candidates.Candidate,
  time: candidates.CandidateTime,
  version: number,
  cause: string
): string {
  if (candidate.timeVersion !== version) throw new CodedError('changed-elsewhere');
  const about = { candidateId: candidate.id };
  return applyChange(app, { ...about, edits: [{ kind: 'time', about, to: time }], cause });
}

/** Who can be entered as in the demo; null in a real studio. */
export const readDemoDoor = useCase({
  rule: 'anyone',
  run: (app: App) => {
    const teacher = app.isDemo ? findTeacher(app.db) : undefined;
    if (!teacher) return null;
    return {
      teacher: teacher.name,
      candidates: candidates
        .listCandidates(app.db)
        .map(({ id, name, instruments }) => ({ id, name, instruments }))
    };
  }
});
