import { describe, expect, it } from 'vitest';
import type { Step } from '$lib/core/season';
import { ROW_TOP, labelled, pxPerClick, rowHeight, seen, stairPath } from './stair-shape';
import { timeAxis } from './time-axis';

const axis = timeAxis('2026-11-24', '2026-11-24', '2027-01-03'); // forty days, 2.5 % a day
const step = (date: string, clicksBelow: number, bpm = 60): Step => ({
  date,
  sectionId: 's',
  bpm,
  clicksBelow
});
const item = (plannedSteps: Step[], heldSteps: Step[] = []) => ({
  id: 'a',
  forAudition: null,
  alsoFor: null,
  composer: '',
  fromBar: 1,
  toBar: 8,
  heldSteps,
  heldSections: [],
  plannedSteps,
  heldSince: null
});

describe('stairs', () => {
  it('are level until the next step and then go up', () => {
    const path = stairPath([step('2026-11-24', 4), step('2026-12-04', 2)], axis.dayZero, axis, 5);
    expect(path).toBe(`M0.00 ${(ROW_TOP + 20).toFixed(1)}H25.00V${(ROW_TOP + 10).toFixed(1)}H100.00`);
    expect(stairPath([], axis.dayZero, axis, 5)).toBe('');
  });

  it('hang on one scale that the farthest item sets', () => {
    const far = item([step('2026-11-24', 20)]);
    expect(pxPerClick([item([step('2026-11-24', 2)]), far], axis.from)).toBeCloseTo(38 / 20, 6);
    expect(pxPerClick([item([step('2026-11-24', 1)])], axis.from)).toBe(6);
    expect(rowHeight(far, 2, axis.from)).toBeGreaterThan(
      rowHeight(item([step('2026-11-24', 2)]), 2, axis.from)
    );
  });

  it('begin where the axis begins with what stood there', () => {
    const old = [step('2026-10-01', 9), step('2026-11-01', 7), step('2026-11-26', 5)];
    expect(seen(old, axis.from).map((s) => s.clicksBelow)).toEqual([7, 5]);
  });

  it('bear labels only where there is room, the later ones first', () => {
    const steps = ['2026-12-01', '2026-12-02', '2026-12-10', '2026-12-12'].map((d, i) =>
      step(d, 9 - i, 60 + i)
    );
    expect(labelled(steps, axis, 6).map((s) => s.date)).toEqual(['2026-12-02', '2026-12-12']);
    expect(labelled(steps, axis, 2).map((s) => s.bpm)).toEqual([60, 61, 62, 63]);
  });
});
