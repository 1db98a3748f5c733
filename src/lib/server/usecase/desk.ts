/** The desk: today's road map, what was done of it, and the touches and the plan that follow. */
import { createHash } from 'node:crypto';
import { lightDay } from '../../core/around';
import { LONGEST_BLOCK_MIN } from '../../core/plan';
import { joinSpreads } from '../../core/pitch';
import {
  equipmentIn,
  keysPlayedIn,
  longestAfter,
  readDeskDay,
  touchesOfDay,
  wishOf
} from '../../core/practice';
import { type DeskEvent, type RoadBlock, type Touch, familyOf } from '../../core/record';
import {
  type SeasonPlan,
  type SpotNow,
  blocksToAdd,
  clockMinutes,
  huntsFor,
  makeRoadMap,
  scalesStanding,
  waitingOn,
  wantedOn
} from '../../core/season';
import { dayOf, formatDate } from '../../core/units';
import type { DeskAnswer } from '../../schema/desk';
import type { TodayView } from '../../schema/view';
import { sayTouchFault } from '../../schema/touch';
import { type App, type Who, todayIn, isTeaching } from '../app';
import { carryOut } from '../change/apply';
import { boundCount, boundDates } from '../change/bounds';
import { CodedError, orNotFound } from '../errors';
import { type Season, readSeason } from '../laying/facts';
import { planOf } from '../laying/plan';
import { auditionsOf } from '../store/audition';
import { findCandidate, mayBeRecorded, saveTime } from '../store/candidate';
import * as desk from '../store/desk-event';
import { type ListItem, findItem, itemCount } from '../store/item';
import { lessonNotesOf } from '../store/lesson';
import { latestVersion } from '../store/plan-version';
import { thoughtOf } from '../store/round-day';
import { findTouch } from '../store/touch';
import { dueSoon } from './around';
import { candidateOfAudition, candidateOfItem } from './owner';
import { hurtOf, spotsOfSeason, viewOfSpot, waysOfPlayer } from './spots';
import { useCase } from './use-case';

/** What was begun on a day this long ago and never ended is still asked about. */
const ASKS_BACK_DAYS = 14;

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
    const { candidate, audition } = season;
    const { today } = season.own;
    const plan = planOf(app, season)?.plan ?? null;
    const since = formatDate(dayOf(today) - ASKS_BACK_DAYS);
    const days = desk.deskDaysSince(app.db, candidate.id, since).filter((date) => date <= today);
    const tomorrow = formatDate(dayOf(today) + 1);
    const spots = spotsOfSeason(app, season, today);
    const roadMap = roadMapOn(app, season, plan, spots, today);
    return {
      audition: { id: audition.id, name: audition.name },
      candidate: { id: candidate.id, name: candidate.name },
      today,
      thereMin: plan ? clockMinutes(plan, today) : 0,
      roadMap,
      waiting: roadMap.length > 0 ? waitingOn(factsOf(app, season, spots, today), today) : [],
      canAdd: plan ? canAddOn(app, season, plan, spots, today) : [],
      tomorrow: {
        date: tomorrow,
        roadMap: roadMapOn(app, season, plan, spots, tomorrow)
      },
      // today's, and those of lately that were left open
      events: days.flatMap((date) => {
        const events = desk
          .deskEventsOf(app.db, candidate.id, date)
          .filter((event) => !isTeaching(who) || event.kind !== 'hurt' || event.isTold);
        return date === today || isLeftOpen(events, date) ? events : [];
      }),
      items: [...season.items, ...season.others].map((item) => readItem(app, item)),
      lessonNote: lessonNotesOf(app.db, candidate.id).find((note) => note.date <= today) ?? null,
      spots: spots.map(viewOfSpot),
      family: familyOf(candidate.instruments),
      due: dueSoon(app, audition, today),
      light: lightOn(audition, today),
      hurt: hurtOf(app, candidate.id, who),
      tones: tonesOf(app, candidate.id),
      ways: waysOfPlayer(app, candidate.id),
      isAskedFirst: !mayBeRecorded(candidate),
      isJump: plan?.weeks.some(({ from, to, isJump }) => isJump && from <= today && today <= to) ?? false,
      scales: scalesStanding(factsOf(app, season, spots, tomorrow)),
      equipment: equipmentIn(desk.equipmentEvents(app.db, candidate.id)).slice(-EQUIPMENT_SHOWN)
    };
  }
});

/** What today is for, where it is one of the light days before a round. */
function lightOn({ rounds }: Season['audition'], today: string): string | null {
  const next = rounds.find(({ date, isHistory }) => !isHistory && date >= today);
  return next ? lightDay(dayOf(next.date) - dayOf(today)) : null;
}

/** On the day's page. */
const EQUIPMENT_SHOWN = 4;
/** The tuner remembers so many of its sessions: lips, reeds and strings change. */
const TONES_KEPT = 30;

const tonesOf = (app: App, candidateId: string) =>
  joinSpreads(
    desk
      .latestTones(app.db, candidateId, TONES_KEPT)
      .flatMap((event) => (event.kind === 'tones' ? [event.tones] : []))
  );

