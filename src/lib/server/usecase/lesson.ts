/**
 * The lesson: everything of one candidate and audition on one screen, and the decisions made there. Each decision says what
 * stood there before, so that it can be taken back.
 */
import { clearDays, exceptionsOn, joinDays } from '../../core/plan';
import { readPaces, readSince, viewOfSpot } from '../../core/season';
import { type StepSchool, targetOf } from '../../core/tempo';
import { dayOf, formatDate, weekdayOf } from '../../core/units';
import { type App, type Who, todayIn } from '../app';
import { applyChange } from '../change/apply';
import type { Edit } from '../change/places';
import { CodedError, orNotFound } from '../errors';
import { type Audition, auditionsOf, takersOf } from '../store/audition';
import { type CandidateTime, findCandidate, listCandidates } from '../store/candidate';
import * as items from '../store/item';
import * as lessons from '../store/lesson';
import { takesOf } from '../store/take';
import { candidateOfAudition } from './owner';
import { readSeason } from '../laying/facts';
import { planOf } from '../laying/plan';
import { hurtOf, spotsOfSeason } from './spots';
import { changeTime } from './studio';
import { useCase } from './use-case';
import { isGone, wishable } from './wish';

const DAYS_AHEAD = 7;

export const readLesson = useCase({
  rule: 'teacher',
  run: (app: App, input: { auditionId: string }, who: Who) => {
    const season = readSeason(app, input.auditionId);
    const { audition, candidate, request } = season;
    const plan = planOf(app, season)?.plan ?? null;
    const today = dayOf(request.today);
    const notes = lessons.lessonNotesOf(app.db, candidate.id);
    const since = lastLesson(
      today,
      notes.map((n) => dayOf(n.date)),
      candidate.time.lessons.map((l) => l.weekday)
    );
    const read = readSince(season.items, season.log, request.schools, since, today);
    const dates = new Set(request.log.filter((t) => dayOf(t.date) >= since).map((t) => t.date));
    return {
      audition,
      candidate,
      today: request.today,
      since: formatDate(since),
      daysPractised: dates.size,
      days: today - since,
      minutes: read.reduce((sum, item) => sum + item.minutes, 0),
      plan,
      items: season.items,
      paces: readPaces(season.items, season.log, request.today),
      read,
      note: notes.find((n) => n.date === request.today)?.note ?? '',
      notes: notes.filter((n) => n.date !== request.today).slice(0, 3),
      wishes: lessons
        .wishesOf(app.db, candidate.id)
        .filter((w) => w.answer === null)
        .map((wish) => ({ ...wish, canBeDone: wish.asks !== undefined && !isGone(app, wish.asks) })),
      week: Array.from({ length: DAYS_AHEAD }, (_, i) =>
        minutesOn(candidate.time, formatDate(today + 1 + i))
      ),
      spots: spotsOfSeason(app, season, request.today)
        .filter(({ state }) => state === 'open')
        .map(viewOfSpot),
      // what was recorded since the last time is heard first
      takes: takesOf(app.db, candidate.id)
        .filter(({ date, source, sound }) => sound !== null && source !== 'other' && dayOf(date) >= since)
        .flatMap(({ id, itemId, date, fromBar, toBar, sound }) => {
          const name = season.items.find((item) => item.id === itemId)?.name;
          return name === undefined ? [] : [{ id, name, date, fromBar, toBar, lengthMs: sound!.lengthMs }];
        }),
      newSpotId: app.newId(),
      hurtSince: hurtOf(app, candidate.id, who)?.since ?? null,
      isShared: takersOf(app.db, audition.callId).length > 1
    };
  }
});

/** The last lesson before today: by its note, else by its weekday, else a week ago. */
function lastLesson(today: number, noted: readonly number[], weekdays: readonly number[]): number {
  const byWeekday = [1, 2, 3, 4, 5, 6, 7]
    .map((back) => today - back)
    .find((day) => weekdays.includes(weekdayOf(day)));
  const byNote = noted.filter((day) => day < today);
  return Math.max(byWeekday ?? today - DAYS_AHEAD, ...byNote);
}

type Time = Pick<CandidateTime, 'week' | 'exceptions'>;

/** Minutes there are on a date before anything comes off, and whether they are that date's own. */
function minutesOn(time: Time, date: string) {
  const dated = exceptionsOn(time.exceptions, dayOf(date));
  const spans = dated.length > 0 ? dated : time.week.filter((s) => s.weekday === weekdayOf(dayOf(date)));
  return { date, minutes: spans.reduce((sum, s) => sum + s.minutes, 0), isOwn: dated.length > 0 };
}

