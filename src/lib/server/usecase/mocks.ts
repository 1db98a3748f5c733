/** Mocks: stages proposed and booked, what is drawn for them, and how they are run. */
import { type ToDraw, coverage, cutAround, drawMock, unheardHard } from '../../core/mock';
import { rangesOf } from '../../core/practice';
import type { Mock, MockBooked } from '../../core/record';
import { targetOf } from '../../core/tempo';
import { type BarRange, seedOf } from '../../core/units';
import type { MocksView } from '../../schema/mock-view';
import { type App, type Who, isTeaching } from '../app';
import { applyChange } from '../change/apply';
import { boundCount, boundDates } from '../change/bounds';
import { CodedError, orNotFound } from '../errors';
import { readSeason } from '../laying/facts';
import { findAudition } from '../store/audition';
import { mayBeRecorded } from '../store/candidate';
import { findItem } from '../store/item';
import { auditionOfMock, findMock, mocksOf, mocksOfEvening, putMock, sayStage } from '../store/mock';
import { thoughtOf } from '../store/round-day';
import { mindLinks, newJuror } from './jurors';
import { gapsOf } from './mock-gaps';
import { askedAt } from './mock-played';
import {
  type Drawing,
  changeMock,
  drawnFrom,
  isOver,
  ledMock,
  makeMock,
  mayKnow,
  notBegun
} from './mock-rules';
import { stagesOf, viewOfMock } from './mock-view';
import { candidateOfAudition, candidateOfMock } from './owner';
import { useCase } from './use-case';

/** The stage that is played to the recorder. */
const ALONE = 1;

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
      next: next && viewOfMock(app, next, season, mayKnow(next, who)),
      mocks: mocks.filter(isOver).map((mock) => viewOfMock(app, mock, season, true)),
      items: items
        .filter(({ isLeftOut }) => !isLeftOut)
        .map((item) => ({
          id: item.id,
          name: item.name,
          fromBar: item.fromBar,
          toBar: item.toBar,
          heard: mocks.filter(isOver).flatMap(({ draw }) => draw.filter(({ itemId }) => itemId === item.id)),
          heardNext: stages.stages.flatMap(({ date, mockId, isOver: isBehind }) => {
            const mock = mocks.find(({ id }) => id === mockId);
            const hears = !mock || !mayKnow(mock, who) || mock.draw.some(({ itemId }) => itemId === item.id);
            return date !== null && !isBehind && hears && date >= request.today ? [date] : [];
          }),
          ...gapsOf(season, item, mocks)
        })),
      cover: coverage(toDraw, draws),
      unheard:
        isAllPlanned(stages.stages) && mocks.every((mock) => mayKnow(mock, who))
          ? unheardOf(toDraw, mocks)
          : [],
      newId: app.newId()
    };
  }
});

/** No stage is left to be booked: until then what is unheard may still be drawn. */
const isAllPlanned = (stages: MocksView['stages']) =>
  stages.every(({ mockId, date, isPassed }) => mockId !== null || date === null || isPassed);

/** Hard bars that no mock hears, played or booked; none where all of them are behind. */
function unheardOf(items: readonly ToDraw[], mocks: readonly Mock[]): MocksView['unheard'] {
  if (!mocks.some(({ at }) => at === null)) return [];
  const draws = mocks.flatMap(({ draw }) => draw);
  return unheardHard(items, draws).flatMap(({ itemId, bars }) =>
    rangesOf(bars).map((range) => ({ itemId, ...range }))
  );
}

/** One mock, for its pages. */
export const readMock = useCase({
  rule: 'see',
  owner: candidateOfMock,
  run(app: App, { mockId }: { mockId: string }, who: Who) {
    const auditionId = orNotFound(auditionOfMock(app.db, mockId));
    const season = readSeason(app, auditionId);
    const { audition, candidate } = season;
    const mock = orNotFound(findMock(app.db, mockId));
    return {
      audition: { id: audition.id, name: audition.name },
      candidate: { id: candidate.id, name: candidate.name },
      isTeaching: isTeaching(who),
      today: season.own.today,
      mayRecord: mayBeRecorded(season.candidate),
      /** Who plays after this one, on the same evening. */
      nextOne: isTeaching(who) ? nextInEvening(app, mock) : null,
      mock: viewOfMock(app, mock, season, mayKnow(mock, who))
    };
  }
});

/** A run that a device leads and records, for who plays alone. Throws CodedError "not-allowed" where a panel leads it. */
export const readAlone = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run(app: App, { mockId }: { mockId: string }, who: Who) {
    const { auditionId, mock } = ledMock(app, mockId, who);
    const season = readSeason(app, auditionId);
    const { audition, own } = season;
    return {
      audition: { id: audition.id, name: audition.name },
      today: own.today,
      mayRecord: mayBeRecorded(season.candidate),
      thoughts: mock.draw.map(({ itemId }) => thoughtOf(app.db, itemId) ?? ''),
      mock: viewOfMock(app, mock, season, true)
    };
  }
});

