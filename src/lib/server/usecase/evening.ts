/** A mock evening: several candidates play to one jury, one after the other, each under a number; jurors hear all of it by one link. */
import { STAGES, eveningHours } from '../../core/mock';
import type { Mock, MockBooked } from '../../core/record';
import { STAGE_NAMES } from '../../core/record/words';
import { dayOf } from '../../core/units';
import type { EveningPlayer, EveningView } from '../../schema/evening-view';
import type { PaperBallot } from '../../schema/mock-view';
import { type App, todayIn } from '../app';
import { applyChange } from '../change/apply';
import { boundCount, boundDates } from '../change/bounds';
import { CodedError, orNotFound } from '../errors';
import { endGrants, grantEndsMs } from '../grant/grant';
import { readSeason } from '../laying/facts';
import { auditionsOf } from '../store/audition';
import { listCandidates } from '../store/candidate';
import { itemCount } from '../store/item';
import { type OwnedMock, mocksOf, mocksOfEvening, sayStage, seatOf } from '../store/mock';
import { paperBallots } from './ballot';
import { makeSeatLink, mindLinks, newJuror } from './jurors';
import { isOver, makeMock } from './mock-rules';
import { useCase } from './use-case';

/** Stages that are played to others. */
const FIRST_HEARD = 2;

/** Everybody with a round ahead and a list, the soonest first, and the stage that would be theirs. */
export const readPlayers = useCase({
  rule: 'teacher',
  run(app: App): { players: EveningPlayer[]; today: string; newId: string } {
    const players = listCandidates(app.db)
      .filter(({ archivedAtMs }) => archivedAtMs === null)
      .flatMap((candidate) => {
        const today = todayIn(app, candidate.zone);
        return auditionsOf(app.db, candidate.id).flatMap(({ id, name, rounds }): EveningPlayer[] => {
          const round = rounds.find(({ date }) => date >= today);
          const items = itemCount(app.db, id);
          if (!round || items === 0) return [];
          const mocks = mocksOf(app.db, id);
          const days = dayOf(round.date) - dayOf(today);
          const booked = mocks.filter(({ at }) => at === null).map(({ stage, date }) => ({ stage, date }));
          const stage = nextStage(mocks);
          return [{ auditionId: id, candidate: candidate.name, audition: name, days, items, booked, stage }];
        });
      });
    return {
      players: players.sort((a, b) => a.days - b.days),
      today: todayIn(app, listCandidates(app.db)[0]?.zone ?? 'UTC'),
      newId: app.newId()
    };
  }
});

/** The one after the last that was played; the last is played again. */
function nextStage(mocks: readonly Mock[]): number {
  const played = Math.max(0, ...mocks.filter(isOver).map(({ stage }) => stage));
  return Math.min(STAGES.length, Math.max(FIRST_HEARD, played + 1));
}

export type EveningPlan = {
  readonly id: string;
  readonly date: string;
  /** HH:MM */
  readonly start: string;
  readonly place: string;
  readonly eachMin: number;
  readonly pauseMin: number;
  readonly before: MockBooked['before'];
  readonly jurors: readonly string[];
  /** In the order in which they play. */
  readonly players: readonly {
    readonly auditionId: string;
    readonly stage: number;
    readonly count: number;
  }[];
};

/**
 * Books one mock after the other, and draws for each; a stage that is booked elsewhere already comes along as it is drawn. Sent again under
 * its id it is there once. Returns the secret by which all of it can be taken back.
 */
