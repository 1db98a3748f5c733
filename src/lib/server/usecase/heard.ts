/** What follows from having listened: a run that the teacher has heard, a spot heard again in a later take, a recording that a target is taken from. */
import { readSpots, touchHeard } from '../../core/practice';
import { barAt } from '../../core/take';
import { targetOf } from '../../core/tempo';
import { isInside } from '../../core/units';
import type { App, Who } from '../app';
import { applyChange } from '../change/apply';
import { CodedError, orNotFound } from '../errors';
import * as desk from '../store/desk-event';
import { findItem } from '../store/item';
import * as takes from '../store/take';
import { candidateOfTake } from './owner';
import { keepEvent } from './spots';
import { accountOf, runOf } from './takes';
import { useCase } from './use-case';

/**
 * The teacher has heard a run: where it was clean it is evidence of the teacher's at each section, at what it was run at; where it was not, the
 * bars that the teacher marked were not. Returns the secret by which it can be taken back. Throws CodedError "not-found" where the take is of no
 * run, "nothing-marked" where it was not clean and nothing says where.
 */
export const hearRun = useCase({
  rule: 'teacher',
  run(app: App, { takeId, isClean }: { takeId: string; isClean: boolean }, who: Who): string {
    const take = orNotFound(takes.findTake(app.db, takeId));
    const { block, touch } = orNotFound(runOf(app, take));
    const { metre } = orNotFound(findItem(app.db, take.itemId));
    const broke = takes.marksOf(app.db, takeId).flatMap(({ accountId, atMs }) => {
      const bar = accountId === accountOf(who) ? barAt(take, metre, atMs) : null;
      return bar === null ? [] : [{ fromBar: bar, toBar: bar }];
    });
    if (!isClean && broke.length === 0) throw new CodedError('nothing-marked');
    const to = {
      ...touchHeard(block, { isStraight: true, isClean, broke: isClean ? [] : broke }),
      evidence: 'teacher' as const
    };
    return applyChange(app, {
      candidateId: take.candidateId,
      edits: [{ kind: 'heard', about: { touchId: touch.id, itemId: touch.itemId }, to }],
      cause: 'a run heard by the teacher'
    });
  }
});

/** A spot's place was heard in the take it was found in and in a later one: solved, or what is tried next. It counts as one try of the spot. */
export const hearSpotAgain = useCase({
  rule: 'own',
  owner: candidateOfTake,
  run(
    app: App,
    { takeId, spotId, isSolved, idea }: { takeId: string; spotId: string; isSolved: boolean; idea: string }
  ): void {
    const take = orNotFound(takes.findTake(app.db, takeId));
    const spot = orNotFound(
      readSpots(desk.lastingDeskEvents(app.db, take.candidateId)).find(({ id }) => id === spotId)
    );
    if (!isInside(spot, take)) throw new CodedError('changes-unsound');
    const { tempo } = take;
    keepEvent(
      app,
      take.candidateId,
      { kind: 'spot-heard', spot: spotId, take: takeId, isSolved, idea: isSolved ? '' : idea, tempo },
      take.date
    );
  }
});

const MOST_RECORDINGS = 20;

/** What was measured in a take is one of the recordings that a section's target is taken from. Returns the secret by which it can be taken back. */
export const addRecording = useCase({
  rule: 'teacher',
  run(app: App, { takeId, sectionId, bpm }: { takeId: string; sectionId: string; bpm: number }): string {
    const take = orNotFound(takes.findTake(app.db, takeId));
    const item = orNotFound(findItem(app.db, take.itemId));
    const { tempo } = orNotFound(item.sections.find(({ id }) => id === sectionId));
    const target = targetOf(tempo);
    if (!target) throw new CodedError('no-target');
    const [before, use] =
      tempo.kind === 'recordings' ? [tempo.recordingsBpm, tempo.use] : [[], 'median' as const];
    if (before.length >= MOST_RECORDINGS) throw new CodedError('too-many');
    const measured = { kind: 'recordings' as const, unit: target.unit, recordingsBpm: [...before, bpm], use };
    const sections = item.sections.map((one) => (one.id === sectionId ? { ...one, tempo: measured } : one));
    return applyChange(app, {
      candidateId: take.candidateId,
      edits: [{ kind: 'sections', about: { itemId: item.id }, to: { sections } }],
      cause: `a recording for ${item.name}`
    });
  }
});
