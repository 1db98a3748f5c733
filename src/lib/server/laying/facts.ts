/** All facts a season is laid from, read from what is kept; of several auditions of one candidate as one. */
import {
  type JoinedSeason,
  type Part,
  type SeasonRequest,
  isLaidWithOthers,
  joinSeason
} from '../../core/season';
import { hurtDaysOf } from '../../core/practice';
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

export type Season = JoinedSeason & {
  readonly audition: Audition;
  readonly candidate: Candidate;
  readonly items: readonly ListItem[];
  /** The others that are laid with it; what each is by itself. */
  readonly beside: readonly Part[];
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
  const since = formatDate(dayOf(own.today) - LENDS_DAYS);
  const others = (isLaidWithOthers(own) ? auditionsBeside(app.db, auditionId, since) : [])
    .map((other) => ({ other, items: itemsOf(app.db, other.id) }))
    .filter((one) => one.items.length > 0);
  const partOf = ({ id, name }: Audition, request: SeasonRequest): Part => ({
    auditionId: id,
    name,
    request
  });
  const beside = others.map(({ other, items: list }) => partOf(other, readOwn(app, other, candidate, list)));
  return {
    ...joinSeason(partOf(audition, own), beside),
    audition,
    candidate,
    items,
    beside,
    others: others.flatMap(({ other, items: list }) =>
      list.map((item) => ({ ...item, auditionName: other.name }))
    )
  };
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
