/** The words a list is written in, and what each means: kinds of items, note values, and the heads of tables, in five languages. */
import type { ItemKind } from '../../core/season';
import type { BeatUnit } from '../../core/units';
import type { ListRow } from './row';

const KINDS: Readonly<Record<ItemKind, readonly string[]>> = {
  etude: [
    'etude',
    'etudes',
    'étude',
    'études',
    'etüde',
    'etüden',
    'study',
    'studies',
    'studio',
    'studi',
    'estudio',
    'estudios'
  ],
  excerpt: [
    'excerpt',
    'excerpts',
    'orchestral excerpt',
    'orchestral excerpts',
    'orchesterstelle',
    'orchesterstellen',
    "trait d'orchestre",
    "traits d'orchestre"
  ],
  solo: ['solo', 'solos', 'concerto', 'sonata'],
  scales: ['scale', 'scales', 'tonleiter', 'tonleitern', 'gammes', 'escalas', 'scale e arpeggi'],
  'sight-reading': [
    'sight-reading',
    'sight reading',
    'blattspiel',
    'déchiffrage',
    'lectura a primera vista',
    'prima vista'
  ]
};
const KIND_OF = new Map(
  Object.entries(KINDS).flatMap(([kind, words]) => words.map((word) => [word, kind as ItemKind] as const))
);
const KIND_WORD = new RegExp(
  `(?<![\\p{L}])(${[...KIND_OF.keys()].sort((a, b) => b.length - a.length).join('|')})(?![\\p{L}])`,
  'iu'
);

/** The kind that these words are the name of, and nothing else. */
export const kindNamed = (text: string): ItemKind | null => KIND_OF.get(text.trim().toLowerCase()) ?? null;
/** The kind that is named somewhere in these words. */
export const kindIn = (text: string): ItemKind | null => {
  const found = KIND_WORD.exec(text);
  return found ? KIND_OF.get(found[1]!.toLowerCase())! : null;
};

type PlainUnit = 'whole' | 'half' | 'quarter' | 'eighth' | 'sixteenth';
const NOTES: Readonly<Record<PlainUnit, readonly string[]>> = {
  whole: ['whole', 'semibreve', 'ganze', 'ronde', 'redonda'],
  half: ['half', 'minim', 'halbe', 'blanche', 'blanca', 'minima', '𝅗𝅥'],
  quarter: ['quarter', 'crotchet', 'viertel', 'noire', 'negra', 'semiminima', '♩'],
  eighth: ['eighth', '8th', 'quaver', 'achtel', 'croche', 'corchea', 'croma', '♪'],
  sixteenth: [
    'sixteenth',
    '16th',
    'semiquaver',
    'sechzehntel',
    'double croche',
    'semicorchea',
    'semicroma',
    '𝅘𝅥𝅯'
  ]
};
const UNIT_OF = new Map(
  Object.entries(NOTES).flatMap(([unit, words]) => words.map((word) => [word, unit as PlainUnit] as const))
);
const DOTTED_BEFORE = 'dotted|punktierte[nrs]?';
const DOTTED_AFTER = 'pointée|con puntillo|col punto|puntata|\\.';
/** A note value in words or as a sign: its three groups are a dot before it, the note, a dot after it. */
export const NOTE = `(?<![\\p{L}\\d])(?:(${DOTTED_BEFORE})[ -])?(${[...UNIT_OF.keys()]
  .sort((a, b) => b.length - a.length)
  .join('|')})(?:s|[ -]?notes?)? ?(${DOTTED_AFTER})?`;

/** What the three groups of `NOTE` mean; null where no click counts it. */
export function unitOfNote(
  before: string | undefined,
  note: string,
  after: string | undefined
): BeatUnit | null {
  const plain = UNIT_OF.get(note.toLowerCase());
  if (!plain) return null;
  if (!before && !after) return plain;
  return plain === 'whole' ? null : `dotted-${plain}`;
}

