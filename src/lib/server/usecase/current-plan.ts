/**
 * The plan as it stands: laid again whenever a fact or the day has changed, each laying kept with what moved.
 * The database holds facts and layings; the thinking is core/season's.
 */
import { createHash } from 'node:crypto';
import { type SeasonPlan, type SeasonRequest, compareLayings, laySeason } from '../../core/season';
import { type App, todayIn } from '../app';
import { writesOf } from '../db/open';
import { type Audition, findAudition } from '../store/audition';
import { type Candidate, findCandidate } from '../store/candidate';
import { type ListItem, itemsOf } from '../store/item';
import { type PlanVersion, latestVersion, putVersion } from '../store/plan-version';
import { pinsOf } from '../store/pin';
import { touchesOfAudition } from '../store/touch';
import { found } from './use-case';

export type Season = {
  readonly audition: Audition;
  readonly candidate: Candidate;
  readonly items: readonly ListItem[];
  readonly request: SeasonRequest;
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

function readFacts(app: App, auditionId: string): Season {
  const audition = found(findAudition(app.db, auditionId));
  const candidate = found(findCandidate(app.db, audition.candidateId));
  const items = itemsOf(app.db, auditionId);
  const request: SeasonRequest = {
    today: todayIn(app, candidate.zone),
    began: audition.beganOn,
    ...readDates(audition, items),
    items,
    time: { ...candidate.time, mocks: mocksOf(audition) },
    daysIntoMock: audition.daysIntoMock || undefined,
    log: touchesOfAudition(app.db, auditionId),
    pins: pinsOf(app.db, auditionId)
  };
  return { audition, candidate, items, request };
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

/** The latest laying, made now if facts or the day have changed. Null while there is nothing to plan. */
export function currentPlan(app: App, season: Season, cause: string): PlanVersion | null {
  const { request, audition } = season;
  if (request.items.length === 0 || request.rounds.length === 0) return null;
  const known = kept.get(app.db)?.get(audition.id);
  const isKnown = known?.season === season && known.at === stamp(app, season);
  if (isKnown && known.version) return known.version;
  const factsDigest = digestOf(request);
  const before = latestVersion(app.db, audition.id);
  if (before?.factsDigest === factsDigest) {
    if (isKnown) known.version = before;
    return before;
  }

  const plan = laySeason({ ...request, previous: before?.plan.agreed });
  const moves = before ? compareLayings(before.plan, plan) : [];
  const isSame =
    before !== undefined && moves.length === 0 && before.plan.short?.minutes === plan.short?.minutes;
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

function digestOf(request: SeasonRequest): string {
  return createHash('sha256').update(JSON.stringify(request)).digest('base64url');
}

/** Keeps a plan laid elsewhere as the first laying here. */
export function keepVersion(app: App, { audition, request }: Season, plan: SeasonPlan, cause: string): void {
  const first = { number: 1, laidOn: request.today, laidAtMs: app.now(), cause, moves: [] };
  putVersion(app.db, audition.id, { ...first, factsDigest: digestOf(request), plan });
}

/** Lays one audition's plan again after a change; `cause` is what people read in the list of layings. */
export function layAgain(app: App, auditionId: string, cause: string): PlanVersion | null {
  return currentPlan(app, readSeason(app, auditionId), cause);
}

/** The cause of a laying that nobody asked for: the calendar moved on. */
export const NEW_DAY = 'a new day';
