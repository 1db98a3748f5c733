import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { Pair } from './pair.svelte';

vi.mock('$lib/workers/wave.client', () => ({ loudnessOf: () => Promise.resolve([-20, -20]) }));

type Started = { readonly whenS: number; readonly offsetS: number };
let clockS: number;
let started: Started[];
let stoppedAtS: number[];

/** A context whose clock stands where the test puts it, and that says what was begun when. */
beforeEach(() => {
  [clockS, started, stoppedAtS] = [10, [], []];
  const param = () => ({
    value: 1,
    setValueAtTime() {},
    linearRampToValueAtTime() {},
    cancelScheduledValues() {}
  });
  class Node {
    readonly gain = param();
    onended: (() => void) | null = null;
    connect = (to: unknown) => to;
    start = (whenS: number, offsetS: number) => void started.push({ whenS, offsetS });
    stop = (whenS: number) => void stoppedAtS.push(whenS);
  }
  class Context {
    readonly destination = {};
    get currentTime() {
      return clockS;
    }
    decodeAudioData = () => Promise.resolve({ duration: 60 });
    resume = () => Promise.resolve();
    close = () => Promise.resolve();
  }
  vi.stubGlobal('AudioContext', Context);
  vi.stubGlobal('AudioBufferSourceNode', Node);
  vi.stubGlobal('GainNode', Node);
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(new ArrayBuffer(4))));
  vi.stubGlobal('requestAnimationFrame', () => 0);
  vi.stubGlobal('cancelAnimationFrame', () => {});
});
afterEach(() => vi.unstubAllGlobals());

/** The second was played a quarter faster, and its music begins half a second in. */
const inSecond = (atMs: number) => 500 + atMs * 0.8;

it('one take goes over to the other at the same music to within 5 ms, however late the picture is, and the first ends as it begins', async () => {
  const pair = new Pair((from, atMs) => (from === 0 ? inSecond(atMs) : (atMs - 500) / 0.8));
  await pair.open(['/a', '/b'], new AbortController().signal);
  pair.toggle();
  const first = started[0]!;
  expect(first.offsetS).toBe(0);
  // a picture drawn, and then half a second without one
  clockS = 14.5;
  pair.change(1);
  const second = started[1]!;
  const firstThenMs = (second.whenS - first.whenS + first.offsetS) * 1000;
  expect(Math.abs(second.offsetS * 1000 - inSecond(firstThenMs))).toBeLessThan(5);
  expect(second.whenS).toBeGreaterThan(clockS);
  expect(stoppedAtS[0]! - second.whenS).toBeCloseTo(0.02, 6);
  // and back again
  clockS = 17.25;
  pair.change(0);
  const third = started[2]!;
  const secondThenMs = (third.whenS - second.whenS + second.offsetS) * 1000;
  expect(Math.abs(inSecond(third.offsetS * 1000) - secondThenMs)).toBeLessThan(5);
});
