import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Move, type Work, standAfter } from './tempo-moves';

/** 60 holds; today's rung is 69, by single clicks; 72 comes after it. */
const WORK: Work = {
  heldBpm: 60,
  way: [60, 63, 66, 69],
  below: [58, 56, 54],
  furtherBpm: 72,
  inARow: 3,
  isFirstToday: false
};
/** c clean, n not yet, u time is up, y one further, x without it, - the last attempt is left out, + more minutes. */
const MOVES: Readonly<Record<string, Move>> = {
  c: { kind: 'clean' },
  n: { kind: 'not-yet' },
  u: { kind: 'time-is-up' },
  y: { kind: 'further', isTaken: true },
  x: { kind: 'further', isTaken: false },
  '-': { kind: 'leave-it' },
  '+': { kind: 'go-on' }
};
const play = (moves: string, more: Partial<Work> = {}) =>
  standAfter(
    { ...WORK, ...more },
    [...moves].map((sign) => MOVES[sign]!)
  );

describe('the tempo at work', () => {
  it('begins at what holds, on the day’s first work a click below it, where one clean attempt leads up', () => {
    expect(play('')).toMatchObject({ bpm: 60, phase: 'climbing', needed: 3 });
    expect(play('', { isFirstToday: true })).toMatchObject({ bpm: 58, phase: 'leading-up', needed: 1 });
    expect(play('c', { isFirstToday: true })).toMatchObject({ bpm: 60, phase: 'climbing', counted: 0 });
    expect(play('nn', { isFirstToday: true })).toMatchObject({ bpm: 56, phase: 'leading-up' });
    // where nothing holds there is nothing to lead up to
    expect(play('', { isFirstToday: true, heldBpm: null })).toMatchObject({ bpm: 60, needed: 3 });
  });

  it('goes up a step when so many in a row were clean, and counts anew at every tempo and after “not yet”', () => {
    expect(play('cc')).toMatchObject({ bpm: 60, counted: 2 });
    expect(play('ccc')).toMatchObject({ bpm: 63, counted: 0, heldBpm: 60 });
    expect(play('cccccnccc')).toMatchObject({ bpm: 66, heldBpm: 63 });
    expect(play('cccccncc')).toMatchObject({ bpm: 63, counted: 2 });
  });

  it('counts so many among the last so many, where the school says so', () => {
    expect(play('cncc', { among: 4 }).bpm).toBe(63);
    expect(play('cnncc', { among: 4, back: 'stay' }).bpm).toBe(60);
    expect(play('cncnc', { among: 5 }).bpm).toBe(63);
  });

  it('leads down after two “not yet” in a row at one tempo, as the school says', () => {
    expect(play('cccccc' + 'nn').bpm).toBe(63);
    expect(play('cccccc' + 'ncn').bpm).toBe(66);
    expect(play('cccccc' + 'nn', { back: 'stay' }).bpm).toBe(66);
    expect(play('cccccc' + 'nn' + 'nn', { back: 'held' })).toMatchObject({ bpm: 60, heldBpm: 63 });
    expect(play('nnnn').bpm).toBe(56);
    // no setting is slower than the last of them
    expect(play('nnnnnnnnnn').bpm).toBe(54);
    // from below it comes up again by the way
    expect(play('nn' + 'ccc').bpm).toBe(60);
  });

  it('climbs a zigzag two up and one back, and what holds is the highest that held', () => {
    const zigzag = { way: [60, 58, 63, 60, 66, 63, 69] };
    expect(play('ccc', zigzag)).toMatchObject({ bpm: 58, heldBpm: 60 });
    expect(play('ccc'.repeat(4), zigzag)).toMatchObject({ bpm: 66, heldBpm: 63 });
    // back to the nearest slower before it, which is the one it came from
    expect(play('ccc'.repeat(4) + 'nn', zigzag)).toMatchObject({ bpm: 60, at: 3 });
  });

  it('offers one further once today’s rung holds, once, and never goes above without it', () => {
    const there = 'ccc'.repeat(4);
    expect(play(there)).toMatchObject({ phase: 'offer', bpm: 69, heldBpm: 69 });
    expect(play(there + 'x')).toMatchObject({ phase: 'at-rest', bpm: 69 });
    expect(play(there + 'y')).toMatchObject({ phase: 'further', bpm: 72 });
    expect(play(there + 'yccc')).toMatchObject({ phase: 'at-rest', heldBpm: 72 });
    expect(play(there + 'ynn')).toMatchObject({ phase: 'at-rest', bpm: 69, heldBpm: 69 });
    // to go on playing is not to take it, and it is not asked again
    expect(play(there + 'cccccc')).toMatchObject({ phase: 'at-rest', bpm: 69 });
    expect(play(there, { furtherBpm: null }).phase).toBe('at-rest');
  });

  it('ends on a success: after “not yet” one attempt a click lower is asked, once, or left out', () => {
    expect(play('ccu').phase).toBe('ended');
    expect(play('u').phase).toBe('ended');
    expect(play('cccccc' + 'nu')).toMatchObject({ phase: 'ending', bpm: 63, needed: 1 });
    // it has been led down since: the click lower is where it stands
    expect(play('cccccc' + 'nnu')).toMatchObject({ phase: 'ending', bpm: 63 });
    expect(play('nuc').phase).toBe('ended');
    expect(play('nun').phase).toBe('ended');
    expect(play('nu-').phase).toBe('ended');
    expect(play('nuncccc')).toEqual(play('nun'));
  });

  it('goes on where more minutes are taken, and asks for no second end', () => {
    expect(play('cccccc' + 'nnuc+')).toMatchObject({ phase: 'climbing', bpm: 63, counted: 0, heldBpm: 63 });
    expect(play('cccccc' + 'nnuc+' + 'nu').phase).toBe('ended');
    // today's rung holds, and one further was offered already
    expect(play('ccc'.repeat(4) + 'xu+')).toMatchObject({ phase: 'at-rest', bpm: 69 });
    expect(play('cc+')).toMatchObject({ counted: 2 });
  });

  it('takes a tempo by hand, up to today’s rung', () => {
    const byHand = (bpm: number) => standAfter(WORK, [{ kind: 'by-hand', bpm }]);
    expect(byHand(52)).toMatchObject({ bpm: 52, at: -1 });
    expect(byHand(90)).toMatchObject({ bpm: 69, at: 3 });
    const clean: Move = { kind: 'clean' };
    expect(standAfter(WORK, [{ kind: 'by-hand', bpm: 64 }, clean, clean, clean]).bpm).toBe(66);
  });

  it('over random moves keeps under today’s rung unless one further was taken, and always comes to an end', () => {
    const sign = fc.constantFrom('c', 'c', 'c', 'n', 'n', 'x', 'y', 'u', '-', '+', 'h');
    const school = fc.constantFrom<Partial<Work>>(
      {},
      { among: 5 },
      { back: 'held' },
      { back: 'stay' },
      { isFirstToday: true },
      { way: [60, 58, 63, 60, 66, 63, 69] },
      { way: [69], below: [] },
      { inARow: 1, furtherBpm: null }
    );
    fc.assert(
      fc.property(fc.array(sign, { maxLength: 60 }), school, (signs, more) => {
        const work = { ...WORK, ...more };
        const moves = signs.map((s): Move => MOVES[s] ?? { kind: 'by-hand', bpm: 75 });
        let isTaken = false;
        moves.forEach((move, i) => {
          const before = standAfter(work, moves.slice(0, i));
          const now = standAfter(work, moves.slice(0, i + 1));
          isTaken ||= before.phase === 'offer' && move.kind === 'further' && move.isTaken;
          expect(now.bpm).toBeLessThanOrEqual(isTaken ? 72 : 69);
          expect(now.counted).toBeLessThanOrEqual(now.needed);
          if (before.phase === 'ended' && move.kind !== 'go-on') expect(now).toEqual(before);
          // what is still short of a hold, or of the end, is never counted full
          if (now.phase !== 'ended') expect(now.counted).toBeLessThan(now.needed);
          if (move.kind === 'time-is-up') {
            const isOpen = before.last?.mark === 'n' && !before.wasEndAsked && before.phase !== 'ended';
            const hasLower = [...work.way, ...work.below].some((bpm) => bpm < (before.last?.bpm ?? 0));
            expect(now.phase).toBe(isOpen && hasLower ? 'ending' : 'ended');
          }
        });
        const after = (end: Move[]) => standAfter(work, [...moves, { kind: 'time-is-up' }, ...end]);
        expect(after([{ kind: 'not-yet' }]).phase).toBe('ended');
        expect(after([{ kind: 'leave-it' }]).phase).toBe('ended');
      }),
      { numRuns: 400, seed: 15 }
    );
  });
});
