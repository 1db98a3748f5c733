/** Today and the desk, made from what is known: the day's road map and tomorrow's, what can be put in besides, spots, and what stands beside them. */
import { dueSoon, lightDay } from '../../around';
import { equipmentIn, readDeskDay, readSpots } from '../../practice';
import type { DeskEvent, PlanItem, RoadBlock } from '../../record';
import { familyOf } from '../../record/family';
import { dayOf, formatDate } from '../../units';
import { wantedOn } from '../day/asked';
import { huntsFor } from '../day/hunts';
import { blocksToAdd, clockMinutes, makeRoadMap, waitingOn } from '../day/road-map';
import { scalesStanding } from '../day/scales';
import { type SpotNow, spotsOn } from '../day/spots';
import { type JoinedSeason, idsOfSeason } from '../joint/season';
import type { SeasonPlan } from '../laid/plan';
import { type DayFacts, doneBefore, keysPlayedBefore } from './facts';
import { nameBlock } from './name-block';
import { type TodayView, deskItemOf, viewOfSpot } from './view';

/** Marks of the instrument on the day's page. */
const EQUIPMENT_SHOWN = 4;
/** What was begun on a day this long ago and never ended is still asked about. */
export const ASKS_BACK_DAYS = 14;

/** Spots of all items that are played, under the ids of this audition, as they stand on a date; hardest first. */
export function spotsNow(
  facts: Pick<DayFacts, 'spotEvents' | 'ways' | 'isHurt'> & {
    readonly items: readonly PlanItem[];
    readonly candidate: { readonly instruments: string };
  },
  season: JoinedSeason,
  date: string
): SpotNow[] {
  const idOf = idsOfSeason(season);
  const known = readSpots(facts.spotEvents).map((spot) => ({ ...spot, itemId: idOf(spot.itemId) }));
  const { schools, time } = season.request;
  const { items, ways, isHurt } = facts;
  const family = familyOf(facts.candidate.instruments);
  return spotsOn(known, { items, log: season.log, schools, time, family, ways, isHurt }, date);
}

/** What a road map is made from. */
const roadFacts = (facts: DayFacts, season: JoinedSeason, spots: readonly SpotNow[], date: string) => ({
  items: facts.items,
  time: season.request.time,
  schools: season.request.schools,
  log: season.log,
  hurtDays: season.own.hurtDays,
  spots,
  keysPlayed: keysPlayedBefore(facts, date),
  doneOn: doneBefore(facts, date)
});

/** What is wanted of a day besides its plan. */
export const askedFor = ({ events }: Pick<DayFacts, 'events'>, date: string) =>
  wantedOn(events.filter((event) => event.date === date));

/** `asked` is what is wanted of that day besides the plan; where it is not said, what is kept of it. */
export function roadMapOn(
  facts: DayFacts,
  season: JoinedSeason,
  plan: SeasonPlan | null,
  spots: readonly SpotNow[],
  date: string,
  asked = askedFor(facts, date)
): RoadBlock[] {
  if (!plan) return [];
  const idOf = (index: number, itemId: string | null) => nameBlock(facts.candidate.id, date, index, itemId);
  return makeRoadMap(plan, { ...roadFacts(facts, season, spots, date), asked }, date, idOf);
}

export function makeToday(
  facts: DayFacts,
  season: JoinedSeason,
  plan: SeasonPlan | null,
  date: string
): TodayView {
  const tomorrow = formatDate(dayOf(date) + 1);
  const spots = spotsNow(facts, season, date);
  const roadMap = roadMapOn(facts, season, plan, spots, date);
  const road = roadFacts(facts, season, spots, date);
  const { audition, candidate } = facts;
  return {
    audition: { id: audition.id, name: audition.name },
    candidate: { id: candidate.id, name: candidate.name },
    today: date,
    thereMin: plan ? clockMinutes(plan, date) : 0,
    roadMap,
    waiting: roadMap.length > 0 ? waitingOn(road, date) : [],
    canAdd: plan
      ? [...blocksToAdd(plan, road, date), ...huntsFor(plan, { ...road, isHurt: facts.isHurt })]
      : [],
    tomorrow: { date: tomorrow, roadMap: roadMapOn(facts, season, plan, spots, tomorrow) },
    events: shownOn(facts.events, date),
    items: facts.items.map(deskItemOf),
    lessonNote: facts.lessonNote,
    spots: spots.map(viewOfSpot),
    family: familyOf(candidate.instruments),
    due: dueSoon(facts.tasks, audition.roundsOn, date),
    light: lightOn(audition, date),
    hurt: facts.hurt,
    tones: facts.tones,
    ways: facts.ways,
    isAskedFirst: facts.isAskedFirst,
    isJump: plan?.weeks.some(({ from, to, isJump }) => isJump && from <= date && date <= to) ?? false,
    scales: scalesStanding(roadFacts(facts, season, spots, tomorrow)),
    equipment: equipmentIn(facts.equipmentEvents).slice(-EQUIPMENT_SHOWN)
  };
}

/** Of the day, and of those of lately that were left open. */
function shownOn(events: readonly DeskEvent[], date: string): DeskEvent[] {
  const since = formatDate(dayOf(date) - ASKS_BACK_DAYS);
  const days = [...new Set(events.map((event) => event.date))].filter((day) => day >= since && day <= date);
  return days.sort().flatMap((day) => {
    const own = events.filter((event) => event.date === day);
    return day === date || isLeftOpen(own, day) ? own : [];
  });
}

/** Whether something was begun that day and never ended. */
export const isLeftOpen = (events: readonly DeskEvent[], date: string): boolean =>
  readDeskDay(events, date)?.blocks.some((block) => block.run && !block.run.end) ?? false;

/** What the day is for, where it is one of the light days before a round. */
function lightOn({ roundsOn }: DayFacts['audition'], today: string): string | null {
  const next = roundsOn.find((date) => date >= today);
  return next === undefined ? null : lightDay(dayOf(next) - dayOf(today));
}
