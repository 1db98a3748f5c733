import { describe, expect, it } from 'vitest';
import { blockInHand, readDeskDay } from '$lib/core/practice';
import type { DeskEvent, RoadBlock } from '$lib/core/record';
import { faceOf } from './desk-face';

const DATE = '2026-11-24';
/** A block as it stands once it was begun. */
function begun(more: Partial<RoadBlock>) {
  const block: RoadBlock = {
    ...{ id: 'b', kind: 'warm-up', itemId: null, sectionId: null, name: 'Warm-up', bars: null, parts: [] },
    ...{ isJoined: false, minutes: 5, why: '', dueOn: null, work: null },
    ...more
  };
  const made = (seq: number) => ({ id: `${seq}`, device: 'd', seq, atMs: seq, date: DATE });
  const events: DeskEvent[] = [
    { ...made(0), kind: 'day', blocks: [block] },
    { ...made(1), kind: 'begin', block: 'b' }
  ];
  return blockInHand(readDeskDay(events, DATE)!);
}
const AT_HAND = {
  ...{ item: null, standing: null, isHunt: false, isRunning: false, isLeaving: false, isTimeUp: false }
};

describe('the face of the block in hand', () => {
  it('is timed where there is nothing to answer, and its end once it is left or its time is up', () => {
    const block = begun({});
    expect(faceOf({ ...AT_HAND, block: null })).toBe('first');
    expect(faceOf({ ...AT_HAND, block })).toBe('timed');
    expect(faceOf({ ...AT_HAND, block, isLeaving: true })).toBe('end');
    expect(faceOf({ ...AT_HAND, block, isTimeUp: true })).toBe('end');
  });

  it('is a run or a hunt as long as its music lasts, whatever the clock says', () => {
    const item = { kind: 'etude' } as const;
    const run = begun({ kind: 'run', itemId: 'i' });
    expect(faceOf({ ...AT_HAND, block: run, item, isTimeUp: true })).toBe('run');
    const probe = begun({ kind: 'probe', itemId: 'i' });
    expect(faceOf({ ...AT_HAND, block: probe, item, isHunt: true, isTimeUp: true })).toBe('hunt');
  });

  it('is one of fresh pages for sight-reading', () => {
    const block = begun({ kind: 'minutes', itemId: 'i' });
    expect(faceOf({ ...AT_HAND, block, item: { kind: 'sight-reading' } })).toBe('reading');
  });
});
