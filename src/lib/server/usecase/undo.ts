/** Taking back what was saved in a form: what stood there before is put in its place, and the plan laid again. */
import type { App, Who } from '../app';
import { CodedError } from '../errors';
import { findAudition } from '../store/audition';
import { type CandidateFacts, type CandidateTime, findCandidate } from '../store/candidate';
import { findItem } from '../store/item';
import { dropUndoSteps, findUndoStep } from '../store/undo-step';
import { type CallInput, saveCall } from './call';
import { type ItemInput, saveItem } from './list';
import { saveFacts, saveTime } from './studio';
import { found, useCase } from './use-case';
import { type BeforeChanges, putBack } from './what-if';

/** A saved form can be taken back for so long. */
const KEPT_MS = 24 * 3_600_000;

type Before = {
  readonly itemId: string;
  readonly item: ItemInput;
  readonly auditionId: string;
  readonly call: CallInput;
  readonly time: CandidateTime;
  readonly facts: CandidateFacts;
};

/** A candidate takes back their own time only. */
export const takeBack = useCase({
  rule: 'own',
  about: (app: App, input: { undoToken: string }) => findUndoStep(app.db, input.undoToken)?.candidateId,
  run: (app: App, input: { undoToken: string }, who: Who) => {
    const step = found(findUndoStep(app.db, input.undoToken));
    if (who.kind !== 'teacher' && step.kind !== 'time') throw new CodedError('not-allowed');
    const before = step.before as Before;
    const { candidateId } = step;
    const candidate = found(findCandidate(app.db, candidateId));
    switch (step.kind) {
      case 'item': {
        const { itemId, item } = before;
        saveItem(app, who, { itemId, item, version: found(findItem(app.db, itemId)).version });
        break;
      }
      case 'call': {
        const { auditionId, call } = before;
        const { version } = found(findAudition(app.db, auditionId)).call;
        saveCall(app, who, { auditionId, ...call, version });
        break;
      }
      case 'changes':
        putBack(app, candidateId, step.before as BeforeChanges);
        break;
      case 'time':
        saveTime(app, who, { candidateId, time: before.time, version: candidate.timeVersion });
        break;
      case 'facts':
        saveFacts(app, who, { candidateId, facts: before.facts, version: candidate.factsVersion });
    }
    dropUndoSteps(app.db, step.token, app.now() - KEPT_MS);
  }
});
