import { describe, expect, it } from 'vitest';
import { blankSection, carveSection } from './item-form';
import { parseCuts, parseErrata, readBars } from './printed';

const item = { fromBar: 1, toBar: 48 };

describe('errata as they are typed', () => {
  it('are a bar and what is right, one a line', () => {
    expect(parseErrata('31: B flat, not B\n\nbar 7. tie over the bar\n12 staccato', item)).toEqual({
      ok: true,
      value: [
        { bar: 31, says: 'B flat, not B' },
        { bar: 7, says: 'tie over the bar' },
        { bar: 12, says: 'staccato' }
      ]
    });
  });

  it('may name the place as people do, down to the beat', () => {
    const read = parseErrata('m. 40, third beat: G natural\nmeasure 12: tie\nmm. 3 slur', item);
    expect(read).toEqual({
      ok: true,
      value: [
        { bar: 40, says: 'third beat: G natural' },
        { bar: 12, says: 'tie' },
        { bar: 3, says: 'slur' }
      ]
    });
  });

  it('outside the item, or without a bar, are said with the line', () => {
    expect(parseErrata('49: x', item)).toMatchObject({
      ok: false,
      says: 'Bar 49 lies outside the item, bars 1 to 48.'
    });
    expect(parseErrata('B flat', item)).toMatchObject({ ok: false });
  });
});

describe('cuts as they are typed', () => {
  it('are bars after commas', () => {
    expect(parseCuts('17-33, 41 – 48; 5', item)).toEqual({
      ok: true,
      value: [
        { fromBar: 17, toBar: 33 },
        { fromBar: 41, toBar: 48 },
        { fromBar: 5, toBar: 5 }
      ]
    });
  });

  it('upside down, outside or not bars at all are said', () => {
    expect(parseCuts('33-17', item)).toMatchObject({ says: 'The bars are upside down: 33 to 17.' });
    expect(parseCuts('40-60', item)).toMatchObject({ says: 'Bar 60 lies outside the item, bars 1 to 48.' });
    expect(parseCuts('the coda', item)).toMatchObject({ ok: false });
    expect(readBars('37-')).toBeNull();
  });
});

describe('bars made a section', () => {
  const section = (id: string, fromBar: number, toBar: number, targetBpm: number) => ({
    ...blankSection(id),
    fromBar,
    toBar,
    targetBpm
  });
  const carve = (sections: ReturnType<typeof section>[], from: number, to: number) => {
    let n = 0;
    return carveSection(sections, from, to, () => `n${(n += 1)}`).map((s) => [
      s.fromBar,
      s.toBar,
      s.targetBpm
    ]);
  };

  it('part the section they lie in, and keep its tempo', () => {
    expect(carve([section('a', 1, 48, 96)], 17, 32)).toEqual([
      [1, 16, 96],
      [17, 32, 96],
      [33, 48, 96]
    ]);
  });

  it('take the place of what they cover, and the edges give way', () => {
    expect(
      carve([section('a', 1, 16, 60), section('b', 17, 24, 72), section('c', 25, 48, 96)], 9, 30)
    ).toEqual([
      [1, 8, 60],
      [9, 30, 60],
      [31, 48, 96]
    ]);
  });

  it('give every section an id of its own', () => {
    let n = 0;
    const ids = carveSection([section('a', 1, 48, 96)], 17, 32, () => `n${(n += 1)}`).map((s) => s.id);
    expect(new Set(ids).size).toBe(3);
    expect(ids[0]).toBe('a');
  });
});

describe('what is typed of a printed part', () => {
  it('is read in one go, however many spaces stand in it', () => {
    const spaces = ' '.repeat(4000);
    expect(parseErrata(`31${spaces}B\u2028flat`, { fromBar: 1, toBar: 40 })).toEqual({
      ok: true,
      value: [{ bar: 31, says: 'B flat' }]
    });
    expect(parseErrata(`bar${spaces}`, { fromBar: 1, toBar: 40 }).ok).toBe(false);
  });

  it('is no more than an item keeps', () => {
    const many = Array.from({ length: 401 }, () => '3: tie').join('\n');
    expect(parseErrata(many, { fromBar: 1, toBar: 40 })).toMatchObject({
      says: 'At most 400 errata of one item.'
    });
    const cuts = Array.from({ length: 61 }, () => '3').join(',');
    expect(parseCuts(cuts, { fromBar: 1, toBar: 40 })).toMatchObject({
      says: 'At most 60 cuts of one item.'
    });
  });
});