function canAddOn(
  app: App,
  season: Season,
  plan: SeasonPlan,
  spots: readonly SpotNow[],
  today: string
): Omit<RoadBlock, 'id'>[] {
  const facts = factsOf(app, season, spots, today);
  const isHurt = hurtOf(app, season.candidate.id) !== null;
  return [...blocksToAdd(plan, facts, today), ...huntsFor(plan, { ...facts, isHurt })];
}

const readItem = (app: App, item: ListItem): TodayView['items'][number] => ({
  id: item.id,
  name: item.name,
  thought: thoughtOf(app.db, item.id) ?? '',
  kind: item.kind,
  composer: item.composer,
  pages: item.pages,
  metre: item.metre,
  fromBar: item.fromBar,
  toBar: item.toBar,
  barsPerLine: item.barsPerLine,
  pickupBeats: item.pickupBeats
});

const isLeftOpen = (events: readonly DeskEvent[], date: string) =>
  readDeskDay(events, date)?.blocks.some((block) => block.run && !block.run.end) ?? false;

const factsOf = (app: App, season: Season, spots: readonly SpotNow[], date: string) => ({
  items: [...season.items, ...season.others],
  time: season.request.time,
  schools: season.request.schools,
  log: season.log,
  hurtDays: season.own.hurtDays,
  spots,
  keysPlayed: keysPlayedIn(desk.keyEventsBefore(app.db, season.candidate.id, date)),
  doneOn: desk.fundamentalsBefore(app.db, season.candidate.id, date)
});

/** `asked` is what is wanted of that day besides the plan; where it is not said, what is kept of it. */
export function roadMapOn(
  app: App,
  season: Season,
  plan: SeasonPlan | null,
  spots: readonly SpotNow[],
  date: string,
  asked = wantedOn(desk.deskEventsOf(app.db, season.candidate.id, date))
): RoadBlock[] {
  if (!plan) return [];
  const idOf = (index: number, itemId: string | null) =>
    createHash('sha256')
      .update(JSON.stringify([season.candidate.id, date, index, itemId]))
      .digest('base64url')
      .slice(0, 32);
  return makeRoadMap(plan, { ...factsOf(app, season, spots, date), asked }, date, idOf);
}

/**
 * Keeps what a desk sends, each event once, and logs the blocks that have ended; plans are laid again for those. An event of an item that is
 * no more is kept, and said.
 */
export const keepDeskEvents = useCase({
  rule: 'own',
  owner: (_app: App, input: { candidateId: string }) => input.candidateId,
  run(app: App, input: { candidateId: string; events: readonly DeskEvent[] }, who: Who): DeskAnswer {
    const { candidateId } = input;
    const { zone } = orNotFound(findCandidate(app.db, candidateId));
    const dates = [...new Set(input.events.map((event) => event.date))];
    boundDates(app, zone, dates);
    const fresh: DeskEvent[] = [];
    for (const event of input.events) {
      const owner = desk.ownerOfDeskEvent(app.db, event.id);
      if (owner !== undefined && owner !== candidateId) throw new CodedError('not-allowed');
      if (owner !== undefined) continue;
      desk.addDeskEvent(app.db, candidateId, event, app.now());
      fresh.push(event);
    }
    if (input.events.some(({ kind }) => kind === 'spot' || kind === 'spot-set'))
      boundCount('spots', desk.lastingDeskEvents(app.db, candidateId).length);
    for (const date of dates) boundCount('deskEvents', desk.countDeskEvents(app.db, candidateId, date));
    learnLongestBlock(app, candidateId, fresh);
    const evidence = isTeaching(who) ? ('teacher' as const) : ('self' as const);
    const played = dates
      .flatMap((date) => touchesOn(app, candidateId, date))
      .filter((touch) => findTouch(app.db, touch.id, true) === undefined);
    const sound = played.map((touch) => ({ touch, says: whyNotLogged(app, candidateId, zone, touch) }));
    const logged = sound.flatMap(({ touch, says }) => (says === null ? [{ ...touch, evidence }] : []));
    logTouches(app, logged);
    return {
      kept: input.events.map((event) => event.id),
      notLogged: sound.flatMap(({ touch, says }) => (says === null ? [] : [{ block: touch.id, says }])),
      isLaid: logged.length > 0,
      moves: movesAfter(app, logged)
    };
  }
});

/** How long a block may be follows what was wished at the end of some, each once; the next laying uses it. */
function learnLongestBlock(app: App, candidateId: string, fresh: readonly DeskEvent[]): void {
  const wishes = fresh.flatMap((event) => {
    if (event.kind !== 'end') return [];
    const day = readDeskDay(desk.deskEventsOf(app.db, candidateId, event.date), event.date);
    const block = day?.blocks.find(({ id }) => id === event.block);
    // of several ends of a block the first counts
    return block?.run?.end?.atMs === event.atMs ? (wishOf(block) ?? []) : [];
  });
  if (wishes.length === 0) return;
  const { time, timeVersion } = orNotFound(findCandidate(app.db, candidateId));
  const before = time.longestBlockMin ?? LONGEST_BLOCK_MIN;
  let wantedLonger =
    desk.countWantedLonger(app.db, candidateId) - wishes.filter((wish) => wish === 'longer').length;
  let longest = before;
  for (const wish of wishes) {
    if (wish === 'longer') wantedLonger += 1;
    longest = longestAfter(longest, wish, wantedLonger);
  }
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
