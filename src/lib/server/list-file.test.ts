import { describe, expect, it } from 'vitest';
import { joinSections, readListRow } from '../schema/list/row';
import { decodeText, readList as readText, writeList } from './list-file';
import type { ListItem } from './store/item';

const readList = (text: string) => {
  const read = readText(text);
  return read.ok ? read.rows : [];
};
const TABLE = [
  ['Name', 'Composer', 'Bars', 'Beat unit', 'Tempo'],
  ['Étude 14', 'Quill', '1-48', 'dotted quarter', '58-66'],
  ['Three Fables, II', 'Østerrede', '5-16', 'quarter', '66']
];
const table = (separator: string) =>
  TABLE.map((row) => row.map((cell) => (cell.includes(separator) ? `"${cell}"` : cell)).join(separator)).join(
    '\r\n'
  );
const expected = [
  {
    name: 'Étude 14',
    composer: 'Quill',
    fromBar: 1,
    toBar: 48,
    unit: 'dotted-quarter',
    lowBpm: 58,
    highBpm: 66
  },
  {
    name: 'Three Fables, II',
    composer: 'Østerrede',
    fromBar: 5,
    toBar: 16,
    unit: 'quarter',
    lowBpm: 66,
    highBpm: null
  }
];

describe('a table', () => {
  it.each([
    ['commas', ','],
    ['semicolons', ';'],
    ['tabs', '\t']
  ])('is read with %s', (_, separator) => expect(readList(table(separator))).toMatchObject(expected));

  it('is read in UTF-8 with and without a mark, UTF-16 and the old Western encoding', () => {
    const text = table(';');
    const utf16 = (isLittle: boolean) => {
      const bytes = new Uint8Array(2 + text.length * 2);
      const view = new DataView(bytes.buffer);
      view.setUint16(0, 0xfeff, isLittle);
      [...text].forEach((c, i) => view.setUint16(2 + i * 2, c.charCodeAt(0), isLittle));
      return bytes;
    };
    const western = Uint8Array.from([...text].map((c) => c.charCodeAt(0))); // all of it lies in Latin-1
    const encodings = [
      new TextEncoder().encode(text),
      new TextEncoder().encode(`\uFEFF${text}`),
      utf16(true),
      utf16(false),
      western
    ];
    for (const bytes of encodings) expect(readList(decodeText(bytes))).toMatchObject(expected);
  });

  it('passes over columns it does not know, and leaves empty what is not there', () => {
    expect(readList('title,colour\nGate song,blue')).toMatchObject([
      { name: 'Gate song', toBar: null, lowBpm: null }
    ]);
  });
});

describe('a list as text', () => {
  it('takes a number whole or not at all, and a range that stands alone as bars where the tempo is said too', () => {
    const text = 'Gate song; Varnholt; 12-60; half = 72.5\nTow path;; quarter = 9999\nReeds; Quill; 58-66';
    expect(readList(text)).toMatchObject([
      { name: 'Gate song', composer: 'Varnholt', fromBar: 12, toBar: 60, unit: 'half', lowBpm: 72.5 },
      { name: 'Tow path', composer: '', toBar: null, lowBpm: 9999 },
      { name: 'Reeds', composer: 'Quill', toBar: null, lowBpm: null }
    ]);
  });

  it('is read one item a line, with bars, metre, tempo and range where they stand', () => {
    const text = `1. Étude 14 “Millrace”, Quill, bars 1-48, 6/8, dotted quarter 58-66
2) Three Fables II, Osterrede, excerpt, bars 5 to 16, quarter = 66
- Gate song – Varnholt – 12 bars – 72 bpm

Sight-reading, 20 min a week`;
    expect(readList(text)).toMatchObject([
      {
        name: 'Étude 14 “Millrace”',
        composer: 'Quill',
        kind: 'etude',
        fromBar: 1,
        toBar: 48,
        metre: '6/8',
        unit: 'dotted-quarter',
        lowBpm: 58,
        highBpm: 66
      },
      {
        name: 'Three Fables II',
        composer: 'Osterrede',
        kind: 'excerpt',
        fromBar: 5,
        toBar: 16,
        lowBpm: 66,
        highBpm: null
      },
      { name: 'Gate song', composer: 'Varnholt', fromBar: 1, toBar: 12, lowBpm: 72 },
      { name: 'Sight-reading', kind: 'sight-reading', minutesPerWeek: 20, lowBpm: null }
    ]);
  });

  it('guesses nothing that is not written', () => {
    expect(readList('Winter aria')).toMatchObject([
      { name: 'Winter aria', composer: '', toBar: null, lowBpm: null, highBpm: null }
    ]);
  });

  it('means items as any form does, with faults at their fields', () => {
    const [good, noBars, upsideDown, sight] = readList(
      'Gate song, bars 1-12, quarter 72\nNo bars, quarter 72\nWrong, bars 1-8, quarter 90-80\nSight-reading'
    ).map((row) => readListRow(row, '2026-11-24'));
    expect(good).toMatchObject({
      ok: true,
      item: { sections: [{ tempo: { kind: 'pulse', targetBpm: 72 } }] }
    });
    expect(noBars).toMatchObject({ ok: false, fault: { field: 'toBar', says: 'Which bars?' } });
    expect(upsideDown).toMatchObject({ ok: false, fault: { field: 'highBpm' } });
    expect(sight).toMatchObject({ ok: false, fault: { field: 'minutesPerWeek' } });
  });
});

