/** Takes: noted when they are made, filled when their sound comes, listened to, and what was heard made into spots. */
import { type Sound, type Take, type TakeMark, type TakeSet, familyOf } from '../../core/record';
import { elementsFor, readDeskDay } from '../../core/practice';
import { spotsOfMarks } from '../../core/take';
import { targetOf } from '../../core/tempo';
import { formatDate } from '../../core/units';
import type { PairView, TakeListView, TakeView } from '../../schema/view';
import { type App, type Who, isTeaching, todayIn } from '../app';
import { boundCount, boundDates } from '../change/bounds';
import { CodedError, orNotFound } from '../errors';
import { grantEndsMs } from '../grant/grant';
import { readSeason } from '../laying/facts';
import { findCandidate, mayBeHeard, mayBeRecorded } from '../store/candidate';
import { type ListItem, findItem, ownerOfItem } from '../store/item';
import * as desk from '../store/desk-event';
import * as takes from '../store/take';
import { findTouch } from '../store/touch';
import { goingDaysOf } from '../takes/keep';
import { candidateOfAudition, candidateOfItem, candidateOfTake } from './owner';
import { keepEvent } from './spots';
import { useCase } from './use-case';

/** All recordings of a studio together (20 GB). */
const MOST_BYTES = 20e9;

/** Notes a take before its sound comes; the same one sent again is there once. Says whether its sound is there already. */
export const addTake = useCase({
  rule: 'own',
  owner: candidateOfItem,
  run(app: App, input: { itemId: string; take: Take }): { hasSound: boolean } {
    const { take } = input;
    const candidateId = orNotFound(candidateOfItem(app, input));
    const candidate = orNotFound(findCandidate(app.db, candidateId));
    const owner = takes.ownerOfTake(app.db, take.id);
    if (owner !== undefined && owner !== candidateId) throw new CodedError('not-allowed');
    if (owner !== undefined) return { hasSound: takes.findTake(app.db, take.id)?.sound != null };
    if (!mayBeRecorded(candidate)) throw new CodedError('no-consent');
    boundDates(app, candidate.zone, [take.date]);
    boundCount('takes', takes.countTakes(app.db, candidateId) + 1);
    boundCount('silentTakes', takes.countSilentTakes(app.db, candidateId) + 1);
    const item = orNotFound(findItem(app.db, input.itemId));
    if (take.fromBar < item.fromBar || take.toBar > item.toBar) throw new CodedError('changes-unsound');
    takes.addTake(app.db, candidateId, { ...take, itemId: item.id });
    return { hasSound: false };
  }
});

/** Whether a sound of so many bytes may come for a take. */
export const maySend = useCase({
  rule: 'own',
  owner: candidateOfTake,
  run(app: App, input: { takeId: string; bytes: number }): void {
    const take = orNotFound(takes.findTake(app.db, input.takeId));
    if (take.sound) throw new CodedError('changed-since', 'The sound of this take is here already.');
    if (takes.soundBytes(app.db) + input.bytes > MOST_BYTES) throw new CodedError('sounds-full');
  }
});

/** Where a take's sound lies, and what it is. */
export const findSound = useCase({
  rule: 'see',
  owner: candidateOfTake,
  run: (app: App, input: { takeId: string }): Sound => orNotFound(takes.findTake(app.db, input.takeId)?.sound)
});

/** All takes of an audition's items, newest first. */
export const readTakes = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run(app: App, input: { auditionId: string }): TakeListView {
    const { audition, candidate, items, own } = readSeason(app, input.auditionId);
    const goes = goingDaysOf(app, candidate.id);
    const all = takes.takesOf(app.db, candidate.id);
    return {
      audition: { id: audition.id, name: audition.name },
      candidate: { id: candidate.id, name: candidate.name },
      today: own.today,
      isAskedFirst: !mayBeRecorded(candidate),
      items: items.map((item) => ({
        id: item.id,
        name: item.name,
        fromBar: item.fromBar,
        toBar: item.toBar,
        takes: all
          .filter((take) => take.itemId === item.id)
          .map((take) => ({ ...takeShown(take), goesOn: dateOf(goes.get(take.id)) }))
      }))
    };
  }
});

const dateOf = (day: number | null | undefined) => (day == null ? null : formatDate(day));

/** A take as it is shown: of its file only how long it is. */
export const takeShown = ({ candidateId: _owner, listener: _name, sound, ...take }: takes.KnownTake) => ({
  ...take,
  lengthMs: sound?.lengthMs ?? null
});

/** The first and the latest take of an item that have a sound; not found where there are not two. */
export const readPair = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run(app: App, { auditionId, itemId }: { auditionId: string; itemId: string }): PairView {
    const { audition, candidate, items } = readSeason(app, auditionId);
    const item = orNotFound(items.find(({ id }) => id === itemId));
    const own = takes
      .takesOf(app.db, candidate.id)
      .filter((take) => take.itemId === item.id && take.sound !== null && take.source !== 'other');
    const [first, latest] = [orNotFound(own.at(-1)), orNotFound(own[0])];
    if (first === latest) throw new CodedError('not-found');
    return {
      audition: { id: audition.id, name: audition.name },
      item: { id: item.id, name: item.name, metre: item.metre },
      takes: [takeShown(first), takeShown(latest)]
    };
  }
});