export const prepareEvening = useCase({
  rule: 'teacher',
  run(app: App, plan: EveningPlan): string {
    boundCount('jurors', plan.jurors.length);
    boundCount('evening', plan.players.length);
    const hours = eveningHours(plan.start, plan.players.length, plan);
    if (!hours) throw new CodedError('evening-late');
    const once = new Set(plan.players.map(({ auditionId }) => auditionId));
    if (once.size < plan.players.length) throw new CodedError('changes-unsound');
    const seats = plan.jurors.map((name) => ({ name, seat: app.newId() }));
    const cameFrom: Mock[] = [];
    const edits = plan.players.map(({ auditionId, stage, count }, i) => {
      const season = readSeason(app, auditionId);
      const mocks = mocksOf(app.db, auditionId);
      boundDates(app, season.candidate.zone, [plan.date]);
      boundCount('mocks', mocks.length + 1);
      if (plan.date < season.request.today) throw new CodedError('mock-past');
      const { date, place, before } = plan;
      const booked = { stage, date, place, before, time: hours[i]!, minutes: plan.eachMin };
      const known = mocks.find((mock) => mock.stage === stage && mock.at === null);
      if (known) cameFrom.push(known);
      const id = known?.id ?? app.newId();
      const mock = known ?? makeMock(app, season, { id, booked, drawing: { count, isInOrder: false } });
      if (mock.draw.length === 0) throw new CodedError('nothing-to-draw');
      const jurors = seated(app, mock.jurors, seats);
      boundCount('jurors', jurors.length);
      const to = { ...mock, ...booked, evening: plan.id, number: i + 1, jurors };
      return { kind: 'mock' as const, about: { auditionId, mockId: id }, to };
    });
    const candidateId = readSeason(app, plan.players[0]!.auditionId).candidate.id;
    const token = applyChange(app, { id: plan.id, candidateId, edits, cause: 'a mock evening, prepared' });
    cameFrom.forEach((mock) => mindLinks(app, mock));
    return token;
  }
});

type Seat = { readonly name: string; readonly seat: string };

/** Who is asked to hear it already takes the seat of their name; a link they have is of no more use. */
function seated(app: App, jurors: Mock['jurors'], seats: readonly Seat[]): Mock['jurors'] {
  const isSame = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();
  const before = jurors.map((juror) => {
    const taken = seats.find(({ name }) => isSame(name, juror.name));
    if (taken) endGrants(app, 'juror', seatOf(juror));
    return taken ? { ...juror, seat: taken.seat } : juror;
  });
  const others = seats.filter(({ name }) => !jurors.some((juror) => isSame(name, juror.name)));
  return [...before, ...others.map(({ name, seat }) => newJuror(app, name, seat))];
}

/** In the order in which they play. Throws CodedError "not-found" where there is no such evening. */
function playedIn(app: App, evening: string): [OwnedMock, ...OwnedMock[]] {
  const [first, ...rest] = mocksOfEvening(app.db, evening);
  return [orNotFound(first), ...rest];
}

/** Who hears it: each seat once. */
const seatsOf = (mocks: readonly Mock[]): Map<string, string> =>
  new Map(
    mocks.flatMap(({ jurors }) =>
      jurors.flatMap(({ seat, name }): [string, string][] => (seat === undefined ? [] : [[seat, name]]))
    )
  );

export const readEvening = useCase({
  rule: 'teacher',
  run(app: App, { evening }: { evening: string }): EveningView {
    const mocks = playedIn(app, evening);
    const names = new Map(listCandidates(app.db).map(({ id, name }) => [id, name]));
    const [{ date, place }] = mocks;
    return {
      id: evening,
      date,
      place,
      players: mocks.map((mock) => ({
        mockId: mock.id,
        auditionId: mock.auditionId,
        candidate: names.get(mock.candidateId) ?? '',
        number: mock.number,
        stage: STAGE_NAMES[mock.stage - 1]!,
        time: mock.time ?? null,
        before: mock.before ?? null,
        minutes: mock.minutes,
        count: mock.draw.length,
        at: mock.at,
        isOver: isOver(mock),
        isOpened: mock.isOpened,
        jurors: mock.jurors.length,
        written: mock.jurors.filter(({ ballot }) => ballot.length > 0).length
      })),
      jurors: [...seatsOf(mocks)].map(([seat, name]) => ({
        seat,
        name,
        hasLink: grantEndsMs(app, 'juror', seat) !== null,
        written: mocks.filter(({ jurors }) =>
          jurors.some((juror) => juror.seat === seat && juror.ballot.length > 0)
        ).length
      }))
    };
  }
});

