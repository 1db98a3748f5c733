import { beforeEach, describe, expect, it } from 'vitest';
import {
  addPlayer,
  addRound,
  codeOf,
  openStudio,
  timeOf,
  STUDY,
  TEACHER
} from '../../../../tests/fixtures/small-studio';
import { type App, makeApp } from '../app';
import { findStep, takeBackChange } from '../change/apply';
import { openDb } from '../db/open';
import { readHolder } from '../grant/grant';
import { findAudition } from '../store/audition';
import { findCandidate } from '../store/candidate';
import { mocksOf } from '../store/mock';
import { exportStudio, importArchive } from './archive';
import { putBallot, readBallots } from './ballot';
import {
  addSeat,
  dropEvening,
  endSeat,
  makeSeatLinks,
  playEarlier,
  prepareEvening,
  readEvening,
  readEveningPaper,
  readPlayers
} from './evening';
import { inviteJuror, openBallots } from './jurors';
import { addItem } from './list';
import { bookMock, moveMock, readMock, stepMock } from './mocks';
import { eraseCandidate } from './studio';
import { readStudio } from './studio';

const WEEK = timeOf(60, [1, 2, 3, 4, 5, 6]);
let nowMs: number;
let app: App;
/** Auditions of Ada, Bo and Cy. */
let own: string[];
beforeEach(() => {
  nowMs = Date.parse('2026-12-20T16:00:00Z');
  const studio = openStudio(() => nowMs, WEEK);
  app = studio.app;
  own = [studio.auditionId];
  for (const name of ['Bo', 'Cy']) {
    const auditionId = addRound(app, addPlayer(app, name, WEEK), { id: `r ${name}`, name: `${name}’s` });
    addItem(app, TEACHER, { auditionId, item: { ...STUDY, name: `${name} study` } });
    own.push(auditionId);
  }
});

type Plan = Parameters<typeof prepareEvening>[2];
const prepare = (more: Partial<Plan> = {}, players = own) =>
  prepareEvening(app, TEACHER, {
    id: 'e',
    date: '2026-12-28',
    start: '18:30',
    place: 'parish hall',
    eachMin: 20,
    pauseMin: 5,
    before: { warmUpMin: 15, waitingMin: 5 },
    jurors: ['Marit', 'Jan'],
    players: players.map((auditionId) => ({ auditionId, stage: 4, count: 1 })),
    ...more
  });
const evening = () => readEvening(app, TEACHER, { evening: 'e' });
const order = () => evening().players.map(({ candidate, number, time }) => [candidate, number, time]);
const mockOf = (auditionId: string) => mocksOf(app.db, auditionId).find((mock) => mock.evening === 'e')!;
const links = () =>
  new Map(makeSeatLinks(app, TEACHER, { evening: 'e' }).map(({ name, token }) => [name, token]));
const holder = (name: string, all = links()) => readHolder(app, 'juror', all.get(name)!);
const ballots = (who: ReturnType<typeof holder>) => readBallots(app, who, {}).ballots;
const takeBack = (token: string) => takeBackChange(app, findStep(app, token)!);

