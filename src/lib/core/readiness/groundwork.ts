/**
 * Groundwork: what is done and said in the first days, before a ladder is climbed. Source: handbook section 2 (common practice).
 */
import type { GroundworkKind } from '../record/words';

export const GROUNDWORK: readonly { readonly kind: GroundworkKind; readonly asks: string }[] = [
  { kind: 'edition', asks: 'edition right' },
  { kind: 'errata', asks: 'errata entered' },
  { kind: 'bars', asks: 'bars numbered' },
  { kind: 'decisions', asks: 'decisions locked' },
  { kind: 'scales', asks: 'related scales chosen' },
  { kind: 'listened', asks: 'context listened to' }
];

const CIRCLE = ['C', 'G', 'D', 'A', 'E', 'B', 'F#', 'Db', 'Ab', 'Eb', 'Bb', 'F'] as const;
const SAID: Record<string, string> = { '#': ' sharp', b: ' flat' };
const MINOR_CIRCLE = ['A', 'E', 'B', 'F#', 'C#', 'G#', 'Eb', 'Bb', 'F', 'C', 'G', 'D'] as const;

/**
 * Scales and arpeggios that lie near a key ("D minor", "B flat"): the key itself, its relative and its dominant. Empty where
 * the text is no key.
 */
export function relatedScales(key: string): string[] {
  // without its spaces it reads the same, and is read in one go
  const match = /^([A-G])(?:(#|♯|-?sharp)|(b|♭|-?flat))?(major|minor|maj|min|m)?$/i.exec(
    key.replaceAll(/\s/g, '')
  );
  if (!match) return [];
  const tonic = match[1]!.toUpperCase() + (match[2] ? '#' : match[3] ? 'b' : '');
  const isMinor = /^mi|^m$/i.test(match[4] ?? '');
  const circle: readonly string[] = isMinor ? MINOR_CIRCLE : CIRCLE;
  const other: readonly string[] = isMinor ? CIRCLE : MINOR_CIRCLE;
  const at = circle.indexOf(SAME[tonic] ?? tonic);
  if (at < 0) return [];
  const relative = other[at]!;
  const dominant = circle[(at + 1) % circle.length]!;
  return isMinor
    ? [
        `${say(tonic)} minor, harmonic and melodic`,
        `${say(relative)} major`,
        `${say(dominant)} minor`,
        `arpeggio of ${say(tonic)} minor`
      ]
    : [
        `${say(tonic)} major`,
        `${say(relative)} minor`,
        `${say(dominant)} major`,
        `arpeggio of ${say(tonic)} major`
      ];
}

/** Other names of keys on the circle. */
const SAME: Record<string, string> = { Gb: 'F#', 'C#': 'Db', Cb: 'B', 'D#': 'Eb', 'A#': 'Bb' };

function say(note: string): string {
  return note[0]! + (SAID[note[1] ?? ''] ?? '');
}
