/**
 * The lesson: everything of one candidate and audition on one screen, and the decisions made there. Each decision says what
 * stood there before, so that it can be taken back.
 */
import { clearDays, exceptionsOn, joinDays } from '../../core/plan';
import type { WishAsk } from '../../core/record';
import { type Changes, readPaces, readSince } from '../../core/season';
import { type StepSchool, targetOf } from '../../core/tempo';
import { WEEKDAY_NAMES, dayOf, formatDate, sayBpm, weekdayOf } from '../../core/units';
import type { CanWish } from '../../schema/view';
import { type App, type Who, todayIn } from '../app';
import { applyChange } from '../change/apply';
import { boundCount } from '../change/bounds';
import type { Edit } from '../change/places';
import { CodedError, orNotFound } from '../errors';
import { auditionsOf, takersOf } from '../store/audition';
import { type CandidateTime, findCandidate } from '../store/candidate';
import * as items from '../store/item';
import * as lessons from '../store/lesson';
import { candidateOfAudition } from './owner';
import { readSeason } from '../laying/facts';
import { planOf } from '../laying/plan';
import { hurtOf, spotsOfSeason, viewOfSpot } from './spots';
import { changeTime } from './studio';
import { useCase } from './use-case';
import { editsToKeep } from './what-if';

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

/**
 * Answers a wish. What is accepted and can be carried out is carried out with it, as one change. Returns the secret by which it can be taken
 * back, and whether anything was.
 */
export const answerWish = useCase({
  rule: 'teacher',
  run: (app: App, input: { wishId: string; answer: lessons.WishAnswer; reply?: string }) => {
    const { candidateId, wish } = findWish(app, input.wishId);
    const { answer, reply = '' } = input;
    const isDone = answer === 'accepted' && wish.asks !== undefined;
    const changed = isDone ? editsToKeep(app, changesOfWish(app, candidateId, wish.asks!)).edits : [];
    const { reply: _, ...rest } = wish;
    const to = { ...rest, answer, ...(reply === '' ? {} : { reply }) };
    const edit = { kind: 'wish', about: { candidateId, wishId: wish.id }, to } as const;
    const token = applyChange(app, {
      candidateId,
      edits: [...changed, edit],
      cause: isDone ? `wish: ${wish.says.slice(0, 80)}` : 'wish answered'
    });
    return { token, isDone };
  }
});

function findWish(app: App, wishId: string) {
  const candidateId = orNotFound(lessons.candidateOfWish(app.db, wishId));
  return {
    candidateId,
    wish: orNotFound(lessons.wishesOf(app.db, candidateId).find(({ id }) => id === wishId))
  };
}

/** What a wish comes to, as it is tried on a scratch copy, and the audition in which. */
function changesOfWish(
  app: App,
  candidateId: string,
  asks: WishAsk
): { auditionId: string; changes: Changes } {
  if (asks.kind === 'left-out' || asks.kind === 'target') {
    const { itemId } = asks;
    const auditionId = items.findItem(app.db, itemId)?.auditionId;
    if (!auditionId) throw new CodedError('wish-gone');
    const how =
      asks.kind === 'left-out'
        ? { isLeftOut: true }
        : { targets: [{ sectionId: asks.sectionId, bpm: asks.bpm }] };
    return { auditionId, changes: { items: [{ itemId, ...how }] } };
  }
  const { time } = orNotFound(findCandidate(app.db, candidateId));
  const [nearest] = auditionsOf(app.db, candidateId);
  if (!nearest) throw new CodedError('wish-gone');
  if (asks.kind === 'lighter') return { auditionId: nearest.id, changes: { lighterDays: asks.days } };
  const there = time.week.filter((span) => span.weekday === asks.weekday);
  const addMin = asks.minutes - there.reduce((sum, span) => sum + span.minutes, 0);
  return { auditionId: nearest.id, changes: { week: [{ weekday: asks.weekday, addMin }] } };
}

