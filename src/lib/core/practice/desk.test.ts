import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { DeskEvent } from '../record';
import {
  DATE,
  Device,
  START,
  block,
  dayOfEvents,
  played,
  warmUp
} from '../../../../tests/fixtures/desk-device';
import { asBegun, blockInHand, isAtDrill, mostMinutesOf, readDeskDay, sumOfDay } from './desk';
import { standingOf, workNow } from './desk-work';
import { leaveForLater } from './less-time';

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
