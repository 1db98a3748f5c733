/** The demo's mocks: three that are behind, whose jurors do not agree, and those that are booked. */
import type { MockWord } from '../../core/record/words';
import { formatDate } from '../../core/units';
import type { App, Who } from '../app';
import { readHolder } from '../grant/grant';
import { readSeason } from '../laying/facts';
import { findMock, putMock } from '../store/mock';
import { putBallot, readBallots, settleNote } from '../usecase/ballot';
import { inviteJuror, openBallots } from '../usecase/jurors';
import { makeMock } from '../usecase/mock-rules';
import { stepMock } from '../usecase/mocks';
import type { DemoMock } from './shape';

type Player = { readonly auditionId: string };

const bookedOf = ({ stage, inDays, time, place, minutes }: DemoMock, today: number) => ({
  stage,
  date: formatDate(today + inDays),
  time,
  place,
  minutes
});

/** Those ahead take their minutes from the season from its beginning on; they are drawn when it has been practised. */
export function reserveMock(app: App, today: number, { auditionId }: Player, mock: DemoMock): void {
  const empty = {
    number: 1,
    seed: 0,
    draw: [],
    at: null,
    sinceMs: null,
    broken: [],
    played: [],
    isOpened: false,
    jurors: []
  };
  if (mock.inDays >= 0) putMock(app.db, auditionId, { id: mock.id, ...bookedOf(mock, today), ...empty });
}

/** Books one, and where its day is over plays it to its end: each juror writes a word an element of each item, and remarks in its first bars. */
export function playMock(
  on: (day: number) => App,
  today: number,
  teacher: Who,
  player: Player,
  mock: DemoMock
): void {
  const { id, inDays, count, jurors } = mock;
  const app = on(Math.min(today, today + inDays));
  const booked = bookedOf(mock, today);
  // the season is laid once, when the demo's day begins
  const drawing = { count, isInOrder: false };
  const season = readSeason(app, player.auditionId);
  putMock(app.db, player.auditionId, makeMock(app, season, { id, booked, drawing }));
  const tokens = jurors.map(({ name }) => inviteJuror(app, teacher, { mockId: id, name, jurorId: null }));
  if (inDays >= 0) return;
  const { draw } = findMock(app.db, id)!;
  jurors.forEach(({ says, remarks = [] }, i) => {
    const holder = readHolder(app, 'juror', tokens[i]!);
    const jurorId = readBallots(app, holder, {}).ballots[0]!.id;
    draw.forEach(({ fromBar, toBar }, item) => {
      const words = Object.fromEntries(
        Object.entries(says).map(([element, by]): [string, MockWord] => [element, by[item % by.length]!])
      );
      const notes = remarks
        .filter((remark) => remark.item === item && fromBar + remark.bar <= toBar)
        .map(({ bar, words: heard }) => ({ fromBar: fromBar + bar, toBar: fromBar + bar, says: heard }));
      putBallot(app, holder, { jurorId, ballot: { item, words, notes }, device: 'demo' });
    });
  });
  for (let to = 0; to <= draw.length; to += 1) stepMock(app, teacher, { mockId: id, to });
  openBallots(app, teacher, { mockId: id });
  const heard = findMock(app.db, id)!.jurors[0]!;
  const place0 = heard.ballot.find(({ notes }) => notes.length > 0)?.item;
  if (place0 !== undefined)
    settleNote(app, teacher, { mockId: id, jurorId: heard.id, item: place0, note: 0, isTaken: true });
}
