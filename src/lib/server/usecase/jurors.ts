/** Who hears a mock: their links, how long these open their ballots, and when what they wrote is read. */
import { practiceElement } from '../../core/mock';
import { dayOf } from '../../core/units';
import type { Juror, Mock } from '../../core/record';
import type { App, Who } from '../app';
import { boundCount } from '../change/bounds';
import { CodedError, orNotFound } from '../errors';
import { endGrants, giveGrant, makeGrant, moveGrantEnd } from '../grant/grant';
import { type Season, readSeason } from '../laying/facts';
import { auditionsOf } from '../store/audition';
import { auditionOfMock, findMock, mocksOf, mocksOfSeat, putMock, seatOf } from '../store/mock';
import { isOver, ledMock } from './mock-rules';
import { gapsOf } from './mock-gaps';
import { candidateOfAudition, candidateOfMock } from './owner';
import { keepEvent } from './spots';
import { useCase } from './use-case';

/** A ballot can be written until so long after its mock. */
const OPEN_MS = 48 * 3_600_000;
const DAY_MS = 86_400_000;

export const newJuror = (app: App, name: string, seat?: string): Juror => ({
  id: app.newId(),
  name,
  ...(seat === undefined ? {} : { seat }),
  ballot: [],
  settled: []
});

/** Two days behind the last mock that is heard from there; a link that is made later is of use as long. */
function ballotEnds(app: App, seat: string): number {
  const dates = mocksOfSeat(app.db, seat).map((id) => dayOf(findMock(app.db, id)!.date));
  return Math.max((Math.max(...dates, 0) + 1) * DAY_MS, app.now()) + OPEN_MS;
}

/** The one link of a seat; the one before it ends. */
export const makeSeatLink = (app: App, candidateId: string, seat: string): string =>
  makeGrant(app, 'juror', { candidateId, opensId: seat, endsMs: ballotEnds(app, seat) });

/** Links go along with a mock that was moved, and end with one that is no more. */
export function mindLinks(app: App, { jurors }: Mock): void {
  for (const seat of jurors.map(seatOf))
    if (mocksOfSeat(app.db, seat).length === 0) endGrants(app, 'juror', seat);
    else moveGrantEnd(app, 'juror', seat, ballotEnds(app, seat));
}

/** Call before somebody is erased: who hears others of the same evening still does, by the link they have. */
export function leaveLinks(app: App, candidateId: string): void {
  const seats = auditionsOf(app.db, candidateId)
    .flatMap(({ id }) => mocksOf(app.db, id))
    .flatMap(({ jurors }) => jurors.map(seatOf));
  for (const seat of new Set(seats)) {
    const hears = mocksOfSeat(app.db, seat).map((mockId) => candidateOfMock(app, { mockId }));
    const other = hears.find((id) => id !== undefined && id !== candidateId);
    if (other !== undefined) giveGrant(app, 'juror', seat, other);
  }
}

/** A juror's link, shown once; another for the same juror ends the one before. */
export const inviteJuror = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run(app: App, { mockId, name, jurorId }: { mockId: string; name: string; jurorId: string | null }): string {
    const auditionId = orNotFound(auditionOfMock(app.db, mockId));
    const mock = orNotFound(findMock(app.db, mockId));
    const known = mock.jurors.find(({ id }) => id === jurorId);
    const juror = known ?? newJuror(app, name);
    boundCount('jurors', mock.jurors.length + (known ? 0 : 1));
    if (!known) putMock(app.db, auditionId, { ...mock, jurors: [...mock.jurors, juror] });
    const candidateId = orNotFound(candidateOfAudition(app, { auditionId }));
    return makeSeatLink(app, candidateId, seatOf(juror));
  }
});

/** The juror's link opens nothing any more; what was written stays. */
export const endJuror = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run(app: App, { mockId, jurorId }: { mockId: string; jurorId: string }): void {
    const juror = orNotFound(findMock(app.db, mockId)?.jurors.find(({ id }) => id === jurorId));
    endGrants(app, 'juror', seatOf(juror));
  }
});

/** What the jurors wrote is shown, to all. Of a panel the teacher opens it; what was played to one listener is the player's to read. What fell below practice, and nobody remarked on, is a spot from then on. */
export const openBallots = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run(app: App, { mockId }: { mockId: string }, who: Who): void {
    const { auditionId, mock } = ledMock(app, mockId, who);
    if (!isOver(mock)) throw new CodedError('mock-goes-on');
    if (mock.isOpened) return;
    putMock(app.db, auditionId, { ...mock, isOpened: true });
    spotBelowPractice(app, readSeason(app, auditionId), { ...mock, isOpened: true });
  }
});

/** The bars that were heard, by the element that fell furthest; where somebody says more exactly what it was, that is looked at instead. */
function spotBelowPractice(app: App, season: Season, mock: Mock): void {
  const isRemarked = (at: number) =>
    mock.jurors.some(({ ballot }) => ballot.some(({ item, notes }) => item === at && notes.length > 0));
  mock.draw.forEach(({ itemId, fromBar, toBar }, at) => {
    const item = season.items.find(({ id }) => id === itemId);
    const heard = item && gapsOf(season, item, [mock]).words[0];
    if (!heard || (heard.gap ?? 0) <= 0 || isRemarked(at)) return;
    const element = practiceElement(heard.element);
    const notHeld = element ? [element] : [];
    const issue = `${heard.element} below practice`;
    const spot = { id: app.newId(), itemId, fromBar, toBar, issue, notHeld, elsewhere: [] };
    keepEvent(app, season.candidate.id, { kind: 'spot', spot: { ...spot, foundBy: 'juror' } });
  });
}
