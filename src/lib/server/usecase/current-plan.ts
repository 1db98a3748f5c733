/**
 * The plan as it stands: laid again whenever a fact or the day has changed, each laying kept with what moved.
 * The database holds facts and layings; the thinking is core/season's.
 */
import { createHash } from 'node:crypto';
import {
  type Joint,
  type Part,
  type SeasonPlan,
  type SeasonRequest,
  agreedAbout,
  compareLayings,
  headedBy,
  joinAuditions,
  laySeason,
  logOf,
  namesFor,
  viewOf
} from '../../core/season';
import type { Touch } from '../../core/practice';
import { dayOf, formatDate } from '../../core/units';
import { type App, todayIn } from '../app';
import { writesOf } from '../db/open';
import { type Audition, agreedElsewhere, auditionsBeside, findAudition } from '../store/audition';
import { type Candidate, findCandidate } from '../store/candidate';
import { type ListItem, itemsOf } from '../store/item';
import { type PlanVersion, latestVersion, putVersion } from '../store/plan-version';
import { pinsOf } from '../store/pin';
import { touchesOfAudition } from '../store/touch';
import { orNotFound } from './use-case';

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
type Kept = { readonly at: string; readonly season: Season; version?: PlanVersion };
const kept = new WeakMap<App['db'], Map<string, Kept>>();

/** All facts of one audition, as the plan is laid from. Kept until anything is written or the day turns. */
export function readSeason(app: App, auditionId: string): Season {
  const seasons = kept.get(app.db) ?? new Map<string, Kept>();
  kept.set(app.db, seasons);
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
  return { ...season, own, joint, log, others: items, request: headedBy(joint.request, own) };
}

/** What the plan would be laid from were this audition's own facts others. */
export function withOwn(season: Season, own: SeasonRequest): SeasonRequest {
  if (!season.joint) return own;
  const others = season.joint.parts.filter((part) => part.auditionId !== season.audition.id);
  return joinWith(season, own, others, season.others).request;
}

function readOwn(
  app: App,
  audition: Audition,
  candidate: Candidate,
  items: readonly ListItem[]
): SeasonRequest {
  return {
    today: todayIn(app, candidate.zone),
    began: audition.beganOn,
    ...readDates(audition, items),
    items,
    time: { ...candidate.time, mocks: mocksOf(audition) },
    daysIntoMock: audition.daysIntoMock || undefined,
    log: touchesOfAudition(app.db, audition.id),
    pins: pinsOf(app.db, audition.id)
  };
}

/** The rounds as this candidate's plan knows them: a call's round hears items of the list, a plan's this candidate's own. */
export function readDates(
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

/** Own dates that take minutes. */
function mocksOf({ ownDates }: Audition) {
  return ownDates.map(({ date, minutes, name }) => ({ date, minutes, name }));
}

/**
 * The latest laying, made now if facts or the day have changed. Null while there is nothing to plan. What was agreed is the latest
 * laying's, where none is given.
 */
export function currentPlan(
  app: App,
  season: Season,
  cause: string,
  agreed?: SeasonRequest['previous']
): PlanVersion | null {
  const { request, audition, own } = season;
  if (own.items.length === 0 || own.rounds.length === 0) return null;
  const known = kept.get(app.db)?.get(audition.id);
  const isKnown = known?.season === season && known.at === stamp(app, season);
  if (isKnown && known.version) return known.version;
  const factsDigest = digestOf(season);
  const before = latestVersion(app.db, audition.id);
  if (before?.factsDigest === factsDigest) {
    if (isKnown) known.version = before;
    return before;
  }
  const previous = agreed ?? agreedOf(app, season);
  if (!season.joint) return keepLaying(app, season, laySeason({ ...request, previous }), cause);
  let mine: PlanVersion | null = null;
  for (const part of season.joint.live) {
    const laid = laySeason({ ...headedBy(request, part.request), previous });
    const keeping = { request, joint: season.joint, audition: { id: part.auditionId } };
    const version = keepLaying(app, keeping, viewOf(laid, namesFor(season.joint, part.auditionId)), cause);
    if (part.auditionId === audition.id) mine = version;
  }
  return mine;
}

/** What was agreed: of several auditions each one's own, so that one that joins brings its dates along. */
function agreedOf(app: App, { audition, joint }: Season): SeasonRequest['previous'] {
  const agreedBefore = (id: string) =>
    latestVersion(app.db, id)?.plan.agreed ?? agreedElsewhere(app.db, id) ?? undefined;
  if (!joint) return agreedBefore(audition.id);
  const all = joint.live.flatMap((part) => {
    const agreed = agreedBefore(part.auditionId);
    if (!agreed) return [];
    const own = new Set(part.request.items.map((item) => item.id).filter((id) => !joint.twins.has(id)));
    return [
      agreedAbout(
        agreed,
        joint.request.items.filter((item) => own.has(item.id))
      )
    ];
  });
  return all.length === 0
    ? undefined
    : {
        carried: all.flatMap((a) => a.carried),
        rungs: all.flatMap((a) => a.rungs),
        allotments: all.flatMap((a) => a.allotments)
      };
}

type Keeping = Pick<Season, 'request' | 'joint'> & { readonly audition: { readonly id: string } };

/** Keeps a plan as the audition's next laying, or in place of the last where nothing dated moved. */
function keepLaying(app: App, season: Keeping, plan: SeasonPlan, cause: string): PlanVersion {
  const { audition, request } = season;
  const before = latestVersion(app.db, audition.id);
  const moves = before ? compareLayings(before.plan, plan) : [];
  const isSame =
    before !== undefined && moves.length === 0 && before.plan.short?.minutes === plan.short?.minutes;
  const factsDigest = digestOf(season);
  const version: PlanVersion = isSame
    ? { ...before, factsDigest, plan }
    : {
        number: (before?.number ?? 0) + 1,
        laidOn: request.today,
        laidAtMs: app.now(),
        cause,
        factsDigest,
        plan,
        moves
      };
  putVersion(app.db, audition.id, version);
  return version;
}

/** The same for each of several auditions laid as one. A touch never changes: its id stands for it. */
function digestOf({ request, joint }: Pick<Season, 'request' | 'joint'>): string {
  const facts = joint ? joint.request : request;
  return createHash('sha256')
    .update(JSON.stringify({ ...facts, log: facts.log.map((touch) => touch.id) }))
    .digest('base64url');
}

/** Lays one audition's plan again after a change; `cause` is what people read in the list of layings. */
export function layAgain(
  app: App,
  auditionId: string,
  cause: string,
  agreed?: SeasonRequest['previous']
): PlanVersion | null {
  return currentPlan(app, readSeason(app, auditionId), cause, agreed);
}

/** The cause of a laying that nobody asked for: the calendar moved on. */
export const NEW_DAY = 'a new day';
