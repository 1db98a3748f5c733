import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { allSentences } from '../tests/fixtures/sentences';

/** The last column of docs/words.md. */
function wordsNotSaid(): string[] {
  const rows = readFileSync('docs/words.md', 'utf8').split('\n').slice(1);
  return rows
    .filter((row) => /^\| [^-]/.test(row) && !row.startsWith('| word |'))
    .flatMap((row) => row.split('|').at(-2)!.split(','))
    .map((word) => word.trim())
    .filter(Boolean);
}

describe('the words of the interface', () => {
  const sentences = allSentences();
  const saying = (word: string) => {
    const found = new RegExp(`(?<![\\p{L}-])${word}(?![\\p{L}-])`, 'iu');
    return sentences.filter(({ text }) => found.test(text)).map(({ file, text }) => `${file}: ${text}`);
  };

  it('are all of them read: text, attributes that are shown, sentences of the code', () => {
    const texts = sentences.map(({ text }) => text);
    expect(texts).toContain('What holds today?');
    expect(texts).toContain('keys and octaves');
    expect(texts).toContain('Nothing is known yet of what holds: half of each target is presumed … .');
    expect(texts.length).toBeGreaterThan(1500);
  });

  it.each(wordsNotSaid())('say one thing one way, and not “%s”', (word) => {
    expect(saying(word)).toEqual([]);
  });
});