function nextInEvening(app: App, { id, evening }: Mock) {
  if (evening === undefined) return null;
  const all = mocksOfEvening(app.db, evening);
  const next = all.slice(all.findIndex((one) => one.id === id) + 1).find((one) => !isOver(one));
  return next ? { mockId: next.id, number: next.number, time: next.time ?? null } : null;
}

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
    // who plays alone writes, after listening, as a juror would
    const jurors = booked.stage === ALONE ? [newJuror(app, candidate.name)] : [];
    return changeMock(app, auditionId, { ...mock, jurors }, `${sayStage(booked.stage)}, booked`, id);
  }
});

/** Another day, hour or place. Returns the secret by which it can be taken back. */
export const moveMock = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run(app: App, { mockId, booked }: { mockId: string; booked: Omit<MockBooked, 'stage'> }): string {
    const { auditionId, mock } = notBegun(app, mockId);
    const { candidate, request } = readSeason(app, auditionId);
    boundDates(app, candidate.zone, [booked.date]);
    if (booked.date < request.today) throw new CodedError('mock-past');
    // on another day it is none of the evening any more
    const evening = booked.date === mock.date ? mock.evening : undefined;
    const to = { ...mock, time: undefined, before: undefined, ...booked, evening };
    const token = changeMock(app, auditionId, to, `${sayStage(mock.stage)}, moved`);
    mindLinks(app, to);
    return token;
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
    return changeMock(
      app,
      auditionId,
      { ...mock, seed, draw, jurors },
      `${sayStage(mock.stage)}, drawn again`
    );
  }
});

/** Not played after all. Returns the secret by which it can be taken back. */
export const dropMock = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run(app: App, { mockId }: { mockId: string }): string {
    const { auditionId, mock } = notBegun(app, mockId);
    const { candidateId } = orNotFound(findAudition(app.db, auditionId));
    const edit = { kind: 'mock' as const, about: { auditionId, mockId }, to: null };
    const token = applyChange(app, {
      candidateId,
      edits: [edit],
      cause: `${sayStage(mock.stage)}, given up`
    });
    mindLinks(app, mock);
    return token;
  }
});

/** What is known of what was played until a step. */
type Until = {
  readonly isBroken?: boolean;
  readonly bpm?: number | undefined;
  readonly takeId?: string | undefined;
};

/**
 * The run goes on: to the place in the draw that is named, one further than it was; the same sent again changes nothing. `until` says
 * whether what was played until now was broken off, the tempo (in the unit of what is asked) that was tapped, and the take that was made.
 */
export const stepMock = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run(app: App, { mockId, to, until = {} }: { mockId: string; to: number; until?: Until }, who: Who): void {
    const { auditionId, mock } = ledMock(app, mockId, who);
    const expected = mock.at === null ? 0 : mock.at + 1;
    if (to !== expected || to > mock.draw.length) return;
    const broken = until.isBroken && mock.at !== null ? [...mock.broken, mock.at] : mock.broken;
    const played = [...mock.played, ...playedUntil(app, mock, until)];
    putMock(app.db, auditionId, { ...mock, at: to, sinceMs: app.now(), broken, played });
  }
});

function playedUntil(app: App, { at, draw }: Mock, { bpm, takeId }: Until): Mock['played'] {
  const cut = at === null ? undefined : draw[at];
  if (at === null || !cut) return [];
  const item = findItem(app.db, cut.itemId);
  const asked = item && askedAt(item, cut.fromBar);
  const unit = asked && targetOf(asked)?.unit;
  const tempo = bpm !== undefined && unit ? { tempo: { bpm, unit } } : {};
  const take = takeId === undefined ? {} : { takeId };
  return bpm === undefined && takeId === undefined ? [] : [{ item: at, ...tempo, ...take }];
}

/** Bars that are hard and heard in no mock are put into one that is to come. Returns the secret by which it can be taken back. */
export const hearBars = useCase({
  rule: 'own',
  owner: candidateOfMock,
  run(app: App, input: { mockId: string; itemId: string } & BarRange, who: Who): string {
    const { mockId, itemId, fromBar, toBar } = input;
    ledMock(app, mockId, who);
    const { auditionId, mock } = notBegun(app, mockId);
    const season = readSeason(app, auditionId);
    const item = orNotFound(drawnFrom(app, season, []).find(({ id }) => id === itemId));
    if (!unheardHard([item], mock.draw).some(({ bars }) => bars.includes(fromBar)))
      throw new CodedError('changes-unsound');
    const drawn = { itemId, ...cutAround(item, { fromBar, toBar }), isOdd: false };
    const at = mock.draw.findIndex((one) => one.itemId === itemId);
    boundCount('drawn', mock.draw.length + (at < 0 ? 1 : 0));
    const draw = at < 0 ? [...mock.draw, drawn] : mock.draw.with(at, drawn);
    // what was written of it is of other bars
    const jurors = mock.jurors.map((juror) => ({
      ...juror,
      ballot: juror.ballot.filter(({ item: place }) => place !== at)
    }));
    return changeMock(
      app,
      auditionId,
      { ...mock, draw, jurors },
      `${sayStage(mock.stage)}, bars to be heard`
    );
  }
});
