/** What a juror is asked of each item, and what a remark says. Source: handbook section 7 (common practice, no published source). */
import type { InstrumentFamily } from '../record/family';
import type { BarRange } from '../units';

/** What a panel hears, each with the practice element that answers for it; tempo has none. */
const HEARD: Readonly<Record<string, string | null>> = {
  sound: 'tone',
  intonation: 'intonation',
  rhythm: 'rhythm',
  tempo: null,
  articulation: 'articulation',
  'dynamics, musicality': 'dynamics',
  sticking: 'sticking',
  evenness: 'evenness',
  voicing: 'voicing',
  bowing: 'bowing',
  words: 'words'
};
const COMMON = ['sound', 'intonation', 'rhythm', 'tempo', 'articulation', 'dynamics, musicality'];
/** What an instrument has none of goes, what it has of its own comes. */
const CHANGES: Readonly<
  Partial<Record<InstrumentFamily, { readonly not: readonly string[]; readonly also: readonly string[] }>>
> = {
  percussion: { not: ['intonation'], also: ['sticking', 'evenness'] },
  keyboard: { not: ['intonation'], also: ['voicing', 'evenness'] },
  plucked: { not: ['intonation'], also: ['evenness'] },
  strings: { not: [], also: ['bowing'] },
  voice: { not: [], also: ['words'] }
};

export function ballotElements(family: InstrumentFamily | null): readonly string[] {
  const { not, also } = (family && CHANGES[family]) ?? { not: [], also: [] };
  return [...COMMON.filter((element) => !not.includes(element)), ...also];
}

/** The practice element that answers for one of a ballot; null where none does. */
export const practiceElement = (heard: string): string | null => HEARD[heard] ?? null;

/** "12-14 rushes" or "12 rushes": bars and words; null where it does not begin with bars of the cut, or says nothing. */
export function readNote(line: string, cut: BarRange): (BarRange & { readonly says: string }) | null {
  const match = /^\s*(\d{1,5})(?:\s*[-–]\s*(\d{1,5}))?[\s:,](.*)$/.exec(line);
  if (!match) return null;
  const fromBar = Number(match[1]);
  const toBar = Number(match[2] ?? match[1]);
  const says = match[3]!.replace(/^[\s:,]+/, '').trim();
  const isIn = fromBar <= toBar && fromBar >= cut.fromBar && toBar <= cut.toBar;
  return isIn && says !== '' ? { fromBar, toBar, says } : null;
}
