/** Mocks: stages proposed and booked, what is drawn for them, how they are run, and who hears them. */
import { type ToDraw, STAGES, coverage, drawMock, placeStages } from '../../core/mock';
import { dayCapacity } from '../../core/plan';
import type { Drawn, Mock, MockBooked } from '../../core/record';
import { STAGE_NAMES } from '../../core/record/words';
import { targetOf } from '../../core/tempo';
import { dayOf, formatDate, seedOf } from '../../core/units';
import type { MockView, MocksView, StageView } from '../../schema/mock-view';
import { type App, type Who, isTeaching } from '../app';
import { applyChange } from '../change/apply';
import { boundCount, boundDates } from '../change/bounds';
import { CodedError, orNotFound } from '../errors';
import { endGrants, grantEndsMs, makeGrant, moveGrantEnd } from '../grant/grant';
import { type Season, readSeason } from '../laying/facts';
import { planOf } from '../laying/plan';
import { findAudition } from '../store/audition';
import type { ListItem } from '../store/item';
import { auditionOfMock, findMock, mocksOf, putMock, sayStage } from '../store/mock';
import { gapsOf } from './mock-gaps';
import { candidateOfAudition, candidateOfMock } from './owner';
import { spotsOfSeason } from './spots';
import { useCase } from './use-case';

/** From the third stage on a panel hears what the player is told as it comes. */
const LAST_OPEN = 2;
/** A draw looks back on so many mocks. */
const LOOKS_BACK = 3;
/** A ballot can be written until so long after its mock. */
const OPEN_MS = 48 * 3_600_000;
const DAY_MS = 86_400_000;

/** Whether what is drawn is no secret: before a panel it is, to who plays. */
const mayKnow = (mock: Mock, who: Who): boolean => isTeaching(who) || isOver(mock) || mock.stage <= LAST_OPEN;
export const isOver = ({ at, draw }: Mock): boolean => at !== null && at >= draw.length;

/** All that is known of an audition's mocks. What is drawn is not shown to who will play it. */
export const readMocks = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run(app: App, { auditionId }: { auditionId: string }, who: Who): MocksView {
    const season = readSeason(app, auditionId);
    const { audition, candidate, items, request } = season;
    const mocks = mocksOf(app.db, auditionId);
    const toDraw = drawnFrom(app, season, mocks);
    const next = mocks.find((mock) => !isOver(mock)) ?? null;
    const stages = stagesOf(app, season, mocks);
    const draws = mocks.flatMap(({ draw }) => draw);
    return {
      audition: { id: audition.id, name: audition.name },
      candidate: { id: candidate.id, name: candidate.name },
      today: request.today,
      ...stages,
      next: next && viewOfMock(app, next, items, mayKnow(next, who)),
      mocks: mocks.filter(isOver).map((mock) => viewOfMock(app, mock, items, true)),
      items: items
        .filter(({ isLeftOut }) => !isLeftOut)
        .map((item) => ({
          id: item.id,
          name: item.name,
          fromBar: item.fromBar,
          toBar: item.toBar,
          heard: mocks.filter(isOver).flatMap(({ draw }) => draw.filter(({ itemId }) => itemId === item.id)),
          ...gapsOf(season, item, mocks)
        })),
      cover: coverage(toDraw, draws),
      newId: app.newId()
    };
  }
});

/** One mock, for its pages. */
export const readMock = useCase({
  rule: 'see',
  owner: candidateOfMock,
  run(app: App, { mockId }: { mockId: string }, who: Who) {
    const auditionId = orNotFound(auditionOfMock(app.db, mockId));
    const { audition, candidate, items } = readSeason(app, auditionId);
    const mock = orNotFound(findMock(app.db, mockId));
    return {
      audition: { id: audition.id, name: audition.name },
      candidate: { id: candidate.id, name: candidate.name },
      isTeaching: isTeaching(who),
      mock: viewOfMock(app, mock, items, mayKnow(mock, who))
    };
  }
});

function stagesOf(
  app: App,
  { request, audition }: Season,
  mocks: readonly Mock[]
): Pick<MocksView, 'stages' | 'roundOn' | 'mockFrom'> {
  const plan = planOf(app, readSeason(app, audition.id))?.plan;
  const round = audition.rounds.find(({ date }) => date >= request.today);
  const roundOn = round ? dayOf(round.date) : null;
  const mockFrom = plan?.stages?.mockFrom ?? null;
  const latest = new Map(mocks.map((mock) => [mock.stage, mock]));
  // what comes before a stage that was played is behind, played or not
  const played = Math.max(0, ...mocks.filter(isOver).map(({ stage }) => stage));
  const open = STAGES.map((_, i) => i + 1).filter((stage) => stage > played && !latest.has(stage));
  const today = dayOf(request.today);
  const placed =
    roundOn === null
      ? null
      : placeStages({
          today,
          roundOn,
          windowDays: mockFrom === null ? 0 : Math.max(0, roundOn - dayOf(mockFrom)),
          stages: open,
          fixed: new Map([...latest].map(([stage, { date }]) => [stage, dayOf(date)])),
          canBe: (day) => dayCapacity(day, request.time).spans.length > 0
        });
  const stages = STAGES.map(({ expects, passes, minutes }, i): StageView => {
    const mock = latest.get(i + 1);
    const day = placed?.days.get(i + 1);
    return {
      stage: i + 1,
      name: STAGE_NAMES[i]!,
      date: mock?.date ?? (day === undefined ? null : formatDate(day)),
      time: mock?.time ?? null,
      mockId: mock?.id ?? null,
      isOver: mock !== undefined && isOver(mock),
      isPassed: mock === undefined && i + 1 < played,
      minutes,
      expects,
      passes
    };
  });
  return { stages, roundOn: round?.date ?? null, mockFrom };
}

