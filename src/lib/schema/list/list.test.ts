import { describe, expect, it } from 'vitest';
import Papa from 'papaparse';
import { PASTED } from '../../../../tests/fixtures/pasted-lists';
import { randomFrom, sayUnit } from '../../core/units';

import { readLine } from './line';
import type { ListRow } from './row';
import { readLines, readTable } from './text';

const read = (text: string) =>
  readTable(Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' }).data) ??
  readLines(text.split('\n').filter((line) => line.trim() !== ''));

/** A row as the cases write it. */
function say(row: ListRow): string {
  const tempo =
    row.recordings !== ''
      ? `recordings ${row.recordings}`
      : row.lowBpm !== null
        ? `${sayUnit(row.unit)} ${row.lowBpm}${row.highBpm === null ? '' : `-${row.highBpm}`}`
        : '';
  const parts = [
    row.name,
    row.composer,
    row.presumed.includes('kind') ? '' : row.kind,
    row.key && `keys ${row.key}`,
    row.pages && `p. ${row.pages}`,
    row.edition && `ed. ${row.edition}`,
    row.toBar === null ? '' : `${row.fromBar}-${row.toBar}`,
    row.place && `at ${row.place}`,
    row.presumed.includes('metre') || row.kind === 'sight-reading' || row.kind === 'scales' ? '' : row.metre,
    tempo,
    row.minutesPerWeek === null ? '' : `${row.minutesPerWeek} min`,
    row.holdsBpm === null ? '' : `holds ${row.holdsBpm} ${row.holdsBy}`,
    row.tested && `tests ${row.tested}`,
    row.presumed.length > 0 ? `presumed: ${row.presumed.join(', ')}` : '',
    row.leftOver && `left: ${row.leftOver}`
  ];
  return parts.filter(Boolean).join(' · ');
}

describe('a pasted list', () => {
  it.each(PASTED)('%s', (text, rows) => {
    expect(read(text).rows.map(say)).toEqual(rows);
  });

  it('says what it read as headings, and which columns it did not read', () => {
    expect(read('Excerpts:\nGate song\nFirst round\nWeir').notes).toEqual([
      '“Excerpts” was read as a heading for what stands under it.',
      '“First round” was read as a heading and put nowhere.'
    ]);
    expect(read('title,colour,shelf\nGate song,blue,4').notes).toEqual([
      'These columns were not read: colour, shelf.'
    ]);
  });
});

const wordsIn = (text: string): string[] => text.match(/[\p{L}\p{N}]+/gu) ?? [];

describe('no word of a line is lost', () => {
  /** Each word of it stands in a piece, and each piece of words in its own field or among what is left over. */
  function expectKept(line: string) {
    const { rows, pieces } = readLine(line);
    expect(pieces.flatMap(({ text }) => wordsIn(text)).sort(), line).toEqual(wordsIn(line).sort());
    const fields = ['name', 'composer', 'leftOver', 'key', 'place'] as const;
    const ofWords = pieces.flatMap(({ field, text }) =>
      fields.filter((one) => one === field).map((one) => ({ one, text }))
    );
    const lost = ofWords.flatMap(({ one, text }) => {
      const there = wordsIn(`${rows[0]![one]} ${rows[0]!.leftOver}`);
      return wordsIn(text).filter((word) => !there.includes(word));
    });
    expect(lost, line).toEqual([]);
  }

  it('in any of the lists', () => {
    const lines = PASTED.filter(([, rows]) => rows.length > 0).flatMap(([text]) => text.split('\n'));
    for (const line of lines) expectKept(line);
  });

  it('in lines that chance puts together', () => {
    const random = randomFrom(14);
    const bits = PASTED.flatMap(([text]) => text.split(/[,;\n]/)).map((bit) => bit.trim());
    const separators = [', ', '; ', ' – ', ' ', ' (', ') ', '\t', ': '];
    const any = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!;
    for (let i = 0; i < 3000; i += 1)
      expectKept(
        Array.from({ length: 1 + Math.floor(random() * 7) }, () => any(bits) + any(separators)).join('')
      );
  });
});
