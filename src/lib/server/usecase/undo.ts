/** Taking back what was saved. */
import type { App, Who } from '../app';
import { findStep, takeBackChange } from '../change/apply';
import type { Edit } from '../change/places';
import { CodedError, orNotFound } from '../errors';
import { useCase } from './use-case';

/** A candidate takes back their own minutes, a mock that they booked or moved, and a wish of theirs that nobody has answered. */
const isTheirs = ({ kind, to }: Edit) =>
  kind === 'time' || kind === 'mock' || (kind === 'wish' && to === null);

export const takeBack = useCase({
  rule: 'own',
  owner: (app: App, input: { undoToken: string }) => findStep(app, input.undoToken)?.candidateId,
  run: (app: App, input: { undoToken: string }, who: Who) => {
    const step = orNotFound(findStep(app, input.undoToken));
    if (who.kind !== 'teacher' && !step.before.edits.every(isTheirs)) throw new CodedError('not-allowed');
    takeBackChange(app, step);
  }
});
