/** The desk: today's road map, what was done of it, and the touches and the plan that follow. */
import { LONGEST_BLOCK_MIN } from '../../core/plan';
import { longestAfterAll, readDeskDay, touchesOfDay, wishesIn } from '../../core/practice';
import type { DeskEvent, Touch } from '../../core/record';
import { makeToday } from '../../core/season';
import type { DeskAnswer, Refusal } from '../../schema/desk';
import type { TodayView } from '../../schema/view';
import { sayTouchFault } from '../../schema/touch';
import { type App, type Who, todayIn, isTeaching } from '../app';
import { carryOut } from '../change/apply';
import { boundCount, boundDates, sayBound } from '../change/bounds';
import { ERRORS, orNotFound } from '../errors';
import { readSeason } from '../laying/facts';
import { planOf } from '../laying/plan';
import { auditionsOf } from '../store/audition';
import { findCandidate, saveTime } from '../store/candidate';
import * as desk from '../store/desk-event';
import { findItem, itemCount } from '../store/item';
import { latestVersion } from '../store/plan-version';
import { findTouch } from '../store/touch';
import { readDayFacts } from './day-facts';
import { candidateOfAudition, candidateOfItem } from './owner';
import { useCase } from './use-case';

/** The audition whose today a candidate opens first: the one heard next; null where none is ahead, or its list is empty. */
export const findFirstAudition = useCase({
  rule: 'see',
  owner: (_app: App, input: { candidateId: string }) => input.candidateId,
  run(app: App, input: { candidateId: string }): string | null {
    const { zone } = orNotFound(findCandidate(app.db, input.candidateId));
    const today = todayIn(app, zone);
    const ahead = auditionsOf(app.db, input.candidateId)
      .filter(({ id }) => itemCount(app.db, id) > 0)
      .flatMap(({ id, rounds }) => rounds.map(({ date }) => ({ id, date })))
      .filter(({ date }) => date >= today)
      .sort((a, b) => (a.date < b.date ? -1 : 1));
    return ahead[0]?.id ?? null;
  }
});

/** Today at the desk: the road map as it would be made now, and what has happened of it. */
export const readToday = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run(app: App, input: { auditionId: string }, who: Who): TodayView {
    const season = readSeason(app, input.auditionId);
    const plan = planOf(app, season)?.plan ?? null;
    return makeToday(readDayFacts(app, season, who), season, plan, season.own.today);
  }
});

/**
 * Keeps what a desk sends, each event once, says of each that cannot be kept why, and logs the blocks that have ended; plans are laid again for those. An event of an item that is
 * no more is kept, and said.
 */
export const keepDeskEvents = useCase({
  rule: 'own',
  owner: (_app: App, input: { candidateId: string }) => input.candidateId,
  run(app: App, input: { candidateId: string; events: readonly DeskEvent[] }, who: Who): DeskAnswer {
    const { candidateId } = input;
    const { zone } = orNotFound(findCandidate(app.db, candidateId));
    const dates = [...new Set(input.events.map((event) => event.date))];
    const { fresh, refused } = keepEach(app, candidateId, zone, input.events);
    const isRefused = new Set(refused.map(({ id }) => id));
    learnLongestBlock(app, candidateId, fresh);
    const evidence = isTeaching(who) ? ('teacher' as const) : ('self' as const);
    const played = dates
      .flatMap((date) => touchesOn(app, candidateId, date))
      .filter((touch) => findTouch(app.db, touch.id, true) === undefined);
    const sound = played.map((touch) => ({ touch, says: whyNotLogged(app, candidateId, zone, touch) }));
    const logged = sound.flatMap(({ touch, says }) => (says === null ? [{ ...touch, evidence }] : []));
    logTouches(app, logged);
    return {
      kept: input.events.map(({ id }) => id).filter((id) => !isRefused.has(id)),
      refused,
      notLogged: sound.flatMap(({ touch, says }) => (says === null ? [] : [{ block: touch.id, says }])),
      isLaid: logged.length > 0,
      moves: movesAfter(app, logged)
    };
  }
});

/** Each by itself: what cannot be kept holds nothing else back. */
function keepEach(app: App, candidateId: string, zone: string, events: readonly DeskEvent[]) {
  const fresh: DeskEvent[] = [];
  const refused: Refusal[] = [];
  let lasting: number | null = null;
  for (const event of events) {
    const owner = desk.ownerOfDeskEvent(app.db, event.id);
    if (owner === candidateId) continue;
    const isLasting = event.kind === 'spot' || event.kind === 'spot-set';
    if (isLasting) lasting ??= desk.lastingDeskEvents(app.db, candidateId).length;
    const says =
      owner === undefined
        ? sayBound(() => {
            boundDates(app, zone, [event.date]);
            boundCount('deskEvents', desk.countDeskEvents(app.db, candidateId, event.date) + 1);
            if (isLasting) boundCount('spots', (lasting = lasting! + 1));
          })
        : ERRORS['not-allowed'];
    if (says !== null) refused.push({ id: event.id, says });
    else {
      desk.addDeskEvent(app.db, candidateId, event, app.now());
      fresh.push(event);
    }
  }
  return { fresh, refused };
}

/** How long a block may be follows what was wished at the end of some, each once; the next laying uses it. */
function learnLongestBlock(app: App, candidateId: string, fresh: readonly DeskEvent[]): void {
  const dates = [...new Set(fresh.map(({ date }) => date))];
  const wishes = wishesIn(
    fresh,
    dates.flatMap((date) => desk.deskEventsOf(app.db, candidateId, date))
  );
  if (wishes.length === 0) return;
  const { time, timeVersion } = orNotFound(findCandidate(app.db, candidateId));
  const before = time.longestBlockMin ?? LONGEST_BLOCK_MIN;
  const wantedLonger = desk.countWantedLonger(app.db, candidateId);
  const longest = longestAfterAll(
    before,
    wishes,
    wantedLonger - wishes.filter((wish) => wish === 'longer').length
  );
  if (longest !== before) saveTime(app.db, candidateId, { ...time, longestBlockMin: longest }, timeVersion);
}

function touchesOn(app: App, candidateId: string, date: string): Touch[] {
  const day = readDeskDay(desk.deskEventsOf(app.db, candidateId, date), date);
  return day ? touchesOfDay(day) : [];
}

/** Null where it can be logged. */
function whyNotLogged(app: App, candidateId: string, zone: string, touch: Touch): string | null {
  const item = findItem(app.db, touch.itemId);
  if (!item || candidateOfItem(app, touch) !== candidateId)
    return 'This item is no longer on the list: the answers are kept, and nothing is logged.';
  return sayTouchFault(touch, item, todayIn(app, zone));
}

/** One laying for each audition, however many blocks ended. */
function logTouches(app: App, logged: readonly Touch[]): void {
  const edits = logged.map((touch) => ({
    kind: 'touch' as const,
    about: { touchId: touch.id, itemId: touch.itemId },
    to: touch
  }));
  const names = [...new Set(logged.map(({ itemId }) => findItem(app.db, itemId)!.name))];
  if (edits.length > 0) carryOut(app, { edits, cause: `desk: ${names.join(', ')}` });
}

function movesAfter(app: App, logged: readonly Touch[]) {
  const last = logged.at(-1);
  const version = last && latestVersion(app.db, findItem(app.db, last.itemId)!.auditionId);
  return version && version.laidAtMs === app.now() ? version.moves : [];
}