/** The fields a column can mean; "bars" and "tempo" are read into several. */
export type Column = Exclude<keyof ListRow, 'presumed' | 'leftOver'> | 'bars' | 'tempo';
const HEADS: Readonly<Record<Column, readonly string[]>> = {
  name: [
    'name',
    'item',
    'title',
    'work',
    'piece',
    'titel',
    'stück',
    'werk',
    'titre',
    'œuvre',
    'oeuvre',
    'pièce',
    'título',
    'titulo',
    'obra',
    'pieza',
    'titolo',
    'brano'
  ],
  composer: ['composer', 'by', 'komponist', 'komponistin', 'compositeur', 'compositor', 'compositore'],
  kind: ['kind', 'type', 'art', 'typ', 'genre', 'tipo'],
  edition: [
    'edition',
    'publisher',
    'ausgabe',
    'verlag',
    'édition',
    'éditeur',
    'edición',
    'editorial',
    'edizione'
  ],
  instrument: ['instrument', 'played on', 'strumento', 'instrumento'],
  pages: ['pages', 'page', 'seite', 'seiten', 'página', 'páginas', 'pagina', 'pagine'],
  tested: ['tested', 'what is tested', 'panel listens for', 'geprüft', 'évalué', 'se evalúa'],
  metre: ['metre', 'meter', 'time signature', 'taktart', 'chiffrage', 'compás', 'metro'],
  bars: ['bars', 'bar', 'measures', 'measure', 'mm', 'mm.', 'takte', 'mesures', 'compases', 'battute'],
  fromBar: ['first bar', 'from bar', 'bars from', 'from', 'start', 'von', 'von takt', 'de', 'desde', 'da'],
  toBar: ['last bar', 'to bar', 'bars to', 'to', 'end', 'bis', 'bis takt', 'à', 'hasta', 'fine'],
  place: [
    'rehearsal',
    'rehearsal marks',
    'letters',
    'place',
    'section',
    'studierzeichen',
    'stelle',
    'repère'
  ],
  unit: [
    'beat unit',
    'unit',
    'beat',
    'note',
    'note value',
    'pulse',
    'zählzeit',
    'notenwert',
    'unité',
    'figure',
    'figura'
  ],
  tempo: ['tempo', 'tempos', 'tempi', 'bpm', 'target', 'target tempo', 'goal', 'zieltempo', 'tempo cible'],
  lowBpm: ['lowest bpm', 'lowest', 'low', 'at least', 'slowest', 'mindestens', 'minimum'],
  highBpm: ['highest bpm', 'highest', 'high', 'up to', 'fastest', 'höchstens', 'maximum'],
  recordings: [
    'recordings',
    'tempos of recordings',
    'aufnahmen',
    'enregistrements',
    'grabaciones',
    'registrazioni'
  ],
  minutesPerWeek: [
    'minutes a week',
    'min a week',
    'minutes per week',
    'minutes',
    'minuten pro woche',
    'minutes par semaine',
    'minutos por semana'
  ],
  key: [
    'key',
    'keys',
    'keys and octaves',
    'tonart',
    'tonarten',
    'tonalité',
    'tonalités',
    'tonalidad',
    'tonalità'
  ],
  holdsBpm: ['holds', 'holds now', 'now', 'current', 'current tempo', 'hält', 'actuel', 'actual'],
  holdsBy: ['heard by', 'by whom', 'gehört von', 'entendu par'],
  errata: ['errata', 'erratum', 'misprints', 'druckfehler'],
  cuts: ['cuts', 'cut', 'striche', 'coupures', 'cortes', 'tagli']
};
const COLUMN_OF = new Map(
  Object.entries(HEADS).flatMap(([column, heads]) => heads.map((head) => [head, column as Column] as const))
);
export const columnOf = (head: string): Column | null =>
  COLUMN_OF.get(head.trim().replace(/:$/, '').toLowerCase()) ?? null;
