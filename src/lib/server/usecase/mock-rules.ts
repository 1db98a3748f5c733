/** What goes for mocks wherever they are changed: who may, what is drawn from, and how a mock is made. */
import { type ToDraw, barsOf, drawMock, leastClean } from '../../core/mock';
import type { Mock, MockBooked } from '../../core/record';
import { targetOf } from '../../core/tempo';
import { seedOf } from '../../core/units';
import { type App, type Who, isTeaching } from '../app';
import { applyChange } from '../change/apply';
import { CodedError, orNotFound } from '../errors';
import type { Season } from '../laying/facts';
import { findAudition } from '../store/audition';
import { auditionOfMock, findMock, mocksOf } from '../store/mock';
import { gapsOf } from './mock-gaps';
import { spotsOfSeason } from './spots';

/** From the third stage on a panel hears what the player is told as it comes. */
const LAST_OPEN = 2;
/** A draw looks back on so many mocks. */
const LOOKS_BACK = 3;

export const isOver = ({ at, draw }: Mock): boolean => at !== null && at >= draw.length;
/** A panel's run is the teacher's; up to one listener who plays does all of it. */
const mayLead = (mock: Mock, who: Who): boolean => isTeaching(who) || mock.stage <= LAST_OPEN;
/** Whether what is drawn is no secret: before a panel it is, to who plays. */
export const mayKnow = (mock: Mock, who: Who): boolean => mayLead(mock, who) || isOver(mock);

/** The mock and its audition, of one who may lead it. Throws CodedError "not-allowed" otherwise. */
export function ledMock(app: App, mockId: string, who: Who): { auditionId: string; mock: Mock } {
  const auditionId = orNotFound(auditionOfMock(app.db, mockId));
  const mock = orNotFound(findMock(app.db, mockId));
  if (!mayLead(mock, who)) throw new CodedError('not-allowed');
  return { auditionId, mock };
}

/** The mock and its audition, as long as it has not begun. Throws CodedError "mock-begun" otherwise. */
export function notBegun(app: App, mockId: string): { auditionId: string; mock: Mock } {
  const auditionId = orNotFound(auditionOfMock(app.db, mockId));
  const mock = orNotFound(findMock(app.db, mockId));
  if (mock.at !== null) throw new CodedError('mock-begun');
  return { auditionId, mock };
}

/** Items as a draw sees them. */
export function drawnFrom(app: App, season: Season, mocks: readonly Mock[]): ToDraw[] {
  const spots = spotsOfSeason(app, season, season.request.today).filter(({ state }) => state === 'open');
  const lately = mocks.filter(isOver).slice(-LOOKS_BACK);
  return season.items
    .filter(({ isLeftOut, kind }) => !isLeftOut && kind !== 'sight-reading')
    .map((item) => ({
      id: item.id,
      fromBar: item.fromBar,
      toBar: item.toBar,
      barsPerLine: item.barsPerLine,
      metre: item.metre,
      target: item.sections.map(({ tempo }) => targetOf(tempo)).find(Boolean) ?? null,
      starts: item.sections.map(({ fromBar }) => fromBar),
      cuts: item.cuts ?? [],
      hard: [
        ...spots.filter(({ itemId }) => itemId === item.id).flatMap(barsOf),
        ...leastClean(
          season.log.filter(({ itemId }) => itemId === item.id),
          item
        )
      ],
      isOwed: (gapsOf(season, item, mocks).gap ?? 0) > 0,
      heard: lately.flatMap(({ draw }) => draw.filter(({ itemId }) => itemId === item.id)).flatMap(barsOf)
    }));
}

export type Drawing = { readonly count: number; readonly isInOrder: boolean };

/** Candidates in an evening. */
const MOST_NUMBER = 12;

/** A mock with its draw, as nobody has played it yet; nothing is drawn where there is nothing on the list. */
export function makeMock(
  app: App,
  season: Season,
  { id, booked, drawing }: { id: string; booked: MockBooked; drawing: Drawing }
): Mock {
  const seed = seedOf(id);
  const draw = drawMock(drawnFrom(app, season, mocksOf(app.db, season.audition.id)), { seed, ...drawing });
  const fresh = { at: null, sinceMs: null, broken: [], played: [], isOpened: false, jurors: [] };
  return { id, ...booked, number: 1 + (seed % MOST_NUMBER), seed, draw, ...fresh };
}

/** Puts a mock as one change, which can be taken back by the secret that is returned; sent again under its id it is there once. */
export function changeMock(app: App, auditionId: string, mock: Mock, cause: string, id?: string): string {
  const { candidateId } = orNotFound(findAudition(app.db, auditionId));
  const edit = { kind: 'mock' as const, about: { auditionId, mockId: mock.id }, to: mock };
  return applyChange(app, { id, candidateId, edits: [edit], cause });
}
