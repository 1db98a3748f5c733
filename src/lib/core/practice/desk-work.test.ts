import { describe, expect, it } from 'vitest';
import { DATE, Device, block, dayOfEvents } from '../../../../tests/fixtures/desk-device';
import { dayOf } from '../units';
import { readDeskDay } from './desk';
import { barsOfTask, nextTask, sayTask, spotsOf, standingOf, workNow } from './desk-work';
import { touchesOfDay } from './desk-touch';
import { heldTempo, inTimeOrder } from './held';

describe('a long section in parts', () => {
  const parts = [
    { fromBar: 1, toBar: 4 },
    { fromBar: 5, toBar: 8 }
  ];
  const long = block('a', { parts, isJoined: true });
  const held = (device: Device, from: number, part: number, bpms: readonly number[]) =>
    bpms.forEach((bpm, i) =>
      [0, 1, 2].forEach((n) => device.answer(from + 30 * (3 * i + n), 'a', 'c', bpm, part))
    );

  it('is worked part by part, and run once when each holds', () => {
    const device = new Device().day([long]).begin(0, 'a').answer(20, 'a', 'c', 58);
    held(device, 30, 0, [60, 63, 66]);
    const first = dayOfEvents(device.events);
    expect(standingOf(first, first.blocks[0]!)).toMatchObject({ phase: 'at-rest', heldBpm: 66 });
    expect(nextTask(first, first.blocks[0]!, 0)).toEqual({ part: 1 });
    device.at(400, { kind: 'part', block: 'a', part: 1 });
    const second = dayOfEvents(device.events);
    expect(standingOf(second, second.blocks[0]!)).toMatchObject({ bpm: 60, phase: 'climbing', counted: 0 });
    held(device, 410, 1, [60, 63, 66]);
    const both = dayOfEvents(device.events);
    expect(nextTask(both, both.blocks[0]!, 0)).toEqual({ part: 2 });
    device.at(700, { kind: 'part', block: 'a', part: 2 });
    const all = dayOfEvents(device.events);
    expect(standingOf(all, all.blocks[0]!)).toMatchObject({ bpm: 66, needed: 1 });
    const done = dayOfEvents(device.answer(800, 'a', 'c', 66, 2).end(900, 'a', 900).events);
    expect(nextTask(done, done.blocks[0]!, 0)).toBeNull();
    expect(standingOf(done, done.blocks[0]!)!.phase).toBe('at-rest');
  });

  it('begins with the part that comes first, and goes round', () => {
    const device = new Device().day([{ ...long, firstPart: 1 }]).begin(0, 'a');
    const begun = dayOfEvents(device.events);
    expect(begun.blocks[0]!.run!.task.part).toBe(1);
    expect(workNow(begun, begun.blocks[0]!)).toMatchObject({ isFirstToday: true });
    expect(workNow(begun, begun.blocks[0]!, { part: 0 })).toMatchObject({ isFirstToday: false });
    device.answer(5, 'a', 'c', 58, 1);
    held(device, 10, 1, [60, 63, 66]);
    const after = dayOfEvents(device.events);
    expect(nextTask(after, after.blocks[0]!, 0)).toEqual({ part: 0 });
  });

  it('leaves evidence by which the section is held in parts, run once', () => {
    const device = new Device().day([long]).begin(0, 'a');
    held(device, 30, 0, [66]);
    held(device, 200, 1, [66]);
    const run = device.answer(400, 'a', 'c', 66, 2).end(500, 'a', 500);
    const touches = inTimeOrder(touchesOfDay(dayOfEvents(run.events)));
    expect(touches.map(({ fromBar, toBar, attempts }) => [fromBar, toBar, attempts])).toEqual([
      [1, 4, 'ccc'],
      [5, 8, 'ccc'],
      [1, 8, 'c']
    ]);
    const section = { fromBar: 1, toBar: 8, unit: 'quarter', targetBpm: 80 } as const;
    const rules = { inARow: 3, oneLower: (bpm: number) => bpm - 2, isInterrupted: () => false };
    const whole = { ...section, parts: { bars: parts, under: 70 } };
    expect(heldTempo(touches, whole, whole, rules, dayOf(DATE))).toMatchObject({ bpm: 66, isInParts: true });
    expect(heldTempo(touches, section, section, rules, dayOf(DATE))).toBeNull();
  });
});

