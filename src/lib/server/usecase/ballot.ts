/** A juror's ballot: written by a link, blind, or in by hand; and what is remarked in it made into spots. */
import { ballotElements } from '../../core/mock';
import { type BallotItem, type Juror, type Mock, type Sound, familyOf } from '../../core/record';
import { isInside } from '../../core/units';
import type { BallotView, BallotsView, PaperBallot } from '../../schema/mock-view';
import type { App, Who } from '../app';
import { CodedError, orNotFound } from '../errors';
import { findCandidate, mayBeHeard } from '../store/candidate';
import { findItem } from '../store/item';
import { auditionOfMock, findMock, mocksOfSeat, putMock, seatOf } from '../store/mock';
import { takeIn } from './mock-played';
import { isOver, ledMock } from './mock-rules';
import { candidateOfAudition, candidateOfMock } from './owner';
import { keepEvent } from './spots';
import { holderOf, useCase } from './use-case';
import { deviceOfGrant, moveGrant } from '../grant/grant';

type Own = {
  readonly auditionId: string;
  readonly candidateId: string;
  readonly mock: Mock;
  readonly juror: Juror;
};

/** The ballots that a link opens, in the order in which they are played. */
function ownOf(app: App, who: Who): Own[] {
  const { opensId } = holderOf(who);
  const own = mocksOfSeat(app.db, opensId).flatMap((mockId): Own[] => {
    const mock = findMock(app.db, mockId)!;
    const juror = mock.jurors.find((one) => seatOf(one) === opensId);
    const auditionId = auditionOfMock(app.db, mockId)!;
    const candidateId = candidateOfAudition(app, { auditionId });
    return juror && candidateId ? [{ auditionId, candidateId, mock, juror }] : [];
  });
  if (own.length === 0) throw new CodedError('link-spent');
  return own;
}
const oneOf = (app: App, who: Who, jurorId: string): Own =>
  orNotFound(ownOf(app, who).find(({ juror }) => juror.id === jurorId));

/** The number, the items and their bars; of the person, of what was before and of other jurors nothing. `device` is which asks, where it says so. */
export const readBallots = useCase({
  rule: 'holder',
  grant: 'juror',
  run(app: App, { device }: { device?: string | undefined }, who: Who): BallotsView {
    const own = ownOf(app, who);
    return {
      juror: own[0]!.juror.name,
      isElsewhere: device !== undefined && isElsewhere(app, who, device),
      ballots: own.map((one) => viewOfBallot(app, one, mayHear(app, one)))
    };
  }
});

const mayHear = (app: App, { candidateId }: Own): boolean =>
  mayBeHeard(orNotFound(findCandidate(app.db, candidateId)));

function viewOfBallot(app: App, { candidateId, mock, juror }: Own, isHeard: boolean): BallotView {
  const { instruments } = orNotFound(findCandidate(app.db, candidateId));
  return {
    id: juror.id,
    number: mock.number,
    date: mock.date,
    time: mock.time ?? null,
    at: mock.at,
    isOver: isOver(mock),
    isClosed: mock.isOpened,
    elements: ballotElements(familyOf(instruments)),
    items: mock.draw.map(({ itemId, fromBar, toBar }, place) => {
      const {
        name = '',
        barsPerLine = '',
        fromBar: first = fromBar,
        toBar: last = toBar
      } = findItem(app.db, itemId) ?? {};
      const isRecorded = isHeard && isOver(mock) && takeIn(app, mock, place, candidateId) !== null;
      return { name, fromBar, toBar, item: { name, barsPerLine, fromBar: first, toBar: last }, isRecorded };
    }),
    ballot: juror.ballot
  };
}

/** The sound of what a mock has recorded of an item, once it is over. Throws CodedError "not-found" where there is none to be heard. */
export const findBallotSound = useCase({
  rule: 'holder',
  grant: 'juror',
  run(app: App, { jurorId, item }: { jurorId: string; item: number }, who: Who): Sound {
    const own = oneOf(app, who, jurorId);
    if (!isOver(own.mock) || !mayHear(app, own)) throw new CodedError('not-found');
    return orNotFound(takeIn(app, own.mock, item, own.candidateId)?.sound);
  }
});

function isElsewhere(app: App, who: Who, device: string): boolean {
  const at = deviceOfGrant(app, holderOf(who));
  return at !== null && at !== device;
}