describe('the table out', () => {
  const item = {
    id: 'i',
    name: '=HYPERLINK("x")',
    composer: 'Quill; the elder',
    kind: 'solo',
    edition: 'third',
    pages: '3-4',
    tested: '',
    metre: '4/4',
    fromBar: 1,
    toBar: 16,
    sections: [
      { id: 's', fromBar: 1, toBar: 8, tempo: { kind: 'pulse', unit: 'quarter', targetBpm: 60 } },
      { id: 't', fromBar: 9, toBar: 16, tempo: { kind: 'range', unit: 'half', lowBpm: 80, highBpm: 92 } }
    ],
    errata: [{ bar: 7, says: 'B flat', addedOn: '2026-11-24' }],
    cuts: []
  } as unknown as ListItem;

  it('comes back in as the same item with its sections', () => {
    const rows = readList(writeList([item]));
    const read = rows
      .map((row) => readListRow(row, '2026-11-24'))
      .flatMap((row) => (row.ok ? [row.item] : []));
    const [back, ...more] = joinSections(read);
    expect(more).toEqual([]);
    expect(back).toMatchObject({
      name: item.name,
      composer: item.composer,
      kind: 'solo',
      edition: 'third',
      fromBar: 1,
      toBar: 16
    });
    expect(back!.sections.map((s) => s.tempo)).toEqual(item.sections.map((s) => s.tempo));
  });

  it('joins passages with what holds of each, and leaves scales the bars they were given', () => {
    const rows = readList(
      'Weir, bars 1-8 and 20-31, quarter 72, holds 48\nScales, bars 1-12, quarter 80\nScales in thirds, all major, quarter 80'
    );
    const items = joinSections(
      rows.map((row) => readListRow(row, '2026-11-24')).flatMap((row) => (row.ok ? [row.item] : []))
    );
    expect(items.map(({ name, fromBar, toBar }) => [name, fromBar, toBar])).toEqual([
      ['Weir', 1, 31],
      ['Scales', 1, 12],
      ['Scales in thirds', 1, 16]
    ]);
    expect(items[0]!.holdsNow).toMatchObject([
      { sectionId: items[0]!.sections[0]!.id, bpm: 48, on: '2026-11-24' },
      { sectionId: items[0]!.sections[1]!.id, bpm: 48 }
    ]);
    expect(new Set(items[0]!.sections.map(({ id }) => id)).size).toBe(2);
  });

  it('lets no cell begin a formula', () => {
    expect(writeList([item])).not.toMatch(/(^|[,\n])"?=/);
  });
});

describe('a cell that would begin another line or a formula', () => {
  it('stays a cell of text', () => {
    const hostile = {
      name: '=1+1\r\n=2+2',
      composer: '\t@x',
      kind: 'etude',
      edition: '+1',
      pages: '',
      tested: '-1',
      metre: '4/4',
      fromBar: 1,
      toBar: 2,
      errata: [],
      cuts: [],
      sections: []
    };
    const [, line, ...more] = writeList([hostile as unknown as ListItem]).split('\r\n');
    expect(more).toEqual(['']);
    for (const cell of ['=1+1', '=2+2', '@x', '+1', '-1']) expect(line).toContain(cell);
    for (const cell of line!.split(',')) expect(cell).not.toMatch(/^"?[=+@\t-]/);
  });
});

describe('a text that is no list', () => {
  const LONG = 100_000;
  it.each([
    ['a line of spaces', `half${' '.repeat(LONG)}`],
    ['a line of digits', `Study, ${'7'.repeat(LONG)}`],
    ['a line of ranges', `Study, bars ${'1-'.repeat(LONG)}`],
    ['a line of words', 'half = '.repeat(LONG)],
    ['a line of quotes', '"'.repeat(LONG)],
    ['a hundred thousand lines', 'Study, bars 1-16\n'.repeat(LONG)]
  ])('is told from one before it is read: %s', (_, text) => {
    expect(readText(text).ok).toBe(false);
  });

  it('but a line as long as a line may be is read, whatever is in it', () => {
    for (const part of [
      ' ',
      '7',
      '1-',
      'half = ',
      'dotted ',
      'bars 1 - ',
      'p. 1 - ',
      '1 min ',
      'mm. ',
      '@',
      '-'
    ])
      expect(readText(`Study ${part.repeat(Math.floor(490 / part.length))}x`).ok).toBe(true);
  });
});
