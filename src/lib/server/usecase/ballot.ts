/** A juror's ballot: written by a link, blind, and what is remarked in it made into spots. */
import { ballotElements } from '../../core/mock';
import { type BallotItem, type Juror, type Mock, familyOf } from '../../core/record';
import { isInside } from '../../core/units';
import type { BallotView } from '../../schema/mock-view';
import type { App, Who } from '../app';
import { CodedError, orNotFound } from '../errors';
import { findCandidate } from '../store/candidate';
import { findItem } from '../store/item';
import { auditionOfMock, findMock, mockOfJuror, putMock } from '../store/mock';
import { isOver } from './mocks';
import { candidateOfMock } from './owner';
import { keepEvent } from './spots';
import { holderOf, useCase } from './use-case';

function ownOf(app: App, who: Who): { auditionId: string; mock: Mock; juror: Juror } {
  const { opensId } = holderOf(who);
  const mockId = mockOfJuror(app.db, opensId);
  const mock = mockId === undefined ? undefined : findMock(app.db, mockId);
  const juror = mock?.jurors.find(({ id }) => id === opensId);
  if (!mock || !juror) throw new CodedError('link-spent');
  return { auditionId: orNotFound(auditionOfMock(app.db, mock.id)), mock, juror };
}

/** The number, the items and their bars; of the person, of what was before and of other jurors nothing. */
export const readBallot = useCase({
  rule: 'holder',
  grant: 'juror',
  run(app: App, _input: Record<string, never>, who: Who): BallotView {
    const { mock, juror } = ownOf(app, who);
    const { candidateId } = holderOf(who);
    const { instruments } = orNotFound(findCandidate(app.db, candidateId));
    return {
      juror: juror.name,
      number: mock.number,
      date: mock.date,
      at: mock.at,
      isOver: isOver(mock),
      isClosed: mock.isOpened,
      elements: ballotElements(familyOf(instruments)),
      items: mock.draw.map(({ itemId, fromBar, toBar }) => {
        const {
          name = '',
          barsPerLine = '',
          fromBar: first = fromBar,
          toBar: last = toBar
        } = findItem(app.db, itemId) ?? {};
        return { name, fromBar, toBar, item: { name, barsPerLine, fromBar: first, toBar: last } };
      }),
      ballot: juror.ballot
    };
  }
});

/** What a juror writes of one item, instead of what they wrote of it before. Throws CodedError "ballots-open" once all are read. */
export const putBallot = useCase({
  rule: 'holder',
  grant: 'juror',
  run(app: App, { ballot }: { ballot: BallotItem }, who: Who): void {
    const { auditionId, mock, juror } = ownOf(app, who);
    if (mock.isOpened) throw new CodedError('ballots-open');
    const cut = orNotFound(mock.draw[ballot.item]);
    if (ballot.notes.some((note) => !isInside(note, cut))) throw new CodedError('changes-unsound');
    const { instruments } = orNotFound(findCandidate(app.db, holderOf(who).candidateId));
    const asked = ballotElements(familyOf(instruments));
    if (Object.keys(ballot.words).some((element) => !asked.includes(element)))
      throw new CodedError('changes-unsound');
    const others = juror.ballot.filter(({ item }) => item !== ballot.item);
    const written = { ...juror, ballot: [...others, ballot].sort((a, b) => a.item - b.item) };
    putMock(app.db, auditionId, withJuror(mock, written));
  }
});

const withJuror = (mock: Mock, juror: Juror): Mock => ({
  ...mock,
  jurors: mock.jurors.map((one) => (one.id === juror.id ? juror : one))
});

/** A remark becomes a spot, or is let go of; each once. */
export const settleNote = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run(
    app: App,
    input: { mockId: string; jurorId: string; item: number; note: number; isTaken: boolean }
  ): void {
    const { mockId, jurorId, item, note, isTaken } = input;
    const mock = orNotFound(findMock(app.db, mockId));
    if (!mock.isOpened) throw new CodedError('not-found');
    const juror = orNotFound(mock.jurors.find(({ id }) => id === jurorId));
    if (juror.settled.some((one) => one.item === item && one.note === note)) return;
    const { itemId } = orNotFound(mock.draw[item]);
    const { says, fromBar, toBar } = orNotFound(juror.ballot.find((one) => one.item === item)?.notes[note]);
    if (isTaken) {
      const spot = { id: app.newId(), itemId, fromBar, toBar, issue: says, notHeld: [], elsewhere: [] };
      const candidateId = orNotFound(candidateOfMock(app, { mockId }));
      keepEvent(app, candidateId, { kind: 'spot', spot: { ...spot, foundBy: 'juror' } });
    }
    const settled = [...juror.settled, { item, note }];
    putMock(app.db, orNotFound(auditionOfMock(app.db, mockId)), withJuror(mock, { ...juror, settled }));
  }
});