function viewOfMock(app: App, mock: Mock, items: readonly ListItem[], isShown: boolean): MockView {
  const itemOf = new Map(items.map((item) => [item.id, item]));
  const over = isOver(mock);
  const shown = ({ itemId, fromBar, toBar, isOdd }: Drawn) => {
    const item = itemOf.get(itemId);
    const {
      name = 'off the list',
      barsPerLine = '',
      fromBar: first = fromBar,
      toBar: last = toBar
    } = item ?? {};
    return { itemId, name, fromBar, toBar, isOdd, item: { name, barsPerLine, fromBar: first, toBar: last } };
  };
  return {
    id: mock.id,
    stage: mock.stage,
    name: sayStage(mock.stage),
    date: mock.date,
    time: mock.time ?? null,
    place: mock.place,
    minutes: mock.minutes,
    number: mock.number,
    // what has been announced is no secret
    draw: (isShown ? mock.draw : mock.draw.slice(0, mock.at === null ? 0 : mock.at + 1)).map(shown),
    count: mock.draw.length,
    at: mock.at,
    sinceMs: mock.sinceMs,
    nowMs: app.now(),
    broken: mock.broken,
    isOver: over,
    isOpened: mock.isOpened,
    jurors: mock.jurors.map(({ id, name, ballot, settled }) => ({
      id,
      name,
      written: ballot.map(({ item }) => item),
      hasLink: grantEndsMs(app, 'juror', id) !== null,
      ballot: mock.isOpened ? ballot : [],
      settled
    }))
  };
}

/** Items as a draw sees them. */
function drawnFrom(app: App, season: Season, mocks: readonly Mock[]): ToDraw[] {
  const spots = spotsOfSeason(app, season, season.request.today).filter(({ state }) => state === 'open');
  const lately = mocks.filter(isOver).slice(-LOOKS_BACK);
  const barsIn = (bars: readonly { readonly fromBar: number; readonly toBar: number }[]) =>
    bars.flatMap(({ fromBar, toBar }) => Array.from({ length: toBar - fromBar + 1 }, (_, i) => fromBar + i));
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
      hard: barsIn(spots.filter(({ itemId }) => itemId === item.id)),
      heard: barsIn(lately.flatMap(({ draw }) => draw.filter(({ itemId }) => itemId === item.id)))
    }));
}

/** Two days behind the mock's; a link that is made later is of use as long. */
const ballotEnds = (app: App, { date }: Pick<Mock, 'date'>): number =>
  Math.max((dayOf(date) + 1) * DAY_MS, app.now()) + OPEN_MS;

type Drawing = { readonly count: number; readonly isInOrder: boolean };

/** Books a stage and draws for it; sent again under its id it is there once. Returns the secret by which it can be taken back. */
export const bookMock = useCase({
  rule: 'own',
  owner: candidateOfAudition,
  run(app: App, input: { auditionId: string; id: string; booked: MockBooked; drawing: Drawing }): string {
    const { auditionId, id, booked, drawing } = input;
    const season = readSeason(app, auditionId);
    const { candidate } = season;
    const mocks = mocksOf(app.db, auditionId);
    const there = auditionOfMock(app.db, id);
    if (there !== undefined && there !== auditionId) throw new CodedError('not-allowed');
    boundDates(app, candidate.zone, [booked.date]);
    boundCount('mocks', mocks.length + 1);
    if (booked.date < season.request.today) throw new CodedError('mock-past');
    const mock = makeMock(app, season, { id, booked, drawing });
    if (mock.draw.length === 0) throw new CodedError('nothing-to-draw');
    return change(app, auditionId, mock, `${sayStage(booked.stage)}, booked`, id);
  }
});

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
  const fresh = { at: null, sinceMs: null, broken: [], isOpened: false, jurors: [] };
  return { id, ...booked, number: 1 + (seed % MOST_NUMBER), seed, draw, ...fresh };
}

function change(app: App, auditionId: string, mock: Mock, cause: string, id?: string): string {
  const { candidateId } = orNotFound(findAudition(app.db, auditionId));
  const edit = { kind: 'mock' as const, about: { auditionId, mockId: mock.id }, to: mock };
  return applyChange(app, { id, candidateId, edits: [edit], cause });
}

