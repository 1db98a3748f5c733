/** The log: touches in, touches out, and the plan laid again after each. */
import { type Touch, equipmentIn } from '../../core/practice';
import { isSameTouch } from '../../core/record';
import { type App, type Who, isTeaching } from '../app';
import { carryOut } from '../change/apply';
import { boundCount, boundDates } from '../change/bounds';
import { findCandidate } from '../store/candidate';
import { equipmentEvents } from '../store/desk-event';
import { findItem } from '../store/item';
import { latestVersion } from '../store/plan-version';
import { takesOf } from '../store/take';
import * as touches from '../store/touch';
import { candidateOfAudition, candidateOfItem, candidateOfTouch } from './owner';
import { type Season, readSeason } from '../laying/facts';
import { planOf } from '../laying/plan';
import { CodedError, orNotFound } from '../errors';
import { useCase } from './use-case';

/** More than the touches that are shown have. */
const TAKES_SHOWN = 200;

/** The log newest first, with the list for choosing from and today's road map. */
export const readLog = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run: (app: App, input: { auditionId: string }) => {
    const season = readSeason(app, input.auditionId);
    const version = planOf(app, season);
    const items = [
      ...season.items,
      ...season.others.filter((o) => version?.plan.items.some((i) => i.id === o.id))
    ];
    return {
      audition: season.audition,
      candidate: season.candidate,
      today: season.request.today,
      items,
      equipment: equipmentIn(equipmentEvents(app.db, season.candidate.id)),
      touches: newestFirst(season, new Set(items.map((item) => item.id))),
      // what was recorded beside it
      takes: takesOf(app.db, season.candidate.id)
        .filter(({ sound }) => sound !== null)
        .slice(0, TAKES_SHOWN)
        .map(({ id, itemId, date, sound }) => ({ id, itemId, date, lengthMs: sound!.lengthMs })),
      plan: version?.plan ?? null
    };
  }
});

/** All that was played of what the day has, of whichever audition; what one lends another stands once. */
function newestFirst({ log, own }: Season, known: ReadonlySet<string>): Touch[] {
  const seen = new Set<string>();
  const all = [...own.log, ...log.filter((touch) => known.has(touch.itemId))].filter(
    ({ id }) => seen.size !== seen.add(id).size
  );
  return all.sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0)).reverse();
}

type Logged = Omit<Touch, 'id'> & {
  readonly id?: string | undefined;
  /** Typed into a form, whose id may have stayed behind from a touch before: it is never dropped, but gets an id of its own. */
  readonly isTyped?: boolean;
};

/**
 * Logs a touch and returns its id and the laying that follows. What a teacher logs was heard by the teacher. One with an id that was
 * logged before changes nothing; an id of another item's touch is refused.
 */
export const logTouch = useCase({
  rule: 'own',
  owner: candidateOfItem,
  run: (app: App, { isTyped = false, ...input }: Logged, who: Who) => {
    const item = orNotFound(findItem(app.db, input.itemId));
    const { zone } = orNotFound(findCandidate(app.db, orNotFound(candidateOfItem(app, input))));
    boundDates(app, zone, [input.date]);
    boundCount('touches', touches.countTouches(app.db, item.id) + 1);
    const evidence = input.evidence === 'recording' ? 'recording' : isTeaching(who) ? 'teacher' : 'self';
    const there = input.id === undefined ? undefined : touches.findTouch(app.db, input.id, true);
    const isStale = isTyped && there !== undefined && !isSameTouch(there, { ...input, evidence });
    if (there && !isStale && there.itemId !== item.id) throw new CodedError('not-allowed');
    const id = isStale ? app.newId() : (input.id ?? app.newId());
    const about = { touchId: id, itemId: item.id };
    const edit = { kind: 'touch', about, to: { ...input, id, evidence } } as const;
    if (!there || isStale) carryOut(app, { edits: [edit], cause: `log: ${item.name}` });
    const version = latestVersion(app.db, item.auditionId);
    return {
      id,
      number: version?.number ?? null,
      moves: version?.laidAtMs === app.now() ? version.moves : []
    };
  }
});

/** Takes a touch out of the log, or puts it back. */
export const removeTouch = useCase({
  rule: 'own',
  owner: candidateOfTouch,
  run: (app: App, input: { touchId: string; isBack: boolean }) => {
    const itemId = orNotFound(touches.itemOfTouch(app.db, input.touchId));
    orNotFound(findItem(app.db, itemId));
    const about = { touchId: input.touchId, itemId };
    const to = input.isBack ? touches.findTouch(app.db, input.touchId, true)! : null;
    const cause = input.isBack ? 'a touch put back' : 'a touch taken out';
    carryOut(app, { edits: [{ kind: 'touch', about, to }], cause });
  }
});
