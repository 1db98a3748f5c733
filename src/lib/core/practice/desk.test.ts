import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { DeskEvent, RoadBlock } from '../record';
import { dayOf } from '../units';
import { asBegun, blockInHand, isAtDrill, mostMinutesOf, readDeskDay, sumOfDay } from './desk';
import { barsOfTask, nextTask, sayTask, spotsOf, standingOf, workNow } from './desk-work';
import { touchesOfDay } from './desk-touch';
import { heldTempo, inTimeOrder } from './held';
import { leaveForLater } from './less-time';

const DATE = '2026-11-24';
const START = Date.parse('2026-11-24T17:00:00Z');

function block(id: string, more: Partial<RoadBlock> = {}): RoadBlock {
  return {
    id,
    kind: 'ladder',
    itemId: 'etude',
    sectionId: 's',
    name: 'Etude',
    bars: { fromBar: 1, toBar: 8 },
    parts: [],
    isJoined: false,
    minutes: 10,
    why: '',
    dueOn: null,
    work: {
      unit: 'quarter',
      targetBpm: 80,
      heldBpm: 60,
      way: [60, 63, 66],
      below: [58, 56],
      furtherBpm: 69,
      inARow: 3
    },
    ...more
  };
}
const warmUp = block('w', {
  kind: 'warm-up',
  itemId: null,
  sectionId: null,
  bars: null,
  work: null,
  minutes: 8
});

/** Events of one device, a number of seconds after the start. */
class Device {
  readonly events: DeskEvent[] = [];
  constructor(
    readonly name = 'tablet',
    readonly date = DATE
  ) {}

  at(seconds: number, event: Record<string, unknown>): this {
    const seq = this.events.length;
    const made = { id: `${this.name}-${seq}`, device: this.name, seq, date: this.date };
    this.events.push({ ...made, atMs: START + seconds * 1000, ...event } as DeskEvent);
    return this;
  }
  day(blocks: readonly RoadBlock[], seconds = 0) {
    return this.at(seconds, { kind: 'day', blocks });
  }
  begin(seconds: number, id: string) {
    return this.at(seconds, { kind: 'begin', block: id });
  }
  answer(seconds: number, id: string, mark: 'c' | 'n', bpm: number, part = 0) {
    return this.at(seconds, {
      kind: 'move',
      block: id,
      move: { kind: mark === 'c' ? 'clean' : 'not-yet' },
      part,
      bpm
    });
  }
  end(seconds: number, id: string, played: number, how = 'next') {
    return this.at(seconds, { kind: 'end', block: id, seconds: played, how });
  }
}
const dayOfEvents = (events: readonly DeskEvent[]) => readDeskDay(events, DATE)!;

/** 58 clean leads up, 60 holds, 63 is begun: two tempos beside the one that led up. */
function played(): Device {
  const device = new Device()
    .day([warmUp, block('a'), block('b')])
    .begin(0, 'w')
    .end(500, 'w', 500);
  device.begin(500, 'a').answer(560, 'a', 'c', 58);
  [600, 630, 660].forEach((at) => device.answer(at, 'a', 'c', 60));
  return device.answer(720, 'a', 'n', 63).answer(780, 'a', 'c', 63).end(1100, 'a', 600);
}

describe('a day at the desk', () => {
  it('follows from its events as a set: in any order, any number of times', () => {
    const { events } = played();
    const once = dayOfEvents(events);
    fc.assert(
      fc.property(fc.shuffledSubarray([...events, ...events], { minLength: events.length * 2 }), (mixed) => {
        expect(dayOfEvents(mixed)).toEqual(once);
      }),
      { numRuns: 50, seed: 7 }
    );
    expect(blockInHand(once)!.id).toBe('b');
    expect(sumOfDay(once)).toBe(28);
  });

  it('leaves out an answer that was taken back, and nothing else', () => {
    const { events } = new Device()
      .day([block('a')])
      .begin(0, 'a')
      .answer(30, 'a', 'c', 58)
      .answer(60, 'a', 'c', 60)
      .answer(90, 'a', 'n', 60);
    const before = standingOf(dayOfEvents(events.slice(0, 4)), dayOfEvents(events.slice(0, 4)).blocks[0]!);
    const undo = { ...events[1]!, id: 'u', seq: 9, atMs: START + 95_000, kind: 'undo', event: events[4]!.id };
    const day = dayOfEvents([...events, undo as DeskEvent]);
    expect(standingOf(day, day.blocks[0]!)).toEqual(before);
    expect(day.blocks[0]!.run!.answers.map(({ mark }) => mark).join('')).toBe('cc');
  });

  it('takes the latest of what is set by hand, and keeps what was begun of another device’s day', () => {
    const tablet = new Device('tablet').day([block('a'), block('b')]);
    const phone = new Device('phone')
      .day([block('c'), block('d')], 5)
      .begin(10, 'c')
      .at(20, { kind: 'set', block: 'a', set: { minutes: 5 } })
      .at(30, { kind: 'set', block: 'b', set: { place: -1 } });
    tablet.at(25, { kind: 'set', block: 'a', set: { minutes: 7 } });
    const day = dayOfEvents([...phone.events, ...tablet.events]);
    expect(day.blocks.map(({ id, minutes }) => [id, minutes])).toEqual([
      ['b', 10],
      ['a', 7],
      ['c', 10]
    ]);
  });

  it('takes up in a later block what an earlier one brought to hold, and begins a click below but once', () => {
    const device = played().begin(1200, 'b');
    const day = dayOfEvents(device.events);
    const [, a, b] = day.blocks;
    expect(workNow(day, a!)).toMatchObject({ way: [60, 63, 66], isFirstToday: true });
    expect(standingOf(day, a!)).toMatchObject({ bpm: 63, heldBpm: 60, counted: 1 });
    expect(workNow(day, b!)).toMatchObject({ heldBpm: 60, isFirstToday: false });
    expect(standingOf(day, b!)!.bpm).toBe(60);
  });
});

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

