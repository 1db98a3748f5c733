import { describe, expect, it } from 'vitest';
import { Door } from './door';

/** A door whose clock stands, and how long each has to wait at it. */
function open() {
  let nowMs = 1_000_000;
  const waits: number[] = [];
  const door = new Door(
    () => nowMs,
    (ms) => {
      waits.push(ms);
      return Promise.resolve();
    }
  );
  const come = async (count: number, address = '10.0.0.1') =>
    Promise.all(Array.from({ length: count }, () => door.enter(address)));
  return { come, waits, pass: (ms: number) => (nowMs += ms) };
}

describe('the door', () => {
  it('lets four in at once, and then four a second in their turn', async () => {
    const { come, waits } = open();
    expect(await come(7)).toEqual([true, true, true, true, true, true, true]);
    expect(waits).toEqual([250, 500, 750]);
  });

  it('tells who would wait longer than eight seconds to come again, after a second', async () => {
    const { come, waits } = open();
    const answers = await come(60);
    // four at once and 32 quarters of a second
    expect(answers.filter(Boolean)).toHaveLength(4 + 32);
    expect(waits.slice(-24)).toEqual(Array(24).fill(1000));
  });

  it('keeps nobody waiting for another address, and nobody for what is long over', async () => {
    const { come, waits, pass } = open();
    await come(30);
    waits.length = 0;
    expect(await come(4, '10.0.0.2')).toEqual([true, true, true, true]);
    pass(60_000);
    expect(await come(4)).toEqual([true, true, true, true]);
    expect(waits).toEqual([]);
  });

  it('forgets addresses whose turn is over', async () => {
    const { come, waits, pass } = open();
    for (let n = 0; n < 1100; n += 1) await come(1, `10.1.${n >> 8}.${n & 255}`);
    pass(60_000);
    await come(1, '10.0.0.1');
    expect(waits).toEqual([]);
  });
});