/** A section's target for this candidate; of a published range, where in it. Returns the secret by which it can be taken back. */
export const setTarget = useCase({
  rule: 'teacher',
  run: (app: App, { itemId, sectionId, bpm }: { itemId: string; sectionId: string; bpm: number }) => {
    const item = orNotFound(items.findItem(app.db, itemId));
    const section = orNotFound(item.sections.find((s) => s.id === sectionId));
    if (!targetOf(section.tempo)) throw new CodedError('no-target');
    const edit = { kind: 'target', about: { itemId, sectionId }, to: bpm } as const;
    return changeItem(app, item, edit, `target of ${item.name}`);
  }
});

/** The step of the click for one item of this candidate. Returns the secret by which it can be taken back. */
export const setStep = useCase({
  rule: 'teacher',
  run: (app: App, { itemId, step }: { itemId: string; step: StepSchool | undefined }) => {
    const item = orNotFound(items.findItem(app.db, itemId));
    const edit = { kind: 'step', about: { itemId }, to: step ?? null } as const;
    return changeItem(app, item, edit, `step of ${item.name}`);
  }
});

function changeItem(app: App, { auditionId }: items.ListItem, edit: Edit, cause: string): string {
  const candidateId = orNotFound(candidateOfAudition(app, { auditionId }));
  return applyChange(app, { candidateId, edits: [edit], cause });
}

/** Minutes of single dates; the weekday's again where they are the same. Returns the secret by which it can be taken back. */
export const setDayMinutes = useCase({
  rule: 'teacher',
  run: (app: App, input: { candidateId: string; days: readonly { date: string; minutes: number }[] }) => {
    const candidate = orNotFound(findCandidate(app.db, input.candidateId));
    const { time, timeVersion } = candidate;
    const changed = input.days.filter((day) => minutesOn(time, day.date).minutes !== day.minutes);
    const kept = changed.reduce(
      (left, { date }) => clearDays(left, { from: dayOf(date), to: dayOf(date) }),
      time.exceptions
    );
    const own = changed
      .filter((day) => minutesOn({ ...time, exceptions: kept }, day.date).minutes !== day.minutes)
      .map(({ date, minutes }) => ({ date, minutes, why: 'agreed in the lesson' }));
    const exceptions = joinDays([...kept, ...own]);
    return changeTime(app, candidate, { ...time, exceptions }, timeVersion, 'minutes of next week');
  }
});

/**
 * The note to take home from today's lesson; the candidate reads it. `was` is the note it was written over: what another window saved
 * since is not lost. Returns the secret by which it can be taken back.
 */
export const saveLessonNote = useCase({
  rule: 'teacher',
  run: (app: App, input: { candidateId: string; note: string; was: string }) => {
    const { candidateId, note, was } = input;
    const { zone } = orNotFound(findCandidate(app.db, candidateId));
    const about = { candidateId, date: todayIn(app, zone) };
    const before = lessons.lessonNotesOf(app.db, candidateId).find(({ date }) => date === about.date);
    if ((before?.note ?? '') !== was) throw new CodedError('changed-elsewhere');
    return applyChange(app, {
      candidateId,
      edits: [{ kind: 'note', about, to: note }],
      cause: 'lesson note'
    });
  }
});

/** Notes not older than this are printed together. */
const NOTE_DAYS = 7;

/** The latest note of each candidate who has one of the last days, with what is next by the plan that is counted down. */
export const readNoteSheets = useCase({
  rule: 'teacher',
  run: (app: App, _input: Record<string, never>) =>
    listCandidates(app.db)
      .filter(({ archivedAtMs }) => archivedAtMs === null)
      .flatMap((candidate) => {
        const today = todayIn(app, candidate.zone);
        const [note] = lessons.lessonNotesOf(app.db, candidate.id);
        if (!note || dayOf(note.date) < dayOf(today) - NOTE_DAYS) return [];
        const nextOf = ({ rounds }: Audition) => rounds.find(({ date }) => date >= today) ?? null;
        const [audition] = auditionsOf(app.db, candidate.id)
          .filter((one) => nextOf(one) !== null)
          .sort((a, b) => (nextOf(a)!.date < nextOf(b)!.date ? -1 : 1));
        return [
          {
            candidateId: candidate.id,
            name: candidate.name,
            audition: audition?.name ?? '',
            next: audition ? nextOf(audition) : null,
            today,
            plan: audition ? (planOf(app, readSeason(app, audition.id))?.plan ?? null) : null,
            note
          }
        ];
      })
});

const own = (_app: App, input: { candidateId: string }) => input.candidateId;

/** What a candidate takes home and waits for: the latest notes, wishes with their answers. */
export const readHome = useCase({
  rule: 'see',
  owner: own,
  run: (app: App, input: { candidateId: string }) => ({
    notes: lessons.lessonNotesOf(app.db, input.candidateId).slice(0, 3),
    wishes: lessons.wishesOf(app.db, input.candidateId).slice(0, 6),
    /** What a wish can be about. */
    canWish: wishable(app, input.candidateId)
  })
});
