import { render } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import type { PlannedSection } from '$lib/core/season';
import BarStrip from './BarStrip.svelte';

const section = (held: number | null): PlannedSection => ({
  id: 's',
  fromBar: 33,
  toBar: 48,
  unit: 'quarter',
  targetBpm: 100,
  held: held === null ? null : { bpm: held, on: '2026-11-20', isAged: false, evidence: 'self' },
  startBpm: 50,
  says: held === null ? 'no evidence for bars 33–48' : `holds at ${held}`
});
const draw = (barsPerLine: string, held: number | null) =>
  render(BarStrip, {
    item: { fromBar: 33, toBar: 48, barsPerLine, name: 'Study' },
    sections: [section(held)]
  }).container;

describe('the bar strip', () => {
  it('has one cell a bar, broken at the lines of the page', () => {
    const strip = draw('5 4 / 7', 50);
    expect(strip.querySelectorAll('.bar')).toHaveLength(16);
    expect([...strip.querySelectorAll('.line')].map((l) => l.querySelectorAll('.bar').length)).toEqual([
      5, 4, 7
    ]);
    expect([...strip.querySelectorAll('.first')].map((f) => f.textContent)).toEqual(['33', '38', '42']);
    expect(strip.querySelectorAll('.page-end')).toHaveLength(1);
  });

  it('falls back to even lines where the page’s lines do not add up', () => {
    expect(draw('5 4', 50).querySelectorAll('.bar')).toHaveLength(16);
  });

  it('fills a bar as far as its section’s tempo holds, and says so in words', () => {
    const strip = draw('', 75);
    expect((strip.querySelector('.bar i') as HTMLElement).style.height).toBe('75%');
    expect(strip.querySelector('[role=img]')!.getAttribute('aria-label')).toContain('holds at 75');
    expect((draw('', null).querySelector('.bar i') as HTMLElement).style.height).toBe('0%');
    expect(draw('', 100).querySelectorAll('.there')).toHaveLength(16);
  });
});
