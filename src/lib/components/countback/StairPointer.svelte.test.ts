import { fireEvent, render, screen } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import type { PlannedSection } from '$lib/core/season';
import StairPointer from './StairPointer.svelte';
import { timeAxis } from './time-axis';

const SECTION: PlannedSection = {
  id: 's',
  fromBar: 1,
  toBar: 16,
  unit: 'quarter',
  targetBpm: 100,
  held: null,
  startBpm: 50,
  says: ''
};
const DATES = ['2026-12-04', '2026-12-14', '2026-12-24'];
const steps = DATES.map((date, i) => ({ date, sectionId: 's', bpm: 60 + 20 * i, clicksBelow: 10 - 5 * i }));

function draw() {
  const opened: string[] = [];
  // 24 November to 3 January, a per cent of the width for 0.4 days
  const axis = timeAxis('2026-11-24', '2026-11-24', '2027-01-03');
  const { container } = render(StairPointer, {
    ...{ name: 'Study', sections: [SECTION], steps, axis, scale: 4 },
    onOpen: (rung: string) => opened.push(rung)
  });
  const tip = () => container.querySelector('.tip')?.textContent ?? null;
  return { opened, tip, slider: screen.getByRole('slider'), strip: container.querySelector('.strip')! };
}

describe('the rungs of the stairs', () => {
  it('are gone through by arrows, said, and opened', async () => {
    const { slider, tip, opened } = draw();
    await fireEvent.focus(slider);
    expect(tip()).toBe('60 by Fri 4 Dec');
    for (const key of ['ArrowRight', 'ArrowUp', 'ArrowRight']) await fireEvent.keyDown(slider, { key });
    expect(slider.getAttribute('aria-valuenow')).toBe('3');
    expect(slider.getAttribute('aria-valuetext')).toBe('100 by Thu 24 Dec');
    await fireEvent.keyDown(slider, { key: 'ArrowLeft' });
    expect(tip()).toBe('80 by Mon 14 Dec');
    await fireEvent.keyDown(slider, { key: 'Enter' });
    expect(opened).toEqual(['s 80']);
    await fireEvent.keyDown(slider, { key: 'Escape' });
    expect(tip()).toBeNull();
  });

  it('are pointed at anywhere on the strip: the nearest by its date is said, and arrows go on from there', async () => {
    const { slider, strip, tip } = draw();
    strip.getBoundingClientRect = () => ({ left: 0, top: 0, width: 400, height: 60 }) as DOMRect;
    await fireEvent.pointerMove(strip, { clientX: 210, clientY: 40, pointerType: 'mouse' });
    expect(tip()).toBe('80 by Mon 14 Dec');
    await fireEvent.click(strip);
    expect(document.activeElement).toBe(slider);
    await fireEvent.keyDown(slider, { key: 'ArrowRight' });
    expect(tip()).toBe('100 by Thu 24 Dec');
  });
});
