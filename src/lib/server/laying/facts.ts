/** All facts a season is laid from, read from what is kept; of several auditions of one candidate as one. */
import {
  type Joint,
  type Part,
  type SeasonRequest,
  countingDownTo,
  joinAuditions,
  logOf,
  namesFor
} from '../../core/season';
import { type Touch, hurtDaysOf } from '../../core/practice';
import { dayOf, formatDate } from '../../core/units';
import { type App, todayIn } from '../app';
import { writesOf } from '../db/open';
import { type Audition, auditionsBeside, findAudition } from '../store/audition';
import { type Candidate, findCandidate } from '../store/candidate';
import { type ListItem, itemsOf } from '../store/item';
import { pinsOf } from '../store/pin';
import { hurtEvents } from '../store/desk-event';
import { touchesOfAudition } from '../store/touch';
import { orNotFound } from '../errors';

export type Season = {
  readonly audition: Audition;
  readonly candidate: Candidate;
  readonly items: readonly ListItem[];
  /** This audition's facts by themselves. */
  readonly own: SeasonRequest;
  /** What the plan is laid from: with the candidate's other auditions, where there are any. */
  readonly request: SeasonRequest;
  /** Null where it is the only one. */
  readonly joint: Joint | null;
  /** The log from which the plan is laid, with this audition's ids. */
  readonly log: readonly Touch[];
  /** Items of the other auditions, with the audition's name. */
  readonly others: readonly (ListItem & { readonly auditionName: string })[];
};

/** Seasons read lately: a page asks for the same one several times. */
const MOST_KEPT = 16;
type ReadSeason = { readonly at: string; readonly season: Season };
const seasonsRead = new WeakMap<App['db'], Map<string, ReadSeason>>();

/** All facts of one audition, as the plan is laid from. Kept until anything is written or the day turns. */
export function readSeason(app: App, auditionId: string): Season {
  const seasons = seasonsRead.get(app.db) ?? new Map<string, ReadSeason>();
  seasonsRead.set(app.db, seasons);
  const before = seasons.get(auditionId);
  if (before && before.at === stamp(app, before.season)) return before.season;
  const season = readFacts(app, auditionId);
  seasons.delete(auditionId);
  seasons.set(auditionId, { at: stamp(app, season), season });
  if (seasons.size > MOST_KEPT) seasons.delete(seasons.keys().next().value!);
  return season;
}

function stamp(app: App, { candidate }: Season): string {
  return `${writesOf(app.db)} ${todayIn(app, candidate.zone)}`;
}

/** An audition that is over for so many days still lends its evidence (judgement: a school year's break). */
const LENDS_DAYS = 180;

function readFacts(app: App, auditionId: string): Season {
  const audition = orNotFound(findAudition(app.db, auditionId));
  const candidate = orNotFound(findCandidate(app.db, audition.candidateId));
  const items = itemsOf(app.db, auditionId);
  const own = readOwn(app, audition, candidate, items);
  const alone: Season = {
    audition,
    candidate,
    items,
    own,
    request: own,
    log: own.log,
    joint: null,
    others: []
  };
  if (items.length === 0 || !own.rounds.some((r) => r.date >= own.today)) return alone;
  const since = formatDate(dayOf(own.today) - LENDS_DAYS);
  const beside = auditionsBeside(app.db, auditionId, since);
  const others = beside
    .map((other) => ({ other, items: itemsOf(app.db, other.id) }))
    .filter((one) => one.items.length > 0);
  if (others.length === 0) return alone;
  return joinWith(
    alone,
    own,
    others.map(({ other, items: list }) => ({
      auditionId: other.id,
      name: other.name,
      request: readOwn(app, other, candidate, list)
    })),
    others.flatMap(({ other, items: list }) => list.map((item) => ({ ...item, auditionName: other.name })))
  );
}

function joinWith(
  season: Season,
  own: SeasonRequest,
  others: readonly Part[],
  items: Season['others']
): Season {
  const part = { auditionId: season.audition.id, name: season.audition.name, request: own };
  const joint = joinAuditions([part, ...others]);
  const log = logOf(joint.request.log, namesFor(joint, season.audition.id));
  return { ...season, own, joint, log, others: items, request: countingDownTo(joint.request, own) };
}

function readOwn(
  app: App,
  audition: Audition,
  candidate: Candidate,
  items: readonly ListItem[]
): SeasonRequest {
  const today = todayIn(app, candidate.zone);
  return {
    today,
    began: audition.beganOn,
    ...readDates(audition, items),
    items,
    time: { ...candidate.time, mocks: mocksOf(audition) },
    daysIntoMock: audition.daysIntoMock || undefined,
    log: touchesOfAudition(app.db, audition.id),
    hurtDays: hurtDaysOf(hurtEvents(app.db, candidate.id), today),
    pins: pinsOf(app.db, audition.id)
  };
}

/** The rounds as this candidate's plan knows them: a call's round hears items of the list, a plan's this candidate's own. */
function readDates(
  { rounds }: Pick<Audition, 'rounds'>,
  items: readonly ListItem[]
): Pick<SeasonRequest, 'rounds'> {
  return {
    rounds: rounds.map(({ id, name, date, time, zone, itemIds }) => {
      const heard = items.filter((item) => itemIds?.includes(item.listItemId)).map((item) => item.id);
      return { id, name, date, time, zone, itemIds: heard.length > 0 ? heard : undefined };
    })
  };
}

/** Mocks, and own dates that take minutes. */
const mocksOf = ({ dates }: Audition) =>
  dates.flatMap((one) =>
    'minutes' in one ? [{ date: one.date, minutes: one.minutes, name: one.name }] : []
  );