describe('what a day leaves in the log', () => {
  it('is a touch for each block of an item, with a series for each tempo, in seconds of the block', () => {
    const [touch, ...others] = touchesOfDay(dayOfEvents(played().events));
    expect(others).toEqual([]);
    // 600 s from 500 to 1100; by the clock 60 s to the end of 58, 100 more of 60, 120 more of 63: of 280
    expect(touch).toMatchObject({ id: 'a', itemId: 'etude', date: DATE, minutes: 10, fromBar: 1, toBar: 8 });
    expect(touch!.series!.map(({ tempoBpm, attempts, seconds }) => [tempoBpm, attempts, seconds])).toEqual([
      [58, 'c', 128],
      [60, 'ccc', 214],
      [63, 'nc', 258]
    ]);
  });

  it('loses no minute: what is over goes on to the next block, whatever the blocks last', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 20, max: 1500 }), { minLength: 1, maxLength: 9 }), (lengths) => {
        const device = new Device().day(lengths.map((_, i) => block(`b${i}`)));
        let at = 0;
        lengths.forEach((seconds, i) => {
          device.begin(at, `b${i}`).answer(at + 1, `b${i}`, 'c', 60);
          device.end((at += seconds), `b${i}`, seconds);
        });
        const touches = touchesOfDay(dayOfEvents(device.events));
        const minutes = touches.reduce((sum, touch) => sum + touch.minutes, 0);
        // a block that was answered has a minute at least
        const least = lengths.filter((seconds) => seconds < 60).length;
        expect(Math.abs(minutes * 60 - lengths.reduce((a, b) => a + b, 0))).toBeLessThanOrEqual(
          30 + 60 * least
        );
        touches.forEach((touch, i) =>
          expect(touch.series!.reduce((sum, one) => sum + one.seconds, 0)).toBe(lengths[i])
        );
      }),
      { numRuns: 200, seed: 3 }
    );
  });

  it('keeps what did not hold with the attempts that were not yet, so that clean ones after them hold', () => {
    const device = new Device().day([block('a')]).begin(0, 'a');
    ['n', 'n', 'c', 'c', 'c'].forEach((mark, i) => device.answer(30 * (i + 1), 'a', mark as 'c' | 'n', 60));
    const notYet = device.events[2]!.id;
    device.at(200, { kind: 'elements', block: 'a', event: notYet, notHeld: ['air'] });
    device.at(210, { kind: 'elements', block: 'a', event: notYet, notHeld: ['rhythm'] }).end(300, 'a', 300);
    const [touch] = touchesOfDay(dayOfEvents(device.events));
    expect(touch!.series!.map(({ attempts, notHeld }) => [attempts, notHeld])).toEqual([
      ['nn', ['rhythm']],
      ['ccc', undefined]
    ]);
  });

  it('counts only what was between the events while a block goes on, without long gaps', () => {
    const device = new Device()
      .day([block('a')])
      .begin(0, 'a')
      .answer(60, 'a', 'c', 60)
      .answer(4000, 'a', 'c', 60);
    const day = dayOfEvents(device.events);
    // a minute, and four of the hour in which nothing happened
    expect(day.blocks[0]!.run!.seconds).toBe(300);
    expect(touchesOfDay(day)).toEqual([]);
  });
});

describe('a run straight through', () => {
  const sections = [
    { fromBar: 1, toBar: 16, bpm: 88, unit: 'quarter' as const },
    { fromBar: 17, toBar: 30, bpm: 60, unit: 'dotted-quarter' as const }
  ];
  const run = (ran: { isStraight: boolean; isClean: boolean; broke?: [number, number][] }) => {
    const broke = (ran.broke ?? []).map(([fromBar, toBar]) => ({ fromBar, toBar }));
    const device = new Device()
      .day([block('r', { kind: 'run', work: null, bars: null, sections })])
      .begin(0, 'r')
      .at(60, { kind: 'ran', block: 'r', isStraight: false, isClean: false, broke: [] })
      .at(62, { kind: 'ran', block: 'r', ...ran, broke })
      .end(70, 'r', 70);
    const [touch] = touchesOfDay(dayOfEvents(device.events));
    return (touch!.series ?? []).map(({ fromBar, tempoBpm, unit, attempts }) =>
      [fromBar, tempoBpm, unit, attempts].join(' ')
    );
  };

  it('that was clean is one attempt at every section in it, at what it was run at', () => {
    expect(run({ isStraight: true, isClean: true })).toEqual(['1 88 quarter c', '17 60 dotted-quarter c']);
  });

  it('that broke somewhere was clean elsewhere, where it went straight through', () => {
    const broke: [number, number][] = [[16, 16]];
    expect(run({ isStraight: true, isClean: false, broke })).toEqual([
      '1 88 quarter n',
      '17 60 dotted-quarter c'
    ]);
    expect(run({ isStraight: false, isClean: false, broke })).toEqual(['1 88 quarter n']);
  });

  it('of which nobody says where it broke proves nothing', () => {
    expect(run({ isStraight: true, isClean: false })).toEqual([]);
    expect(run({ isStraight: false, isClean: true })).toEqual([]);
  });
});