describe('an evening', () => {
  it('is prepared at one go: hours, numbers, draws, limits; taken back, none of it is there', () => {
    const undo = prepare();
    expect(order()).toEqual([
      ['Ada', 1, '18:30'],
      ['Bo', 2, '18:55'],
      ['Cy', 3, '19:20']
    ]);
    expect(evening().players.every(({ count, minutes }) => count === 1 && minutes === 20)).toBe(true);
    // 18:30 in Brussels is 17:30 UTC
    expect(readMock(app, TEACHER, { mockId: mockOf(own[0]!).id }).mock.before).toEqual({
      startsMs: Date.parse('2026-12-28T17:30:00Z'),
      warmUpMin: 15,
      waitingMin: 5
    });
    // sent again it is there once
    expect(prepare()).toBe(undo);
    expect(order()).toHaveLength(3);
    takeBack(undo);
    expect(codeOf(evening)).toBe('not-found');
    expect(own.map((id) => mocksOf(app.db, id).length)).toEqual([0, 0, 0]);
  });

  it('proposes who has a round ahead, the stage after the last that was played', () => {
    const stages = () =>
      readPlayers(app, TEACHER, {}).players.map(({ candidate, stage }) => [candidate, stage]);
    expect(stages()).toEqual([
      ['Ada', 2],
      ['Bo', 2],
      ['Cy', 2]
    ]);
    prepare();
    const { id } = mockOf(own[1]!);
    for (const to of [0, 1]) stepMock(app, TEACHER, { mockId: id, to });
    expect(stages()[1]).toEqual(['Bo', 5]);
    nowMs = Date.parse('2027-03-01T16:00:00Z');
    expect(stages()).toEqual([]);
  });

  it('takes a stage along that is booked for another day, as it is drawn', () => {
    const booked = { stage: 4, date: '2026-12-30', place: 'room 2', minutes: 40 };
    bookMock(app, TEACHER, { auditionId: own[1]!, id: 'b', booked, drawing: { count: 1, isInOrder: true } });
    const { draw } = mocksOf(app.db, own[1]!)[0]!;
    const before = inviteJuror(app, TEACHER, { mockId: 'b', name: 'marit ', jurorId: null });
    const undo = prepare();
    // who was asked already is asked once, and has one link
    expect(mockOf(own[1]!).jurors.map(({ name }) => name)).toEqual(['marit ', 'Jan']);
    expect(codeOf(() => readHolder(app, 'juror', before))).toBe('link-spent');
    expect(ballots(holder('Jan'))).toHaveLength(3);
    expect(ballots(holder('Marit'))).toHaveLength(3);
    expect(mocksOf(app.db, own[1]!)).toMatchObject([
      { id: 'b', date: '2026-12-28', place: 'parish hall', draw }
    ]);
    takeBack(undo);
    expect(mocksOf(app.db, own[1]!)).toMatchObject([{ id: 'b', date: '2026-12-30', place: 'room 2' }]);
  });

  it('refuses a day that is over, a night, and too many', () => {
    expect(codeOf(() => prepare({ date: '2026-12-19' }))).toBe('mock-past');
    expect(codeOf(() => prepare({ start: '23:30', eachMin: 30 }))).toBe('evening-late');
    expect(codeOf(() => prepare({ jurors: Array.from({ length: 13 }, (_, i) => `J${i}`) }))).toBe('too-many');
    expect(
      codeOf(() =>
        prepare(
          {},
          Array.from({ length: 25 }, () => own[0]!)
        )
      )
    ).toBe('too-many');
    expect(codeOf(() => prepare({}, [own[0]!, own[0]!]))).toBe('changes-unsound');
    expect(own.map((id) => mocksOf(app.db, id).length)).toEqual([0, 0, 0]);
  });

  it('is played in another order: two change hours and numbers, as long as neither has begun', () => {
    prepare();
    const undo = playEarlier(app, TEACHER, { evening: 'e', mockId: mockOf(own[2]!).id });
    expect(order()).toEqual([
      ['Ada', 1, '18:30'],
      ['Cy', 2, '18:55'],
      ['Bo', 3, '19:20']
    ]);
    takeBack(undo);
    expect(order()[2]).toEqual(['Cy', 3, '19:20']);
    stepMock(app, TEACHER, { mockId: mockOf(own[0]!).id, to: 0 });
    expect(codeOf(() => playEarlier(app, TEACHER, { evening: 'e', mockId: mockOf(own[1]!).id }))).toBe(
      'mock-begun'
    );
    expect(codeOf(() => playEarlier(app, TEACHER, { evening: 'e', mockId: mockOf(own[0]!).id }))).toBe(
      'not-found'
    );
  });

  it('leads from one to the next, and to nobody after the last', () => {
    prepare();
    const next = (auditionId: string) => readMock(app, TEACHER, { mockId: mockOf(auditionId).id }).nextOne;
    expect(next(own[0]!)).toEqual({ mockId: mockOf(own[1]!).id, number: 2, time: '18:55' });
    expect(next(own[2]!)).toBeNull();
  });

  it('given up leaves what has begun; what is moved to another day is none of it any more', () => {
    prepare();
    stepMock(app, TEACHER, { mockId: mockOf(own[0]!).id, to: 0 });
    const moved = { date: '2026-12-29', place: 'room 2', minutes: 20 };
    moveMock(app, TEACHER, { mockId: mockOf(own[1]!).id, booked: moved });
    expect(order()).toHaveLength(2);
    const undo = dropEvening(app, TEACHER, { evening: 'e' });
    expect(order()).toEqual([['Ada', 1, '18:30']]);
    expect(codeOf(() => dropEvening(app, TEACHER, { evening: 'e' }))).toBe('mock-begun');
    takeBack(undo);
    expect(order()).toHaveLength(2);
  });

  it('stands in the studio as one', () => {
    nowMs = Date.parse('2026-12-27T16:00:00Z');
    prepare();
    expect(readStudio(app, TEACHER, {}).mocks.map(({ evening: id }) => id)).toEqual(['e', 'e', 'e']);
  });
});

