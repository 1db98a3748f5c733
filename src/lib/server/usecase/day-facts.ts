/** What a day at the desk is made from, as it is kept here and as who asks may know it. */
import { joinSpreads } from '../../core/pitch';
import { keysPlayedIn } from '../../core/practice';
import { ASKS_BACK_DAYS, type DayFacts, isLeftOpen } from '../../core/season';
import { dayOf, formatDate } from '../../core/units';
import { type App, type Who, isTeaching } from '../app';
import type { Season } from '../laying/facts';
import { mayBeRecorded } from '../store/candidate';
import * as desk from '../store/desk-event';
import type { ListItem } from '../store/item';
import { lessonNotesOf } from '../store/lesson';
import { thoughtOf } from '../store/round-day';
import { tasksOf } from '../store/task';
import { hurtOf, waysOfPlayer } from './spots';

/** The tuner remembers so many of its sessions: lips, reeds and strings change. */
const TONES_KEPT = 30;

export function readDayFacts(app: App, season: Season, who: Who): DayFacts {
  const { audition, candidate } = season;
  const { today } = season.own;
  const { db } = app;
  return {
    audition: {
      id: audition.id,
      name: audition.name,
      roundsOn: audition.rounds.filter(({ isHistory }) => !isHistory).map(({ date }) => date)
    },
    candidate: { id: candidate.id, name: candidate.name, instruments: candidate.instruments },
    isAskedFirst: !mayBeRecorded(candidate),
    readOn: today,
    items: [...season.items, ...season.others].map((item) => withThought(app, item)),
    events: eventsFor(app, candidate.id, today, who),
    spotEvents: desk
      .lastingDeskEvents(db, candidate.id)
      .filter(({ kind }) => kind !== 'hurt' && kind !== 'well'),
    equipmentEvents: desk.equipmentEvents(db, candidate.id),
    keysBefore: [...keysPlayedIn(desk.keyEventsBefore(db, candidate.id, today))],
    doneBefore: [...desk.fundamentalsBefore(db, candidate.id, today)],
    tones: joinSpreads(
      desk
        .latestTones(db, candidate.id, TONES_KEPT)
        .flatMap((event) => (event.kind === 'tones' ? [event.tones] : []))
    ),
    ways: waysOfPlayer(app, candidate.id),
    isHurt: hurtOf(app, candidate.id) !== null,
    hurt: hurtOf(app, candidate.id, who),
    lessonNote: lessonNotesOf(db, candidate.id).find(({ date }) => date <= today) ?? null,
    tasks: tasksOf(db, audition.id).filter(({ doneOn }) => doneOn === null)
  };
}

/** Of today and later, and those of lately that were left open; what the teacher was not told of is not theirs to read. */
function eventsFor(app: App, candidateId: string, today: string, who: Who) {
  const since = formatDate(dayOf(today) - ASKS_BACK_DAYS);
  return desk.deskDaysSince(app.db, candidateId, since).flatMap((date) => {
    const events = desk
      .deskEventsOf(app.db, candidateId, date)
      .filter((event) => !isTeaching(who) || event.kind !== 'hurt' || event.isTold);
    return date >= today || isLeftOpen(events, date) ? events : [];
  });
}

/** As the desk shows it. */
const withThought = (app: App, item: ListItem) => ({ ...item, thought: thoughtOf(app.db, item.id) ?? '' });