/** A ballot is written on one device; on another it goes on where it is opened last. Says whether it was on another before. */
export const takeBallotHere = useCase({
  rule: 'holder',
  grant: 'juror',
  run(app: App, { device }: { device: string }, who: Who): { wasElsewhere: boolean } {
    const wasElsewhere = isElsewhere(app, who, device);
    moveGrant(app, holderOf(who), device);
    return { wasElsewhere };
  }
});

/** What a juror writes of one item, instead of what they wrote of it before. Throws CodedError "ballots-open" once all are read, "ballot-moved" from a device that it has left. */
export const putBallot = useCase({
  rule: 'holder',
  grant: 'juror',
  run(app: App, input: { jurorId: string; ballot: BallotItem; device: string }, who: Who): void {
    const { jurorId, ballot, device } = input;
    if (isElsewhere(app, who, device)) throw new CodedError('ballot-moved');
    moveGrant(app, holderOf(who), device);
    write(app, oneOf(app, who, jurorId), ballot);
  }
});

function write(app: App, { auditionId, candidateId, mock, juror }: Own, ballot: BallotItem): void {
  if (mock.isOpened) throw new CodedError('ballots-open');
  const cut = orNotFound(mock.draw[ballot.item]);
  if (ballot.notes.some((note) => !isInside(note, cut))) throw new CodedError('changes-unsound');
  const { instruments } = orNotFound(findCandidate(app.db, candidateId));
  const asked = ballotElements(familyOf(instruments));
  if (Object.keys(ballot.words).some((element) => !asked.includes(element)))
    throw new CodedError('changes-unsound');
  const others = juror.ballot.filter(({ item }) => item !== ballot.item);
  const written = { ...juror, ballot: [...others, ballot].sort((a, b) => a.item - b.item) };
  putMock(app.db, auditionId, withJuror(mock, written));
}

/** One juror's ballot of a mock, for who may lead it. */
function byHand(app: App, who: Who, mockId: string, jurorId: string): Own {
  const { auditionId, mock } = ledMock(app, mockId, who);
  const juror = orNotFound(mock.jurors.find(({ id }) => id === jurorId));
  return { auditionId, candidateId: orNotFound(candidateOfMock(app, { mockId })), mock, juror };
}

/** A ballot that is written in by hand: from paper, or by who plays after listening. */
export const readBallotByHand = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run(app: App, { mockId, jurorId }: { mockId: string; jurorId: string }, who: Who) {
    const own = byHand(app, who, mockId, jurorId);
    const { auditionId, candidateId, mock, juror } = own;
    const takes = mock.draw.map((_, place) => takeIn(app, mock, place, candidateId)?.id ?? null);
    return {
      auditionId,
      takes,
      view: { juror: juror.name, isElsewhere: false, ballots: [viewOfBallot(app, own, true)] }
    };
  }
});

export const putBallotByHand = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run: (app: App, input: { mockId: string; jurorId: string; ballot: BallotItem }, who: Who): void =>
    write(app, byHand(app, who, input.mockId, input.jurorId), input.ballot)
});

/** A sheet for each juror; one without a name where nobody is named yet. */
export function paperBallots(app: App, mock: Mock, candidateId: string): PaperBallot[] {
  const { instruments } = orNotFound(findCandidate(app.db, candidateId));
  const { number, date, time = null } = mock;
  const elements = ballotElements(familyOf(instruments));
  const items = mock.draw.map(({ itemId, fromBar, toBar }) => ({
    name: findItem(app.db, itemId)?.name ?? '',
    fromBar,
    toBar
  }));
  const names = mock.jurors.length > 0 ? mock.jurors.map(({ name }) => name) : [''];
  return names.map((juror) => ({ juror, number, date, time, elements, items }));
}

/** Ballots of one mock on paper; what is drawn for a panel stands on them, so that they are not for who plays. */
export const readPaperBallots = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run(app: App, { mockId }: { mockId: string }, who: Who): { auditionId: string; ballots: PaperBallot[] } {
    const { auditionId, mock } = ledMock(app, mockId, who);
    const candidateId = orNotFound(candidateOfAudition(app, { auditionId }));
    return { auditionId, ballots: paperBallots(app, mock, candidateId) };
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