describe('spots of a block', () => {
  const [leap, run] = ['leap', 'run'].map((id, i) => ({
    id,
    fromBar: 3 + i,
    toBar: 4 + i,
    issue: 'flat',
    isAsked: false,
    methods: i === 0 ? ['drone', 'sung'] : ['sprint']
  }));
  const spotted = block('a', { spots: [leap!, run!] });
  const begun = () => new Device().day([spotted]).begin(0, 'a');
  const at = (device: Device, seconds: number, mark: 'c' | 'n', bpm: number, task: object) =>
    device.at(seconds, {
      kind: 'move',
      block: 'a',
      move: { kind: mark === 'c' ? 'clean' : 'not-yet' },
      part: 0,
      bpm,
      ...task
    });
  const inHand = (device: Device) => {
    const day = dayOfEvents(device.events);
    return { day, block: day.blocks[0]! };
  };

  it('come before the rung, hardest first, from a click below the section’s tempo up to today’s rung', () => {
    const { day, block: open } = inHand(begun());
    expect(open.run!.task).toEqual({ part: 0, spot: 'leap', method: 'drone' });
    expect(workNow(day, open)).toMatchObject({
      way: [58, 60, 63, 66],
      below: [56],
      heldBpm: null,
      inARow: 3
    });
    expect(standingOf(day, open)).toMatchObject({ bpm: 58, goalBpm: 66, phase: 'climbing' });
    // what it is does not touch where the rung stands
    expect(standingOf(day, open, { part: 0 })).toMatchObject({ bpm: 58, phase: 'leading-up', goalBpm: 66 });
  });

  it('lead on when they hold, or are answered clean when their time is over; and from the last to the rung', () => {
    const device = begun();
    // ten minutes: two spots share five, so each has two and a half
    [10, 20, 30].forEach((s) => at(device, s, 'c', 58, { spot: 'leap', method: 'drone' }));
    const early = inHand(device);
    expect(nextTask(early.day, early.block, 30)).toBeNull();
    expect(nextTask(early.day, early.block, 80)).toEqual({ part: 0, spot: 'leap', method: 'sung' });
    expect(nextTask(early.day, early.block, 150)).toEqual({ part: 0, spot: 'run', method: 'sprint' });
    at(device, 160, 'n', 60, { spot: 'leap', method: 'drone' });
    const late = inHand(device);
    expect(nextTask(late.day, late.block, 160)).toBeNull();
    expect(nextTask(late.day, late.block, 300)).toEqual({ part: 0 });
  });

  it('taken up again after the bars themselves stay in hand until they hold, however late it is', () => {
    const device = begun();
    device.at(305, { kind: 'part', block: 'a', part: 0 });
    at(device, 310, 'c', 58, {});
    device.at(320, { kind: 'part', block: 'a', part: 0, spot: 'leap' });
    at(device, 330, 'c', 58, { spot: 'leap' });
    const { day, block: open } = inHand(device);
    expect(nextTask(day, open, 330)).toBeNull();
  });

  it('that rest are asked once, at the section’s tempo, and lead on whatever the answer', () => {
    const asked = block('a', { spots: [{ ...leap!, isAsked: true, methods: [] }] });
    const device = new Device().day([asked]).begin(0, 'a');
    const before = inHand(device);
    expect(workNow(before.day, before.block)).toMatchObject({ way: [60], inARow: 1 });
    at(device, 9, 'n', 60, { spot: 'leap' });
    const after = inHand(device);
    expect(nextTask(after.day, after.block, 9)).toEqual({ part: 0 });
  });

  it('leave series of their own, with their bars, method and tempo', () => {
    const device = begun();
    at(device, 10, 'c', 58, { spot: 'leap', method: 'drone' });
    at(device, 20, 'n', 58, { spot: 'leap', method: 'sung' });
    device.at(25, { kind: 'part', block: 'a', part: 0 });
    at(device, 40, 'c', 58, {});
    device.end(60, 'a', 60);
    const [touch] = touchesOfDay(dayOfEvents(device.events));
    expect(
      touch!.series!.map(({ fromBar, toBar, spot, method, attempts }) => [
        fromBar,
        toBar,
        spot,
        method,
        attempts
      ])
    ).toEqual([
      [3, 4, 'leap', 'drone', 'c'],
      [3, 4, 'leap', 'sung', 'n'],
      [1, 8, undefined, undefined, 'c']
    ]);
  });

  it('found in the course of the day can be taken up at once', () => {
    const spot = {
      id: 'new',
      itemId: 'etude',
      fromBar: 7,
      toBar: 8,
      issue: 'late',
      notHeld: [],
      foundBy: 'self',
      elsewhere: []
    };
    const device = new Device()
      .day([block('a')])
      .begin(0, 'a')
      .at(5, { kind: 'spot', spot });
    device.at(6, { kind: 'part', block: 'a', part: 0, spot: 'new' });
    const { day, block: open } = inHand(device);
    expect(spotsOf(day, open).map(({ id }) => id)).toEqual(['new']);
    expect(standingOf(day, open)).toMatchObject({ bpm: 58 });
    expect(barsOfTask(day, open)).toEqual({ fromBar: 7, toBar: 8 });
  });
});

describe('a link of a chain', () => {
  const link = { chunk: { fromBar: 5, toBar: 8 }, to: { fromBar: 1, toBar: 4 } };
  const joined = block('l', {
    bars: { fromBar: 1, toBar: 8 },
    parts: [link.chunk],
    isJoined: true,
    link,
    work: { ...block('l').work!, heldBpm: null, way: [80], furtherBpm: null }
  });

  it('is worked by its chunk alone, then over the seam, each as often in a row as the school asks', () => {
    const device = new Device().day([joined]).begin(0, 'l');
    const now = () => {
      const day = readDeskDay(device.events, DATE)!;
      return { day, of: day.blocks[0]! };
    };
    expect(barsOfTask(now().day, now().of)).toEqual(link.chunk);
    for (let n = 1; n <= 3; n += 1) device.answer(n * 10, 'l', 'c', 80);
    expect(nextTask(now().day, now().of, 30)).toEqual({ part: 1 });
    device.at(31, { kind: 'part', block: 'l', part: 1 });
    expect(barsOfTask(now().day, now().of)).toEqual({ fromBar: 1, toBar: 8 });
    expect(sayTask(now().day, now().of, { part: 1 })).toBe('bars 1–8 joined');
    device.answer(40, 'l', 'c', 80, 1);
    expect(standingOf(now().day, now().of)).toMatchObject({ heldBpm: null, needed: 3, counted: 1 });
    device.answer(50, 'l', 'c', 80, 1).answer(60, 'l', 'c', 80, 1);
    expect(standingOf(now().day, now().of)!.heldBpm).toBe(80);
    expect(nextTask(now().day, now().of, 60)).toBeNull();
  });
});
