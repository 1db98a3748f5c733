import { describe, expect, it } from 'vitest';
import type { Touch } from '../record';
import type { MockWord } from '../record/words';
import { dayOf } from '../units';
import { gapOf, mockWord, practiceWord } from './gap';

const ON = dayOf('2026-12-28');
const bars = { fromBar: 10, toBar: 20 };
const touch = (attempts: string, more: Partial<Touch> = {}): Touch => ({
  id: 't',
  itemId: 'i',
  date: '2026-12-26',
  minutes: 5,
  fromBar: 1,
  toBar: 40,
  tempoBpm: 60,
  unit: 'quarter',
  attempts,
  ...more
});
const word = (...log: Touch[]) => practiceWord(log, 'rhythm', { bars, on: ON });

describe('the pressure gap', () => {
  it('takes the lower median of the jurors’ words, and none where nobody gave one', () => {
    const of = (...words: MockWord[]) => mockWord(words);
    expect(of()).toBeNull();
    expect(of('carries', 'not yet')).toBe('not yet');
    expect(of('carries', 'carries', 'not yet')).toBe('carries');
    expect(of('carries', 'uneven', 'uneven', 'carries')).toBe('uneven');
  });

  it('reads practice by its share of clean attempts: four fifths carry, a half is uneven', () => {
    expect(word(touch('ccccn'), touch('ccccn'))).toBe('carries');
    expect(word(touch('cccnnn'))).toBe('uneven');
    expect(word(touch('ccnnnn'))).toBe('not yet');
  });

  it('says nothing from fewer than six attempts, from other bars, other tempos or another week', () => {
    expect(word(touch('ccccc'))).toBeNull();
    expect(word(touch('cccccc', { fromBar: 21 }))).toBeNull();
    expect(word(touch('cccccc', { date: '2026-12-21' }))).toBeNull();
    expect(word(touch('cccccc', { date: '2026-12-22' }))).toBe('carries');
    expect(word(touch('cccccc', { date: '2026-12-29' }))).toBeNull();
    const isNear = ({ bpm }: { bpm: number }) => bpm >= 58;
    const near = (tempoBpm: number) =>
      practiceWord([touch('cccccc', { tempoBpm })], 'rhythm', { bars, on: ON, isNear });
    expect([near(60), near(50)]).toEqual(['carries', null]);
  });

  it('stands a step lower for an element that was named in more than a third of them', () => {
    const named = (attempts: string) => touch(attempts, { notHeld: ['rhythm'] });
    // six of eighteen are a third, and not more
    expect(word(touch('cccccccccccc'), named('cccccc'))).toBe('carries');
    expect(word(touch('ccccccccccc'), named('cccccc'))).toBe('uneven');
    expect(practiceWord([touch('ccccccccccc'), named('cccccc')], 'tone', { bars, on: ON })).toBe('carries');
  });

  it('is in steps from practice to the mock, and none where one of them says nothing', () => {
    expect(gapOf('carries', 'not yet')).toBe(2);
    expect(gapOf('uneven', 'uneven')).toBe(0);
    expect(gapOf('uneven', 'carries')).toBe(-1);
    expect([gapOf(null, 'carries'), gapOf('carries', null)]).toEqual([null, null]);
  });
});