describe('fresh pages read at sight', () => {
  const reading = block('r', { work: null, bars: null, sectionId: null, kind: 'minutes' });

  it('are logged without a tempo, in the order read, without what was taken back; the shortest block is a minute', () => {
    const device = new Device()
      .at(0, { kind: 'day', blocks: [reading] })
      .at(0, { kind: 'begin', block: 'r' })
      .at(8, { kind: 'page', block: 'r', mark: 'c', scanSeconds: 3 })
      .at(14, { kind: 'page', block: 'r', mark: 'c', scanSeconds: 2 })
      .at(15, { kind: 'undo', block: 'r', event: 'tablet-3' })
      .at(18, { kind: 'page', block: 'r', mark: 'n', scanSeconds: 2 })
      .at(20, { kind: 'end', block: 'r', seconds: 20, how: 'next' });
    expect(touchesOfDay(readDeskDay(device.events, DATE)!)).toEqual([
      {
        ...{ id: 'r', itemId: 'etude', date: DATE, minutes: 1 },
        series: [{ attempts: 'cn', atMs: START, seconds: 20 }]
      }
    ]);
  });
});

describe('less time today', () => {
  const day = asBegun([
    warmUp,
    block('late', { minutes: 12, dueOn: '2026-11-20' }),
    block('soon', { minutes: 15, dueOn: '2026-11-25' }),
    block('rest', { kind: 'rest', itemId: null, work: null, minutes: 5 }),
    block('far', { minutes: 10, dueOn: '2026-12-10' }),
    block('run', { kind: 'run', work: null, minutes: 7 })
  ]);

  it('keeps the warm-up, what is farthest behind and what is due soonest; whole blocks go', () => {
    // 8 + 12 + 15 = 35, and nothing of what is left fits into the other 5
    expect(leaveForLater(day, 40)).toEqual(['rest', 'far', 'run']);
    // 8 + 12, and the run of 7 instead of the 15 that do not fit
    expect(leaveForLater(day, 27)).toEqual(['soon', 'rest', 'far']);
    expect(leaveForLater(day, 57)).toEqual([]);
    expect(leaveForLater(day, 1)).toEqual(day.map(({ id }) => id));
  });

  it('asks no rest of less than an hour’s play, and leaves alone what was begun', () => {
    expect(leaveForLater(day, 52)).toEqual(['rest']);
    const begun = day.map((one) => (one.id === 'run' ? { ...one, run: {} as never } : one));
    expect(leaveForLater(begun, 1)).not.toContain('run');
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

describe('a drill', () => {
  const drilled = block('d', { drillMin: 3 });

  it('goes on until the bars are taken up, whatever the clock says, and is not come back to', () => {
    const device = new Device().day([drilled]);
    const isThere = () => isAtDrill(readDeskDay(device.events, DATE)!.blocks[0]!);
    expect(isThere()).toBe(false);
    device.begin(0, 'd');
    expect(isThere()).toBe(true);
    device.at(200, { kind: 'part', block: 'd', part: 0 });
    expect(isThere()).toBe(false);
    expect(
      isAtDrill(readDeskDay(new Device().day([block('x')]).begin(0, 'x').events, DATE)!.blocks[0]!)
    ).toBe(false);
  });
});

it('something liked is no longer than five minutes', () => {
  expect([mostMinutesOf({ kind: 'liked' }), mostMinutesOf({ kind: 'ladder' })]).toEqual([5, 360]);
});

it('what is liked is left before what is due, when there is less time', () => {
  const liked = block('x', { kind: 'liked', itemId: null, work: null, minutes: 5 });
  expect(leaveForLater(asBegun([liked, block('a', { minutes: 10 })]), 10)).toEqual(['x']);
});

it('what happened on another day is not of this one', () => {
  const today = new Device()
    .day([block('a')])
    .begin(0, 'a')
    .answer(10, 'a', 'c', 60);
  const other = new Device('other', '2026-11-23')
    .day([block('a')])
    .begin(0, 'a')
    .answer(20, 'a', 'n', 60);
  const { blocks } = readDeskDay([...other.events, ...today.events], DATE)!;
  expect(blocks[0]!.run!.answers.map(({ mark }) => mark)).toEqual(['c']);
});