/** The mock as it stands, of one that has not begun. */
function notBegun(app: App, mockId: string): { auditionId: string; mock: Mock } {
  const auditionId = orNotFound(auditionOfMock(app.db, mockId));
  const mock = orNotFound(findMock(app.db, mockId));
  if (mock.at !== null) throw new CodedError('mock-begun');
  return { auditionId, mock };
}

/** Another day, hour or place. Returns the secret by which it can be taken back. */
export const moveMock = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run(app: App, { mockId, booked }: { mockId: string; booked: Omit<MockBooked, 'stage'> }): string {
    const { auditionId, mock } = notBegun(app, mockId);
    const { candidate, request } = readSeason(app, auditionId);
    boundDates(app, candidate.zone, [booked.date]);
    if (booked.date < request.today) throw new CodedError('mock-past');
    for (const { id } of mock.jurors) moveGrantEnd(app, 'juror', id, ballotEnds(app, booked));
    return change(app, auditionId, { ...mock, time: undefined, ...booked }, `${sayStage(mock.stage)}, moved`);
  }
});

/** Another draw. Returns the secret by which it can be taken back. */
export const drawAgain = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run(app: App, { mockId, drawing }: { mockId: string; drawing: Drawing }): string {
    const { auditionId, mock } = notBegun(app, mockId);
    const seed = seedOf(app.newId());
    const draw = drawMock(drawnFrom(app, readSeason(app, auditionId), mocksOf(app.db, auditionId)), {
      seed,
      ...drawing
    });
    // what was written is of other bars
    const jurors = mock.jurors.map((juror) => ({ ...juror, ballot: [], settled: [] }));
    return change(app, auditionId, { ...mock, seed, draw, jurors }, `${sayStage(mock.stage)}, drawn again`);
  }
});

/** Not played after all. Returns the secret by which it can be taken back. */
export const dropMock = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run(app: App, { mockId }: { mockId: string }): string {
    const { auditionId, mock } = notBegun(app, mockId);
    const { candidateId } = orNotFound(findAudition(app.db, auditionId));
    for (const { id } of mock.jurors) endGrants(app, 'juror', id);
    const edit = { kind: 'mock' as const, about: { auditionId, mockId }, to: null };
    return applyChange(app, { candidateId, edits: [edit], cause: `${sayStage(mock.stage)}, given up` });
  }
});

/** A juror's link, shown once; another for the same juror ends the one before. */
export const inviteJuror = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run(app: App, { mockId, name, jurorId }: { mockId: string; name: string; jurorId: string | null }): string {
    const auditionId = orNotFound(auditionOfMock(app.db, mockId));
    const mock = orNotFound(findMock(app.db, mockId));
    const candidateId = orNotFound(candidateOfAudition(app, { auditionId }));
    const known = mock.jurors.find(({ id }) => id === jurorId);
    const juror = known ?? { id: app.newId(), name, ballot: [], settled: [] };
    boundCount('jurors', mock.jurors.length + (known ? 0 : 1));
    if (!known) putMock(app.db, auditionId, { ...mock, jurors: [...mock.jurors, juror] });
    return makeGrant(app, 'juror', { candidateId, opensId: juror.id, endsMs: ballotEnds(app, mock) });
  }
});

/** The juror's link opens nothing any more; what was written stays. */
export const endJuror = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run(app: App, { mockId, jurorId }: { mockId: string; jurorId: string }): void {
    orNotFound(findMock(app.db, mockId)?.jurors.find(({ id }) => id === jurorId));
    endGrants(app, 'juror', jurorId);
  }
});

/**
 * The run goes on: to the place in the draw that is named, one further than it was; the same sent again changes nothing. `isBroken`: what was
 * played until now was broken off.
 */
export const stepMock = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run(app: App, { mockId, to, isBroken }: { mockId: string; to: number; isBroken: boolean }, who: Who): void {
    const auditionId = orNotFound(auditionOfMock(app.db, mockId));
    const mock = orNotFound(findMock(app.db, mockId));
    if (!isTeaching(who) && mock.stage > LAST_OPEN) throw new CodedError('not-allowed');
    const expected = mock.at === null ? 0 : mock.at + 1;
    if (to !== expected || to > mock.draw.length) return;
    const broken = isBroken && mock.at !== null ? [...mock.broken, mock.at] : mock.broken;
    putMock(app.db, auditionId, { ...mock, at: to, sinceMs: app.now(), broken });
  }
});

/** What the jurors wrote is shown, to all. */
export const openBallots = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run(app: App, { mockId }: { mockId: string }, who: Who): void {
    const auditionId = orNotFound(auditionOfMock(app.db, mockId));
    const mock = orNotFound(findMock(app.db, mockId));
    // of a panel the teacher opens it; what was played to one listener is the player's to read
    if (!isTeaching(who) && mock.stage > LAST_OPEN) throw new CodedError('not-allowed');
    if (!isOver(mock)) throw new CodedError('mock-goes-on');
    putMock(app.db, auditionId, { ...mock, isOpened: true });
  }
});
