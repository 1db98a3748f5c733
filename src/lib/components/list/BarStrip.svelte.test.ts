import { fireEvent, render, screen } from '@testing-library/svelte';
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

describe('bars picked on the strip', () => {
  const pickOn = (barsPerLine = '8 8 / 8 8 8 8') => {
    const item = { fromBar: 1, toBar: 48, barsPerLine, name: 'Study' };
    const { container } = render(BarStrip, { item, sections: [], canPick: true });
    return {
      strip: screen.getByRole('slider'),
      container,
      said: () => screen.getByRole('status').textContent
    };
  };

  it('by arrow keys, a bar or a line at a time, Shift extending, within the item', async () => {
    const { strip, said } = pickOn();
    const press = (key: string, shiftKey = false) => fireEvent.keyDown(strip, { key, shiftKey });
    await press('ArrowRight');
    expect(said()).toBe('bar 1');
    await press('ArrowDown');
    expect(said()).toBe('bar 9');
    await press('ArrowRight', true);
    await press('ArrowDown', true);
    expect(said()).toBe('bars 9 to 18');
    await press('ArrowUp', true);
    await press('ArrowLeft', true);
    await press('ArrowLeft', true);
    expect(said()).toBe('bars 8 to 9');
    await press('End');
    await press('ArrowRight');
    expect(said()).toBe('bar 48');
    await press('Escape');
    expect(said()).toBe('no bars picked');
  });

  it('by typing, with a sentence for what is no bars or lies outside', async () => {
    const { container, said } = pickOn();
    const input = screen.getByLabelText('Bars');
    const type = async (value: string) => {
      await fireEvent.input(input, { target: { value } });
      await fireEvent.change(input);
    };
    await type('37-41');
    expect(said()).toBe('bars 37 to 41');
    expect([...container.querySelectorAll<HTMLElement>('.picked')].map((c) => c.dataset.bar)).toEqual([
      '37',
      '38',
      '39',
      '40',
      '41'
    ]);
    await type('40-60');
    expect(said()).toBe('It has bars 1 to 48.');
    await type('coda');
    expect(said()).toBe('Write the bars as 37-41.');
  });

  it('show errata, cuts and free bars by form, and in words', () => {
    const item = { fromBar: 1, toBar: 16, barsPerLine: '', name: 'Study' };
    const { container } = render(BarStrip, {
      item,
      sections: [{ fromBar: 1, toBar: 4, isFree: true }],
      errata: [{ bar: 7, says: 'B flat' }],
      cuts: [{ fromBar: 9, toBar: 12 }]
    });
    expect(container.querySelectorAll('.free')).toHaveLength(4);
    expect(container.querySelectorAll('.none')).toHaveLength(12);
    expect(container.querySelectorAll('.cut')).toHaveLength(4);
    expect(container.querySelector('b')!.closest<HTMLElement>('[data-bar]')!.dataset.bar).toBe('7');
    expect(screen.getByRole('img').getAttribute('aria-label')).toContain(
      'erratum in bar 7: B flat; cut: bars 9 to 12'
    );
  });
});
