/** The teacher's first page, and candidates with their time. */
import type { App, Who } from '../app';
import { todayIn } from '../app';
import type { StudioAudition, StudioRow } from '../../schema/view';
import { CodedError } from '../errors';
import { findTeacher } from '../store/account';
import { auditionsOf } from '../store/audition';
import * as candidates from '../store/candidate';
import { lastLogDate, loggedMinutesSince } from '../store/touch';
import { dayOf, formatDate, weekdayOf } from '../../core/units';
import { NEW_DAY, currentPlan, layAgain, readSeason } from './current-plan';
import { found, useCase } from './use-case';

/** A new candidate's week before anybody has said otherwise: nothing, so that nothing is promised. */
const EMPTY_TIME: candidates.CandidateTime = {
  week: [],
  exceptions: [],
  lessons: [],
  warmUpMin: 10,
  fundamentalsMin: 10
};

export const addCandidate = useCase({
  rule: 'teacher',
  run: (app: App, input: { name: string; instruments: string; zone: string }) => {
    const id = app.newId();
    candidates.addCandidate(app.db, { id, ...input, time: EMPTY_TIME }, app.now());
    return id;
  }
});

export const readStudio = useCase({
  rule: 'teacher',
  run: (app: App, _input: Record<string, never>, who: Who) => {
    const rows = candidates.listCandidates(app.db).map((c) => studioRow(app, c));
    const name = who.kind === 'teacher' ? who.name : '';
    return { name, rows: rows.sort((a, b) => soonest(a) - soonest(b)) };
  }
});

function soonest(row: StudioRow): number {
  return Math.min(Infinity, ...row.auditions.map((a) => a.daysToGo ?? Infinity));
}

function studioRow(app: App, candidate: candidates.Candidate): StudioRow {
  const today = todayIn(app, candidate.zone);
  const day = dayOf(today);
  const lastLog = lastLogDate(app.db, candidate.id);
  return {
    id: candidate.id,
    name: candidate.name,
    instruments: candidate.instruments,
    hasJoined: candidate.accountId !== null,
    daysSinceLog: lastLog === null ? null : day - dayOf(lastLog),
    minutesThisWeek: loggedMinutesSince(app.db, candidate.id, formatDate(day - 6)),
    hasLessonToday: candidate.time.lessons.some((l) => l.weekday === weekdayOf(day)),
    hasTime: candidate.time.week.length > 0,
    auditions: auditionsOf(app.db, candidate.id).map((a) => studioAudition(app, a.id))
  };
}

function studioAudition(app: App, auditionId: string): StudioAudition {
  const season = readSeason(app, auditionId);
  const plan = currentPlan(app, season, NEW_DAY)?.plan;
  const ahead = season.request.rounds.filter((r) => r.date >= season.request.today)[0];
  const climbing = plan?.items
    .filter((i) => i.state === 'climbing')
    .sort((a, b) => (b.clicksToGo ?? 0) - (a.clicksToGo ?? 0))[0];
  return {
    id: auditionId,
    name: season.audition.name,
    daysToGo: ahead ? dayOf(ahead.date) - dayOf(season.request.today) : null,
    roundName: ahead?.name ?? null,
    roundDate: ahead?.date ?? null,
    shortMin: plan?.short?.minutes ?? 0,
    items: season.items.length,
    holding: plan?.items.filter((i) => i.state === 'holds').length ?? 0,
    farthest: climbing ? { name: climbing.name, clicks: climbing.clicksToGo ?? 0 } : null
  };
}

const ownCandidate = (_app: App, input: { candidateId: string }) => input.candidateId;

export const readCandidate = useCase({
  rule: 'own',
  about: ownCandidate,
  run: (app: App, input: { candidateId: string }) => {
    const candidate = found(candidates.findCandidate(app.db, input.candidateId));
    const auditions = auditionsOf(app.db, candidate.id).map((a) => studioAudition(app, a.id));
    return { candidate, today: todayIn(app, candidate.zone), auditions };
  }
});

/** Own minutes: the candidate's to change as well as the teacher's. */
export const saveTime = useCase({
  rule: 'own',
  about: ownCandidate,
  run: (app: App, input: { candidateId: string; time: candidates.CandidateTime; version: number }) => {
    const candidate = found(candidates.findCandidate(app.db, input.candidateId));
    if (!candidates.saveTime(app.db, candidate.id, input.time, input.version))
      throw new CodedError('changed-elsewhere');
    for (const audition of auditionsOf(app.db, candidate.id)) layAgain(app, audition.id, 'time changed');
  }
});

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