/** All of its ballots on paper: of one juror after the other, in the order in which they are played. */
export const readEveningPaper = useCase({
  rule: 'teacher',
  run(app: App, { evening }: { evening: string }): PaperBallot[] {
    const ballots = playedIn(app, evening).flatMap((mock) => paperBallots(app, mock, mock.candidateId));
    const jurors = [...new Set(ballots.map(({ juror }) => juror))];
    return jurors.flatMap((name) => ballots.filter(({ juror }) => juror === name));
  }
});

/** One more juror, who hears all of it. */
export const addSeat = useCase({
  rule: 'teacher',
  run(app: App, { evening, name }: { evening: string; name: string }): string {
    const mocks = playedIn(app, evening);
    const seat = app.newId();
    const edits = mocks.map(({ candidateId: _whose, auditionId, ...mock }) => {
      boundCount('jurors', mock.jurors.length + 1);
      const to = { ...mock, jurors: [...mock.jurors, newJuror(app, name, seat)] };
      return { kind: 'mock' as const, about: { auditionId, mockId: mock.id }, to };
    });
    return applyChange(app, {
      candidateId: mocks[0].candidateId,
      edits,
      cause: 'a juror for a mock evening'
    });
  }
});

/** The links of all seats, shown once; those before them end. */
export const makeSeatLinks = useCase({
  rule: 'teacher',
  run(app: App, { evening }: { evening: string }): { name: string; token: string }[] {
    const mocks = playedIn(app, evening);
    return [...seatsOf(mocks)].map(([seat, name]) => ({
      name,
      token: makeSeatLink(app, mocks[0].candidateId, seat)
    }));
  }
});

/** A seat's link opens nothing any more; what was written stays. */
export const endSeat = useCase({
  rule: 'teacher',
  run(app: App, { evening, seat }: { evening: string; seat: string }): void {
    if (!seatsOf(playedIn(app, evening)).has(seat)) throw new CodedError('not-found');
    endGrants(app, 'juror', seat);
  }
});

/** One of those who have not begun plays a place earlier, in the hour and under the number of who did; both change places. */
export const playEarlier = useCase({
  rule: 'teacher',
  run(app: App, { evening, mockId }: { evening: string; mockId: string }): string {
    const mocks = playedIn(app, evening);
    const at = mocks.findIndex(({ id }) => id === mockId);
    const [before, mock] = [orNotFound(mocks[at - 1]), orNotFound(mocks[at])];
    if (mock.at !== null || before.at !== null) throw new CodedError('mock-begun');
    const swap = ({ candidateId: _whose, auditionId, ...one }: OwnedMock, { time, number }: Mock) => ({
      kind: 'mock' as const,
      about: { auditionId, mockId: one.id },
      to: { ...one, time, number }
    });
    const edits = [swap(mock, before), swap(before, mock)];
    const cause = `${sayStage(mock.stage)}, played earlier`;
    return applyChange(app, { candidateId: mock.candidateId, edits, cause });
  }
});

/** None of it that has not begun is played. Returns the secret by which it can be taken back. */
export const dropEvening = useCase({
  rule: 'teacher',
  run(app: App, { evening }: { evening: string }): string {
    const mocks = playedIn(app, evening);
    const open = mocks.filter(({ at }) => at === null);
    if (open.length === 0) throw new CodedError('mock-begun');
    const edits = open.map(({ id: mockId, auditionId }) => ({
      kind: 'mock' as const,
      about: { auditionId, mockId },
      to: null
    }));
    const { candidateId } = mocks[0];
    const token = applyChange(app, { candidateId, edits, cause: 'a mock evening, given up' });
    open.forEach((mock) => mindLinks(app, mock));
    return token;
  }
});
