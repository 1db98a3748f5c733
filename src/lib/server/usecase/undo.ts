/**
 * Taking back what was saved: what stood there before is put in its place and the plan laid again; but only while what was left is
 * still what is there, so that nobody's later work goes with it.
 */
import type { App, Who } from '../app';
import { CodedError, orNotFound } from '../errors';
import { findAudition } from '../store/audition';
import { setCallChecked } from '../store/call';
import { findCandidate } from '../store/candidate';
import { findItem } from '../store/item';
import { answerWish, dropWish, putLessonNote } from '../store/lesson';
import { type UndoStep, dropUndoStep, findUndoStep } from '../store/undo-step';
import { hashToken } from '../token';
import { saveCall } from './call';
import { type BeforeChanges, type UndoKind, type Undoable, READERS, digestOf } from './keep-undo';
import { setStep, setTarget } from './lesson';
import { orderItems, saveItem } from './list';
import { saveFacts, saveTime } from './studio';
import { useCase } from './use-case';
import { putBack } from './what-if';

/** How each kind is put back. */
const WRITERS: {
  readonly [K in UndoKind]: (
    app: App,
    who: Who,
    about: Undoable[K]['about'],
    before: K extends 'changes' ? BeforeChanges : Undoable[K]['state']
  ) => void;
} = {
  item: (app, who, { itemId }, item) =>
    saveItem(app, who, { itemId, item, version: orNotFound(findItem(app.db, itemId)).version }),
  call: (app, who, { auditionId }, { ownDates, slots, ...call }) => {
    const audition = orNotFound(findAudition(app.db, auditionId));
    const own = { dates: ownDates, version: audition.ownVersion, slots };
    saveCall(app, who, { auditionId, ...call, version: audition.call.version, own });
  },
  time: (app, who, { candidateId }, time) => {
    const { timeVersion: version } = orNotFound(findCandidate(app.db, candidateId));
    saveTime(app, who, { candidateId, time, version });
  },
  facts: (app, who, { candidateId }, facts) => {
    const { factsVersion: version } = orNotFound(findCandidate(app.db, candidateId));
    saveFacts(app, who, { candidateId, facts, version });
  },
  changes: (app, _who, { candidateId }, before) => putBack(app, candidateId, before),
  target: (app, who, about, bpm) => setTarget(app, who, { ...about, bpm }),
  step: (app, who, { itemId }, step) => setStep(app, who, { itemId, step: step ?? undefined }),
  order: (app, who, { auditionId }, ids) => orderItems(app, who, { auditionId, ids }),
  note: (app, _who, { candidateId, date }, note) => putLessonNote(app.db, candidateId, { date, note }),
  wish: (app, _who, { wishId }, wish) =>
    wish ? answerWish(app.db, wishId, wish.answer) : dropWish(app.db, wishId),
  checked: (app, _who, { auditionId }, checkedOn) =>
    setCallChecked(app.db, orNotFound(findAudition(app.db, auditionId)).callId, checkedOn)
};

/** A candidate takes back their own minutes, and a wish of theirs that nobody has answered. */
function isTheirs({ kind, before }: UndoStep): boolean {
  return kind === 'time' || (kind === 'wish' && before === null);
}

export const takeBack = useCase({
  rule: 'own',
  owner: (app: App, input: { undoToken: string }) =>
    findUndoStep(app.db, hashToken(input.undoToken), app.now())?.candidateId,
  run: (app: App, input: { undoToken: string }, who: Who) => {
    const hash = hashToken(input.undoToken);
    const step = orNotFound(findUndoStep(app.db, hash, app.now()));
    if (who.kind !== 'teacher' && !isTheirs(step)) throw new CodedError('not-allowed');
    putBackStep(app, who, step.kind as UndoKind, step);
    dropUndoStep(app.db, hash);
  }
});

function putBackStep<K extends UndoKind>(app: App, who: Who, kind: K, step: UndoStep): void {
  const about = step.about as Undoable[K]['about'];
  if (digestOf(READERS[kind](app, about)) !== step.left) throw new CodedError('changed-since');
  WRITERS[kind](app, who, about, step.before as Parameters<(typeof WRITERS)[K]>[3]);
}
