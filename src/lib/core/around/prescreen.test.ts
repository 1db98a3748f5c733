import { describe, expect, it } from 'vitest';
import { dayOf } from '../units';
import { blindly, fileNameOf, sendOn } from './prescreen';

const parts = { name: 'Ada de Vries', instrument: 'oboe', item: 'Étude 14, “Millrace”', number: 3 };

describe('a file of a recorded round', () => {
  it('is named by the pattern of the call, without what upload forms refuse', () => {
    expect(fileNameOf('{number} {item} {name}', parts)).toBe('03_Étude_14_Millrace_Ada_de_Vries');
    expect(fileNameOf('{name}-{instrument}-{number}', parts)).toBe('Ada_de_Vries-oboe-03');
    expect(fileNameOf('../{item}/{nothing}', { ...parts, item: 'a\\b:c*?' })).toBe('abcnothing');
    expect(fileNameOf('   ', parts)).toBe('take');
    expect(fileNameOf('{item}', { ...parts, item: 'x'.repeat(400) })).toHaveLength(120);
  });

  it('is sent three days before the last one', () => {
    expect(sendOn(dayOf('2027-01-14'))).toBe(dayOf('2027-01-11'));
  });
});

describe('takes heard blindly', () => {
  const takes = Array.from({ length: 6 }, (_, n) => ({ id: `take ${n}`, madeAtMs: n }));

  it('stand in the same order each time, whatever order they come in, and under letters', () => {
    const once = blindly(takes, 'a round');
    expect(blindly([...takes].reverse(), 'a round')).toEqual(once);
    expect(once.map(({ letter }) => letter).join('')).toBe('ABCDEF');
    expect(once.map(({ id }) => id).sort()).toEqual(takes.map(({ id }) => id));
  });

  it('say by their order nothing of when they were made', () => {
    // over 3,000 rounds the latest take is each letter about as often: chi-square with five degrees of freedom, 0.1 % at 20.5
    const counted = Array.from({ length: 6 }, () => 0);
    for (let n = 0; n < 3000; n += 1)
      counted[blindly(takes, `round ${n}`).findIndex(({ madeAtMs }) => madeAtMs === 5)]! += 1;
    expect(counted.reduce((sum, n) => sum + (n - 500) ** 2 / 500, 0)).toBeLessThan(20.5);
  });
});