describe('a juror of an evening', () => {
  it('opens by one link the ballots of all who play, by number, and of nobody else', () => {
    prepare();
    const other = { stage: 3, date: '2026-12-29', place: '', minutes: 20 };
    bookMock(app, TEACHER, {
      auditionId: own[0]!,
      id: 'x',
      booked: other,
      drawing: { count: 1, isInOrder: true }
    });
    const seen = ballots(holder('Marit'));
    expect(seen.map(({ number, time }) => [number, time])).toEqual([
      [1, '18:30'],
      [2, '18:55'],
      [3, '19:20']
    ]);
    expect(JSON.stringify(seen)).not.toMatch(/Ada|Wind band|Jan/);
  });

  it('stays open for the others when the first of the evening is erased', () => {
    prepare();
    const all = links();
    const hears = () => ballots(holder('Marit', all)).map(({ number }) => number);
    const { candidateId } = findAudition(app.db, own[0]!)!;
    eraseCandidate(app, TEACHER, { candidateId, typed: 'Ada' });
    expect(hears()).toEqual([2, 3]);
    for (const auditionId of own.slice(1)) {
      const about = findAudition(app.db, auditionId)!;
      const typed = findCandidate(app.db, about.candidateId)!.name;
      eraseCandidate(app, TEACHER, { candidateId: about.candidateId, typed });
    }
    expect(codeOf(hears)).toBe('link-spent');
  });

  it('writes each of them, and none of another juror’s', () => {
    prepare();
    const all = links();
    const [marit, jan] = [holder('Marit', all), holder('Jan', all)];
    const write = (who: typeof marit, jurorId: string) =>
      putBallot(app, who, {
        jurorId,
        ballot: { item: 0, words: { sound: 'uneven' }, notes: [] },
        device: 'phone'
      });
    for (const { id } of ballots(marit)) write(marit, id);
    expect(evening().jurors).toMatchObject([
      { name: 'Marit', written: 3 },
      { name: 'Jan', written: 0 }
    ]);
    expect(codeOf(() => write(marit, ballots(jan)[0]!.id))).toBe('not-found');
    const { id: mockId } = mockOf(own[0]!);
    for (const to of [0, 1]) stepMock(app, TEACHER, { mockId, to });
    openBallots(app, TEACHER, { mockId });
    expect(codeOf(() => write(marit, ballots(marit)[0]!.id))).toBe('ballots-open');
    write(marit, ballots(marit)[1]!.id);
  });

  it('has no link any more when it is ended, made anew, two days after, or when the evening is given up', () => {
    prepare();
    const [first, again] = [links(), links()];
    expect(codeOf(() => holder('Marit', first))).toBe('link-spent');
    endSeat(app, TEACHER, { evening: 'e', seat: evening().jurors[0]!.seat });
    expect(codeOf(() => holder('Marit', again))).toBe('link-spent');
    const still = again.get('Jan')!;
    nowMs = Date.parse('2026-12-30T23:00:00Z');
    readHolder(app, 'juror', still);
    nowMs = Date.parse('2026-12-31T01:00:00Z');
    expect(codeOf(() => readHolder(app, 'juror', still))).toBe('link-spent');
    nowMs = Date.parse('2026-12-27T16:00:00Z');
    const last = links().get('Jan')!;
    dropEvening(app, TEACHER, { evening: 'e' });
    expect(codeOf(() => readHolder(app, 'juror', last))).toBe('link-spent');
    expect(codeOf(() => endSeat(app, TEACHER, { evening: 'e', seat: 'x' }))).toBe('not-found');
  });

  it('who comes later hears all of it, too; ballots on paper lie juror by juror', () => {
    prepare();
    addSeat(app, TEACHER, { evening: 'e', name: 'Lise' });
    expect(ballots(holder('Lise'))).toHaveLength(3);
    expect(
      readEveningPaper(app, TEACHER, { evening: 'e' }).map(({ juror, number }) => `${juror} ${number}`)
    ).toEqual(['Marit', 'Jan', 'Lise'].flatMap((name) => [1, 2, 3].map((number) => `${name} ${number}`)));
  });
});

describe('in an archive', () => {
  it('a mock of an evening stands by itself: a seat of here opens nothing there, nor one of there here', async () => {
    prepare();
    const archive = exportStudio(app, TEACHER, {});
    expect(JSON.stringify(archive)).not.toMatch(/"(seat|evening)"/);
    // one that was made by hand names them all the same
    const forged = structuredClone(archive);
    const mock = forged.candidates[0]!.auditions[0]!.mocks[0]!;
    Object.assign(mock, { evening: 'e' });
    Object.assign(mock.jurors[0]!, { seat: 's' });
    const there = makeApp(openDb(':memory:'), () => nowMs);
    await importArchive(there, TEACHER, { archive: forged });
    expect(mocksOf(there.db, own[0]!)).toMatchObject([
      { number: 1, jurors: [{ name: 'Marit' }, { name: 'Jan' }] }
    ]);
    expect(JSON.stringify(mocksOf(there.db, own[0]!))).not.toMatch(/"(seat|evening)"/);
  });
});
