/** Spots: what stands, entered and set outside the desk, by the candidate or the teacher; and whether something hurts. */
import { type Ways, readSpots, readWays } from '../../core/practice';
import type { DeskEvent, Spot, SpotSet } from '../../core/record';
import { type SpotNow, spotsNow, viewOfSpot } from '../../core/season';
import { spanOfBars } from '../../core/take';
import type { HurtView, SpotPlace } from '../../schema/view';
import { type App, type Who, todayIn, isTeaching } from '../app';
import { boundCount } from '../change/bounds';
import { orNotFound } from '../errors';
import { type Season, readSeason } from '../laying/facts';
import { planOf } from '../laying/plan';
import { findCandidate } from '../store/candidate';
import * as desk from '../store/desk-event';
import { findItem } from '../store/item';
import { type KnownTake, takesOf } from '../store/take';
import { candidateOfAudition, candidateOfItem } from './owner';
import { useCase } from './use-case';

/** Spots of all items that are played, under the ids of this audition, as they stand on a date; hardest first. */
export function spotsOfSeason(app: App, season: Season, date: string): SpotNow[] {
  const { candidate } = season;
  const facts = {
    candidate,
    items: [...season.items, ...season.others],
    spotEvents: desk.lastingDeskEvents(app.db, candidate.id),
    ways: waysOfPlayer(app, candidate.id),
    isHurt: hurtOf(app, candidate.id) !== null
  };
  return spotsNow(facts, season, date);
}

/** What this player is offered to practise by. */
export const waysOfPlayer = (app: App, candidateId: string): Ways =>
  readWays(desk.methodEvents(app.db, candidateId));

/** The latest pain that was said and not followed by "well"; what the teacher was not told of is nobody else's. */
export function hurtOf(app: App, candidateId: string, who?: Who): HurtView | null {
  const last = desk.latestHurt(app.db, candidateId);
  if (last?.kind !== 'hurt' || (who && isTeaching(who) && !last.isTold)) return null;
  return { since: last.date, isTold: last.isTold };
}

function pageOf(app: App, auditionId: string) {
  const season = readSeason(app, auditionId);
  const { today } = season.own;
  const sectionsOf = new Map(planOf(app, season)?.plan.items.map(({ id, sections }) => [id, sections]) ?? []);
  const others = season.others.map(({ auditionName, ...item }) => ({
    ...item,
    name: `${item.name} (${auditionName})`
  }));
  // fresh pages have no bars to come back to
  const items = [...season.items, ...others]
    .filter(({ kind }) => kind !== 'sight-reading')
    .map((item) => ({
      id: item.id,
      name: item.name,
      fromBar: item.fromBar,
      toBar: item.toBar,
      barsPerLine: item.barsPerLine,
      sections: sectionsOf.get(item.id) ?? []
    }));
  return {
    audition: { id: season.audition.id, name: season.audition.name },
    candidate: { id: season.candidate.id, name: season.candidate.name },
    today,
    items,
    spots: spotsOfSeason(app, season, today)
  };
}

/** All spots of an audition's items. */
export const readSpotPage = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run: (app: App, input: { auditionId: string }) => {
    const page = pageOf(app, input.auditionId);
    return { ...page, spots: page.spots.map(viewOfSpot) };
  }
});

/** One spot, with what was tried on it. */
export const readSpot = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run: (app: App, input: { auditionId: string; spotId: string }) => {
    const { spots, items, ...page } = pageOf(app, input.auditionId);
    const spot = orNotFound(spots.find(({ id }) => id === input.spotId));
    const item = orNotFound(items.find(({ id }) => id === spot.itemId));
    const ways = waysOfPlayer(app, page.candidate.id);
    const places = placesOf(app, page.candidate.id, spot);
    return { ...page, item, ways, spot: { ...viewOfSpot(spot), tries: spot.tries }, ...places };
  }
});

/** Where a spot was heard, and the same bars in what was recorded since, newest first. */
function placesOf(
  app: App,
  candidateId: string,
  spot: SpotNow
): { then: SpotPlace | null; again: SpotPlace[] } {
  const own = takesOf(app.db, candidateId);
  const found = own.find(({ id }) => id === spot.heardIn?.takeId);
  const metre = found && findItem(app.db, found.itemId)?.metre;
  if (!found?.sound || metre === undefined) return { then: null, again: [] };
  const place = (take: KnownTake): SpotPlace | null => {
    const span = take.sound && spanOfBars(take, metre, spot);
    return span && { takeId: take.id, date: take.date, madeAtMs: take.madeAtMs, ...span };
  };
  const { id: takeId, date, madeAtMs } = found;
  const { atMs } = spot.heardIn!;
  const around = { fromMs: Math.max(0, atMs - 2000), toMs: Math.min(found.sound.lengthMs, atMs + 4000) };
  return {
    then: place(found) ?? { takeId, date, madeAtMs, ...around },
    again: own
      .filter((take) => take.itemId === found.itemId && take.source !== 'other' && take.madeAtMs > madeAtMs)
      .flatMap((take) => place(take) ?? [])
  };
}

/** Enters a spot from a page. The same one sent again is there once; another under an id that stayed behind gets its own. */
export const addSpot = useCase({
  rule: 'own',
  owner: candidateOfItem,
  run: (app: App, input: Omit<Spot, 'foundBy' | 'elsewhere'>, who: Who): void => {
    const candidateId = orNotFound(candidateOfItem(app, input));
    const there = readSpots(desk.lastingDeskEvents(app.db, candidateId)).find(({ id }) => id === input.id);
    if (there && isSameEntry(there, input)) return;
    const foundBy = isTeaching(who) ? ('teacher' as const) : ('self' as const);
    const id = there ? app.newId() : input.id;
    keepEvent(app, candidateId, { kind: 'spot', spot: { ...input, id, foundBy, elsewhere: [] } });
  }
});

const isSameEntry = (a: Omit<Spot, 'foundBy' | 'elsewhere'>, b: Omit<Spot, 'foundBy' | 'elsewhere'>) =>
  a.itemId === b.itemId &&
  a.fromBar === b.fromBar &&
  a.toBar === b.toBar &&
  a.issue === b.issue &&
  a.notHeld.join() === b.notHeld.join();

/** Sets one thing of a spot. */
export const setSpot = useCase({
  rule: 'own',
  owner: (_app: App, input: { candidateId: string }) => input.candidateId,
  run: (app: App, input: { candidateId: string; spotId: string; set: SpotSet }): void =>
    keepEvent(app, input.candidateId, { kind: 'spot-set', spot: input.spotId, set: input.set })
});

type Draft = DeskEvent extends infer One
  ? One extends DeskEvent
    ? Omit<One, 'id' | 'device' | 'seq' | 'atMs' | 'date'>
    : never
  : never;

/** `date` is the day it belongs to, today where none is given. */
export function keepEvent(app: App, candidateId: string, draft: Draft, date?: string): void {
  const { zone } = orNotFound(findCandidate(app.db, candidateId));
  const seq = desk.lastingDeskEvents(app.db, candidateId).length;
  boundCount('spots', seq + 1);
  const made = { id: app.newId(), device: 'studio', seq, atMs: app.now(), date: date ?? todayIn(app, zone) };
  desk.addDeskEvent(app.db, candidateId, { ...made, ...draft } as DeskEvent, app.now());
}