/** What a wish would change, to be tried; null where it is words alone, or what it is about is gone. */
export const proposedByWish = useCase({
  rule: 'teacher',
  run: (app: App, input: { wishId: string }): Changes | null => {
    const candidateId = lessons.candidateOfWish(app.db, input.wishId);
    const wish = candidateId
      ? lessons.wishesOf(app.db, candidateId).find(({ id }) => id === input.wishId)
      : undefined;
    if (!candidateId || !wish?.asks || isGone(app, wish.asks)) return null;
    return changesOfWish(app, candidateId, wish.asks).changes;
  }
});
const isGone = (app: App, asks: WishAsk) => 'itemId' in asks && !items.findItem(app.db, asks.itemId);

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

/** The week's minutes, and the items that are worked with their targets. */
function wishable(app: App, candidateId: string): CanWish {
  const { time, zone } = orNotFound(findCandidate(app.db, candidateId));
  const today = todayIn(app, zone);
  const ahead = auditionsOf(app.db, candidateId).filter(({ rounds }) =>
    rounds.some(({ date }) => date >= today)
  );
  const own = ahead.flatMap(({ id }) => items.itemsOf(app.db, id)).filter(({ isLeftOut }) => !isLeftOut);
  return {
    minutes: WEEKDAYS.map((weekday) =>
      time.week.filter((span) => span.weekday === weekday).reduce((sum, span) => sum + span.minutes, 0)
    ),
    items: own.map(({ id, name }) => ({ id, name })),
    sections: own.flatMap(({ id, name, sections }) =>
      sections.flatMap((section) => {
        const target = targetOf(section.tempo);
        const { id: sectionId, fromBar, toBar } = section;
        return target ? [{ itemId: id, sectionId, name, fromBar, toBar, target }] : [];
      })
    )
  };
}
const WEEKDAYS = [1, 2, 3, 4, 5, 6, 7];

/** A wish of the candidate's: it changes nothing until the teacher has answered. Returns the secret by which it can be taken back. */
export const addWish = useCase({
  rule: 'own',
  owner: own,
  run: (
    app: App,
    { candidateId, says, asks }: { candidateId: string; says: string; asks?: WishAsk | undefined }
  ) => {
    const { zone } = orNotFound(findCandidate(app.db, candidateId));
    const before = lessons.wishesOf(app.db, candidateId);
    boundCount('wishes', before.length + 1);
    boundCount('waiting', before.filter((w) => w.answer === null).length + 1);
    const words = [asks ? sayAsk(asks, wishable(app, candidateId)) : '', says.trim()]
      .filter(Boolean)
      .join(': ');
    const wish = {
      ...{ id: app.newId(), madeOn: todayIn(app, zone), says: words, answer: null },
      ...(asks ? { asks } : {})
    };
    const edit = { kind: 'wish', about: { candidateId, wishId: wish.id }, to: wish } as const;
    return applyChange(app, { candidateId, edits: [edit], cause: 'a wish' });
  }
});

/** What is asked for, in words. Throws CodedError "wish-gone" where it is about what is not there. */
function sayAsk(asks: WishAsk, { minutes, items: all, sections }: CanWish): string {
  switch (asks.kind) {
    case 'minutes':
      return `${WEEKDAY_NAMES[asks.weekday - 1]}: ${asks.minutes} minutes instead of ${minutes[asks.weekday - 1]}`;
    case 'lighter':
      return `Half the minutes on my next ${asks.days === 1 ? 'practice day' : `${asks.days} practice days`}`;
    case 'left-out': {
      const item = all.find(({ id }) => id === asks.itemId);
      if (!item) throw new CodedError('wish-gone');
      return `Leave out ${item.name}`;
    }
    case 'target': {
      const section = sections.find((one) => one.itemId === asks.itemId && one.sectionId === asks.sectionId);
      if (!section) throw new CodedError('wish-gone');
      const { name, fromBar, toBar, target } = section;
      return `${name}, bars ${fromBar}–${toBar}: target ${sayBpm(asks.bpm)} instead of ${sayBpm(target.bpm)}`;
    }
  }
}
