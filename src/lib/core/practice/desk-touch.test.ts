import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DATE, Device, START, block, dayOfEvents, played } from '../../../../tests/fixtures/desk-device';
import { readDeskDay } from './desk';
import { touchesOfDay } from './desk-touch';

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