/** One take, to be heard. */
export const readTake = useCase({
  rule: 'see',
  owner: candidateOfTake,
  run(app: App, input: { takeId: string }, who: Who): TakeView {
    const take = orNotFound(takes.findTake(app.db, input.takeId));
    const item = orNotFound(findItem(app.db, take.itemId));
    const candidate = orNotFound(findCandidate(app.db, take.candidateId));
    const account = accountOf(who);
    const endsMs = grantEndsMs(app, 'listener', take.id);
    return {
      auditionId: orNotFound(ownerOfItem(app.db, item.id)).auditionId,
      candidate: { id: candidate.id, name: candidate.name },
      today: todayIn(app, candidate.zone),
      take: { ...takeShown(take), goesOn: dateOf(goingDaysOf(app, candidate.id).get(take.id)) },
      item: {
        id: item.id,
        name: item.name,
        metre: item.metre,
        fromBar: item.fromBar,
        toBar: item.toBar,
        barsPerLine: item.barsPerLine
      },
      unit: item.sections.map(({ tempo }) => targetOf(tempo)?.unit).find(Boolean) ?? null,
      isTeaching: isTeaching(who),
      run: heardRun(app, take),
      targets: isTeaching(who) ? targetsOf(item) : [],
      listener: endsMs === null ? null : { name: take.listener, endsMs },
      maySend: mayBeHeard(candidate),
      elements: elementsFor(familyOf(candidate.instruments)),
      peaks: takes.peaksOfTake(app.db, take.id),
      marks: takes.marksOf(app.db, take.id).map(({ accountId, ...mark }) => ({
        ...mark,
        isOwn: accountId === account,
        by: accountId === takes.LISTENER ? take.listener : ''
      }))
    };
  }
});

/** The block of a day whose run a take is the sound of, and what was logged of it; null where it is no run's, or nothing was logged. */
export function runOf(app: App, { id, candidateId, date }: takes.KnownTake) {
  const day = readDeskDay(desk.deskEventsOf(app.db, candidateId, date), date);
  const block = day?.blocks.find(({ run }) => run?.ran?.take === id);
  const touch = block && findTouch(app.db, block.id);
  return touch ? { block, touch } : null;
}

/** Of a run that was logged: whether the teacher has heard it, and it was clean wherever it is known. */
function heardRun(app: App, take: takes.KnownTake): TakeView['run'] {
  const run = runOf(app, take);
  if (!run) return null;
  const { evidence, series = [] } = run.touch;
  const isClean = series.length > 0 && series.every(({ attempts }) => !attempts?.includes('n'));
  return { isHeard: evidence === 'teacher', isClean };
}

/** Sections whose target can be taken from recordings. */
const targetsOf = ({ sections }: ListItem): TakeView['targets'] =>
  sections.flatMap(({ id, fromBar, toBar, tempo }) => {
    const target = targetOf(tempo);
    const measured = tempo.kind === 'recordings' ? tempo.recordingsBpm.length : 0;
    return target ? [{ id, fromBar, toBar, unit: target.unit, bpm: target.bpm, measured }] : [];
  });

export const accountOf = (who: Who) =>
  who.kind === 'teacher' || who.kind === 'candidate' ? who.accountId : '';

/** Sets one thing of a take. */
export const setTake = useCase({
  rule: 'own',
  owner: candidateOfTake,
  run(app: App, { takeId, set }: { takeId: string; set: TakeSet }): void {
    if ('isGone' in set) return takes.setTakeGone(app.db, takeId, set.isGone ? app.now() : null);
    orNotFound(takes.findTake(app.db, takeId));
    if ('isKept' in set) takes.setTakeKept(app.db, takeId, set.isKept);
    else takes.setTakeAnchors(app.db, takeId, set.anchors);
  }
});

/** The outline of a take's sound, made where it was first heard. */
export const putPeaks = useCase({
  rule: 'see',
  owner: candidateOfTake,
  run(app: App, { takeId, peaks }: { takeId: string; peaks: readonly number[] }): void {
    orNotFound(takes.findTake(app.db, takeId)?.sound);
    if (takes.peaksOfTake(app.db, takeId) === null) takes.putPeaks(app.db, takeId, peaks);
  }
});

/** Marks of whoever listens: put, and taken away again. What a spot was made of stays. */
export const putMarks = useCase({
  rule: 'own',
  owner: candidateOfTake,
  run(
    app: App,
    input: { takeId: string; put: readonly TakeMark[]; drop: readonly string[] },
    who: Who
  ): void {
    const { takeId, put, drop } = input;
    orNotFound(takes.findTake(app.db, takeId));
    for (const id of drop) takes.dropMark(app.db, takeId, accountOf(who), id);
    for (const mark of put) takes.putMark(app.db, takeId, accountOf(who), mark);
    boundCount('marks', takes.marksOf(app.db, takeId).length);
  }
});

/** Of what is wrong in a spot. */
const MOST_LETTERS = 200;

/** Makes spots of one's own marks that are none yet; says how many. */
export const makeSpots = useCase({
  rule: 'own',
  owner: candidateOfTake,
  run(app: App, { takeId }: { takeId: string }, who: Who): number {
    const take = orNotFound(takes.findTake(app.db, takeId));
    const item = orNotFound(findItem(app.db, take.itemId));
    const own = takes
      .marksOf(app.db, takeId)
      .filter(({ accountId, spotId }) => accountId === accountOf(who) && spotId === null);
    const heard = spotsOfMarks(take, item.metre, own);
    const foundBy = isTeaching(who) ? ('teacher' as const) : ('take' as const);
    for (const { fromBar, toBar, element, atMs, says, marks } of heard) {
      const id = app.newId();
      const spot = {
        id,
        itemId: item.id,
        fromBar,
        toBar,
        issue: says.join('; ').slice(0, MOST_LETTERS).trim(),
        notHeld: [element],
        foundBy,
        elsewhere: []
      };
      keepEvent(app, take.candidateId, { kind: 'spot', spot: { ...spot, heardIn: { takeId, atMs } } });
      for (const mark of marks) takes.setMarkSpot(app.db, takeId, mark, id);
    }
    return heard.length;
  }
});
