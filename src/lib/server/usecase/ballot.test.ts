import { beforeEach, describe, expect, it } from 'vitest';
import {
  ballotOf,
  book,
  holder,
  invite,
  mockNow,
  openMockStudio,
  playAll,
  write
} from '../../../../tests/fixtures/mock-studio';
import { codeOf, TEACHER } from '../../../../tests/fixtures/small-studio';
import type { App, Who } from '../app';
import { settleNote, takeBallotHere, readBallots } from './ballot';
import { endJuror, inviteJuror, openBallots } from './jurors';
import { drawAgain, moveMock } from './mocks';
import { readSpotPage } from './spots';

const HOUR_MS = 3_600_000;
let nowMs: number;
let app: App;
let candidateId: string;
let auditionId: string;
let ada: Who;
beforeEach(() => {
  nowMs = Date.parse('2026-11-24T16:00:00Z');
  ({ app, candidateId, auditionId, ada } = openMockStudio(() => nowMs));
  nowMs = Date.parse('2026-12-20T16:00:00Z');
});

describe('a ballot', () => {
  beforeEach(() => void book(app, auditionId));

  it('says the number and the bars, and nothing of the person', () => {
    const view = ballotOf(app, invite(app, 'Marit'));
    expect(view).toMatchObject({ number: mockNow(app).number, at: null });
    expect(view.items).toHaveLength(2);
    expect(JSON.stringify(view)).not.toMatch(/Ada|oboe|Wind band/);
    expect(JSON.stringify(view)).not.toContain(candidateId);
  });

  it('is written again instead of before, each juror their own, and of the bars that are heard alone', () => {
    const [one, two] = [invite(app, 'Marit'), invite(app, 'Jan')];
    write(app, one, { words: { rhythm: 'uneven' } });
    write(app, one, { words: { rhythm: 'not yet' }, notes: [{ fromBar: 3, toBar: 4, says: 'rushes' }] });
    write(app, two, { words: { rhythm: 'carries' } });
    expect(ballotOf(app, one).ballot).toEqual([
      { item: 0, words: { rhythm: 'not yet' }, notes: [{ fromBar: 3, toBar: 4, says: 'rushes' }] }
    ]);
    expect(codeOf(() => write(app, one, { notes: [{ fromBar: 3, toBar: 90, says: 'x' }] }))).toBe(
      'changes-unsound'
    );
    expect(codeOf(() => write(app, one, { words: { voicing: 'carries' } }))).toBe('changes-unsound');
    expect(codeOf(() => write(app, one, { item: 2 }))).toBe('not-found');
  });

  it('is written on one device at a time: on another it goes on once it is opened there', () => {
    const one = invite(app, 'Marit');
    const isElsewhere = (device?: string) => readBallots(app, holder(app, one), { device }).isElsewhere;
    const open = (device: string) => takeBallotHere(app, holder(app, one), { device }).wasElsewhere;
    expect(open('phone')).toBe(false);
    write(app, one, { words: { rhythm: 'uneven' } });
    expect([isElsewhere('phone'), isElsewhere('tablet'), isElsewhere()]).toEqual([false, true, false]);
    expect(codeOf(() => write(app, one, {}, 'tablet'))).toBe('ballot-moved');
    expect(open('tablet')).toBe(true);
    expect(ballotOf(app, one).ballot).toMatchObject([{ words: { rhythm: 'uneven' } }]);
    // what the first still had to send overwrites nothing
    expect(codeOf(() => write(app, one, { words: { rhythm: 'carries' } }))).toBe('ballot-moved');
    write(app, one, { words: { rhythm: 'not yet' } }, 'tablet');
    expect(ballotOf(app, one).ballot).toMatchObject([{ words: { rhythm: 'not yet' } }]);
    expect([open('tablet'), open('phone')]).toEqual([false, true]);
    // another link for the same juror begins anew
    const again = inviteJuror(app, TEACHER, { mockId: 'm', name: '', jurorId: mockNow(app).jurors[0]!.id });
    expect(takeBallotHere(app, holder(app, again), { device: 'third' })).toEqual({ wasElsewhere: false });
  });

  it('goes along with its mock to another day, and what was written of another draw is gone', () => {
    const one = invite(app, 'Marit');
    moveMock(app, TEACHER, { mockId: 'm', booked: { date: '2027-01-04', place: 'hall', minutes: 45 } });
    nowMs = Date.parse('2027-01-05T12:00:00Z');
    expect(codeOf(() => write(app, one, { words: { rhythm: 'uneven' } }))).toBeNull();
    drawAgain(app, TEACHER, { mockId: 'm', drawing: { count: 2, isInOrder: true } });
    expect(ballotOf(app, one).ballot).toEqual([]);
  });

  it('ends two days after its mock, or when it is ended, or when all are read', () => {
    const one = invite(app, 'Marit');
    const two = invite(app, 'Jan');
    endJuror(app, TEACHER, { mockId: 'm', jurorId: mockNow(app).jurors[1]!.id });
    expect(codeOf(() => write(app, two))).toBe('link-spent');
    nowMs = Date.parse('2026-12-31T00:00:00Z') - HOUR_MS;
    expect(codeOf(() => write(app, one))).toBeNull();
    playAll(app);
    openBallots(app, TEACHER, { mockId: 'm' });
    expect(codeOf(() => write(app, one))).toBe('ballots-open');
    nowMs += 2 * HOUR_MS;
    expect(codeOf(() => write(app, one))).toBe('link-spent');
  });

  it('is read by nobody until all has been played and the teacher opens them', () => {
    write(app, invite(app, 'Marit'), { words: { rhythm: 'uneven' } });
    expect(mockNow(app).jurors[0]!.ballot).toEqual([]);
    expect(codeOf(() => openBallots(app, TEACHER, { mockId: 'm' }))).toBe('mock-goes-on');
    playAll(app);
    expect(codeOf(() => openBallots(app, ada, { mockId: 'm' }))).toBe('not-allowed');
    openBallots(app, TEACHER, { mockId: 'm' });
    expect(mockNow(app).jurors[0]!.ballot).toEqual([{ item: 0, words: { rhythm: 'uneven' }, notes: [] }]);
  });

  it('has remarks that become spots, or are let go of, each once', () => {
    const notes = [
      { fromBar: 3, toBar: 4, says: 'rushes' },
      { fromBar: 6, toBar: 6, says: 'low' }
    ];
    write(app, invite(app, 'Marit'), { notes });
    playAll(app);
    openBallots(app, TEACHER, { mockId: 'm' });
    const about = { mockId: 'm', jurorId: mockNow(app).jurors[0]!.id, item: 0 };
    const settle = (note: number, isTaken: boolean) => settleNote(app, ada, { ...about, note, isTaken });
    settle(0, true);
    settle(0, true);
    settle(1, false);
    expect(
      readSpotPage(app, ada, { auditionId }).spots.map(({ fromBar, toBar, issue, foundBy }) => [
        fromBar,
        toBar,
        issue,
        foundBy
      ])
    ).toEqual([[3, 4, 'rushes', 'juror']]);
  });
});
