/**
 * One line of a list as people write it. What is understood is taken out of the line piece by piece, each piece for its field; what remains is
 * shared between name and composer by its shape and place, and what still remains is left over and shown. No word is dropped.
 */
import type { ItemKind } from '../../core/season';
import { tempoIn } from '../../core/units';
import { BLANK_ROW, type ListRow, type Presumed } from './row';
import { NOTE, kindIn, kindNamed, unitOfNote } from './words';

/** Each run of spaces as one; tabs stay what they are, a parting. */
export const tidy = (text: string) =>
  text
    .split('\t')
    .map((part) =>
      part
        .split(/[^\S\t]+/)
        .join(' ')
        .trim()
    )
    .join('\t');

/** Patterns are for text whose spaces stand alone (`tidy`): none can be taken by two parts of a pattern in many ways. */
const TO = ' ?(?:-|–|—|to|bis|hasta) ?';
/** A whole number is taken or none of it: 9999 is no 999 and a 9. */
const BPM = String.raw`(\d{2,6}(?:\.\d{1,6})?)(?![\d/])`;
const RANGE_OF_BPM = `${BPM}(?:${TO}${BPM})?`;
const IS = ' ?(?:=|:|@|at|is|ca\\.|circa|about)? ?';
const ROW_OF_BPM = String.raw`((?:\d{2,3}(?:\.\d{1,2})?)(?:(?: ?[,/;] ?| )\d{2,3}(?:\.\d{1,2})?(?![\d-])){2,19})(?!\d| ?[-–])`;
const LEADS = '(?:(?<!\\p{L})(?:target|tempo|goal|at|@)(?: ?[:=])? )?';
const RECORDINGS = new RegExp(
  `(?:recordings?|tempos of recordings|aufnahmen|enregistrements)?(?: ?[:=])? ?(?:${NOTE}${IS})?(?<![\\d.-])${ROW_OF_BPM}(?: ?bpm)?`,
  'iu'
);
const HELD_BY = '(?:,? (?:(?:as )?heard )?by (the teacher|teacher|me|myself|self|a recording|recording))?';
const HOLDS = new RegExp(
  `(?<!\\p{L})(?:holds(?: now)?|now|currently)(?: at)?(?: ?[:=])? ?(?:${NOTE}${IS})?${BPM}(?: ?bpm)?${HELD_BY}`,
  'iu'
);
const TEMPO = new RegExp(
  `${LEADS}${NOTE}${IS}${RANGE_OF_BPM}(?: ?bpm)?|(?:@ ?|\\bM\\. ?M\\. ?=? ?)${RANGE_OF_BPM}(?: ?bpm)?|${LEADS}(?<![\\d.])${RANGE_OF_BPM} ?bpm`,
  'iu'
);
const BAR = String.raw`\d{1,4}(?!\d)`;
const SPAN = `${BAR}(?:${TO}${BAR})?`;
const BARS = new RegExp(
  `(?<!\\p{L})(?:from )?(?:bars?|bar nos?\\.|measures?|mm?\\.|mm|bb?\\.|takte?|mesures?|compases|battute) ?(${SPAN}(?: ?(?:,|and|&|\\+|und|et) ?(?:bars? |mm?\\. ?)?${SPAN})*)`,
  'iu'
);
/** A range that stands alone between two separators: where the tempo is said elsewhere in the line, it can only be bars. */
const LONE_BARS = new RegExp(`^(${BAR})${TO}(${BAR})$`);
const BAR_COUNT = /(?<![\d/])(\d{1,4}) ?(?:bars|measures|takte|mesures)(?!\p{L})/iu;
const MARK = String.raw`(?:\d{1,2} (?:bars? )?(?:before|after) )?(?:[A-Z]{1,2}|\d{1,3})(?![\p{L}\d])`;
const REHEARSAL = new RegExp(
  `(?<!\\p{L})(?:[Ff]rom )?(?:[Rr]ehearsal(?: (?:letters?|marks?|numbers?|figures?))?|[Rr]eh\\.|[Ll]etters?|[Ff]ig(?:ures?|s?\\.)) ?${MARK}(?:${TO}${MARK})?`,
  'u'
);
const METRE =
  /(?<![\d/])(?:in )?(\d{1,2}\/(?:2|4|8|16))(?![\d/])|(?<!\p{L})(?:in )?(cut time|alla breve|common time)(?!\p{L})/iu;
const MINUTES =
  /(?<!\d)(\d{1,3}) ?min(?:utes|\.)?(?: (?:a|per) week| ?\/ ?week)?(?![\p{L}\d])(?! (?:a|per) day)/iu;
const PAGES = /(?<!\p{L})(?:pp?\.|pages?|seiten?) ?(\d{1,3}(?: ?[-–] ?\d{1,3})?)(?!\d)/iu;
const EDITION =
  /(?<!\p{L})(?:edition|ed\.)(?: ?:)? (?=[\p{L}\d])([^,;:()\t]{1,80})|(?<!\p{L})((?:\p{Lu}[\p{L}.&]* ){0,3}(?:\p{L}+|\d{1,2}(?:st|nd|rd|th))) (?:edition|ed\.)/u;
const TESTED = /(?<!\p{L})(?:tests?|tested|listens for|what is tested)(?: ?:|(?= )) ?([^;()\t]{2,200})/iu;
const KEYS =
  /(?<!\p{L})(?:all (?:the )?(?:twelve |12 )?(?:(?:major|minor)(?: (?:and|&) (?:major|minor))?|keys)(?: keys)?|[A-Ga-g](?:[ -]?(?:flat|sharp|♭|♯)|[b#](?!\p{L}))?(?: (?:major|minor|dur|moll))?(?=\s*(?:,|;|and|&|$|\t|\))))|(?<!\p{L})(?:\d|one|two|three|four) octaves?/u;
const NUMBERING = /^(?:\d{1,2}[.)] |\(\d{1,2}\) |[-•*–] |No\. ?\d{1,2}[:.] )/;
const MOVEMENT =
  /^(?:(?:no|nr|op|opus|book|vol|part|mvts?|movements?|mov|var|variations?)\b\.?|[IVX]{1,5}(?:\.|\b)|(?:\d{1,2}(?:st|nd|rd|th)?|first|second|third|fourth|fifth|last) (?:movement|mvt|mov)|(?:allegr|andant|prest|adagi|larg|lent|vivac|moderat|maestos|scherz|menuet|minuet|rond|final|trio|cadenza|exposition|development|recapitulation|prelud|prélud|cod(?:a|etta)\b))/iu;
/** A name as people have: capitals, no figures, few words. */
const PERSON =
  /^(?:\p{Lu}[\p{L}.'’-]*|de|da|van|von|der|den|di|la|le|el|y|arr\.|anon\.)(?: (?:\p{Lu}[\p{L}.'’-]*|de|da|van|von|der|den|di|la|le|el|y|arr\.))*$/u;

/** What was taken for which field, as it stood in the line. */
export type Piece = { readonly field: keyof ListRow | 'order'; readonly text: string };
/** What a heading above has said of the items under it. */
export type Above = { readonly kind: ItemKind | null };

class Line {
  readonly pieces: Piece[] = [];
  constructor(public rest: string) {}

  take(field: Piece['field'], pattern: RegExp): RegExpExecArray | null {
    const match = pattern.exec(this.rest);
    if (!match || match[0].trim() === '') return null;
    this.cut(field, match.index, match[0].length);
    return match;
  }
  /** What is cut out parts what stood around it. */
  cut(field: Piece['field'], at: number, length: number): void {
    this.pieces.push({ field, text: this.rest.slice(at, at + length) });
    this.rest = `${this.rest.slice(0, at)};${this.rest.slice(at + length)}`;
  }
  put(field: Piece['field'], text: string): void {
    if (text !== '') this.pieces.push({ field, text });
  }
}

type TempoRead = Pick<ListRow, 'unit' | 'lowBpm' | 'highBpm' | 'recordings'> & {
  readonly isUnitSaid: boolean;
};

/** A row for each passage of the line (bars 5-16 and 40-62 are two), and what of the line went where. */
export function readLine(
  text: string,
  above: Above = { kind: null }
): { rows: ListRow[]; pieces: readonly Piece[] } {
  const line = new Line(tidy(text));
  line.take('order', NUMBERING);
  line.rest = line.rest.replace(/^;/, '');
  const metre = line.take('metre', METRE);
  const holds = line.take('holdsBpm', HOLDS);
  const tempo = takeTempo(line);
  const spans = takeBars(line, tempo !== null);
  const count = spans.length > 0 ? null : line.take('toBar', BAR_COUNT);
  const place = line.take('place', REHEARSAL);
  const minutes = line.take('minutesPerWeek', MINUTES);
  const pages = line.take('pages', PAGES);
  const edition = line.take('edition', EDITION);
  const tested = line.take('tested', TESTED);
  const isScales = kindIn(line.rest) === 'scales' || (kindIn(line.rest) === null && above.kind === 'scales');
  const keys = isScales ? takeKeys(line) : '';
  const words = shareWords(line, spans.length === 0 && count === null && tempo !== null);
  const bars = spans.length > 0 ? spans : words.bars ? [words.bars] : [];
  const said = words.kind ?? kindIn(words.name) ?? above.kind;
  const presumed: Presumed[] = [
    ...(said ? [] : (['kind'] as const)),
    ...(metre || said === 'sight-reading' || said === 'scales' ? [] : (['metre'] as const)),
    ...(tempo && !tempo.isUnitSaid ? (['unit'] as const) : [])
  ];
  const row: ListRow = {
    ...BLANK_ROW,
    name: words.name.slice(0, MOST_NAME),
    composer: words.composer.slice(0, MOST_TEXT),
    kind: said ?? 'etude',
    edition: (edition?.[1] ?? edition?.[2] ?? '').trim().slice(0, MOST_TEXT),
    pages: pages?.[1]?.replace(/\s/g, '') ?? '',
    tested: (tested?.[1] ?? '').trim(),
    key: keys,
    place: (place?.[0] ?? '').trim(),
    metre: metre ? (metre[1] ?? METRE_WORDS[metre[2]!.toLowerCase()]!) : BLANK_ROW.metre,
    ...(count ? { fromBar: 1, toBar: Number(count[1]) } : {}),
    ...(tempo
      ? { unit: tempo.unit, lowBpm: tempo.lowBpm, highBpm: tempo.highBpm, recordings: tempo.recordings }
      : {}),
    minutesPerWeek: minutes ? Number(minutes[1]) : null,
    ...readHolds(holds, tempo),
    leftOver: [words.name.slice(MOST_NAME), words.composer.slice(MOST_TEXT), ...words.leftOver]
      .filter(Boolean)
      .join('; '),
    presumed
  };
  const rows =
    bars.length === 0
      ? [row]
      : bars.map((span, i) => ({ ...row, ...span, ...(i > 0 ? { leftOver: '' } : {}) }));
  return { rows, pieces: line.pieces };
}

const MOST_NAME = 120;
const MOST_TEXT = 200;
const METRE_WORDS: Readonly<Record<string, string>> = {
  'cut time': '2/2',
  'alla breve': '2/2',
  'common time': '4/4'
};

function takeTempo(line: Line): TempoRead | null {
  const row = line.take('recordings', RECORDINGS);
  if (row) {
    const unit = row[2] ? unitOfNote(row[1], row[2], row[3]) : null;
    const recordings = row[4]!.split(/[\s,/;]+/).join(' ');
    return { unit: unit ?? 'quarter', lowBpm: null, highBpm: null, recordings, isUnitSaid: unit !== null };
  }
  const match = line.take('lowBpm', TEMPO);
  if (!match) return null;
  const [, before, note, after, ...bpms] = match;
  const [low, high] = [bpms[0] ?? bpms[2] ?? bpms[4], bpms[1] ?? bpms[3] ?? bpms[5]];
  const unit = note ? unitOfNote(before, note, after) : null;
  return {
    unit: unit ?? 'quarter',
    lowBpm: Number(low),
    highBpm: high ? Number(high) : null,
    recordings: '',
    isUnitSaid: unit !== null
  };
}

function readHolds(
  match: RegExpExecArray | null,
  tempo: TempoRead | null
): Pick<ListRow, 'holdsBpm' | 'holdsBy'> {
  if (!match) return { holdsBpm: null, holdsBy: 'self' };
  const unit = match[2] ? unitOfNote(match[1], match[2], match[3]) : null;
  const bpm = Number(match[4]);
  const by = match[5]?.toLowerCase() ?? '';
  return {
    holdsBpm: unit && tempo ? tempoIn({ bpm, unit }, tempo.unit) : bpm,
    holdsBy: by.includes('teacher') ? 'teacher' : by.includes('recording') ? 'recording' : 'self'
  };
}

/** Bars after their word; of several, those that follow each other. A comma parts passages only where the tempo is said by itself. */
function takeBars(line: Line, isTempoSaid: boolean): Pick<ListRow, 'fromBar' | 'toBar'>[] {
  const match = BARS.exec(line.rest);
  if (!match) return [];
  const listAt = match.index + match[0].length - match[1]!.length;
  const spans: { fromBar: number; toBar: number }[] = [];
  let end = listAt;
  const each = new RegExp(
    `(^| ?(?:,|and|&|\\+|und|et) ?)(?:bars? |mm?\\. ?)?(${BAR})(?:${TO}(${BAR}))?`,
    'iuy'
  );
  for (let found = each.exec(match[1]!); found; found = each.exec(match[1]!)) {
    const [fromBar, toBar] = [Number(found[2]), Number(found[3] ?? found[2])];
    const isComma = found[1]!.includes(',');
    const follows = spans.length === 0 || fromBar > spans.at(-1)!.toBar;
    if (!follows || (isComma && (!isTempoSaid || found[3] === undefined))) break;
    spans.push({ fromBar, toBar });
    end = listAt + each.lastIndex;
  }
  line.cut('fromBar', match.index, end - match.index);
  return spans;
}

function takeKeys(line: Line): string {
  const keys: string[] = [];
  for (let key = line.take('key', KEYS); key; key = line.take('key', KEYS)) keys.push(key[0].trim());
  return keys.join(', ').slice(0, MOST_TEXT);
}

/** Parts between separators; none parts what stands in quotes or brackets. */
function partsOf(text: string): string[] {
  const parts = [''];
  let depth = 0;
  let isQuoted = false;
  for (let i = 0; i < text.length; i += 1) {
    const c = text[i]!;
    if (c === '“' || c === '”' || c === '"') isQuoted = c === '"' ? !isQuoted : c === '“';
    if (c === '(' || c === '[') depth += 1;
    if (c === ')' || c === ']') depth = Math.max(0, depth - 1);
    const isDash = / [–—-] /.test(text.slice(i - 1, i + 2)) && i > 0;
    const isOpen = depth === 0 && !isQuoted;
    if (c === '\t' || (isOpen && (c === ',' || c === ';' || c === '|' || isDash))) parts.push('');
    else parts[parts.length - 1] += c;
  }
  // a bracket or quote that is never closed parts nothing
  if (depth > 0 || isQuoted) return text.split(/[\t,;|]| [–—-] /);
  return parts;
}

/** Signs at the ends of what remains, and brackets that have nothing in them any more, say nothing. */
function withoutSigns(text: string): string {
  const signs = ' ,;:=';
  let [from, to] = [0, text.length];
  while (from < to && signs.includes(text[from]!)) from += 1;
  while (to > from && signs.includes(text[to - 1]!)) to -= 1;
  return text
    .slice(from, to)
    .replaceAll(/ ?(?:\([ ,]?\)|\[[ ,]?\])/g, '')
    .trim();
}

type Words = {
  name: string;
  composer: string;
  kind: ItemKind | null;
  bars: { fromBar: number; toBar: number } | null;
  leftOver: string[];
};

/** What a piece is called besides its name: “Millrace”. */
const QUOTED = /^[“„"«‘'].+[”“"»’']$/u;

function shareWords(line: Line, mayBeBars: boolean): Words {
  const parts = partsOf(line.rest)
    .map((part) => withoutSigns(tidy(part.replaceAll(/[;\t]/g, ' '))))
    .filter((part) => /[\p{L}\p{N}]/u.test(part));
  const loneAt = mayBeBars ? parts.findIndex((part, i) => i > 0 && LONE_BARS.test(part)) : -1;
  const lone = loneAt > 0 ? LONE_BARS.exec(parts.splice(loneAt, 1)[0]!) : null;
  if (lone) line.put('fromBar', lone[0]);
  const kindAt = parts.findIndex((part, i) => i > 0 && kindNamed(part) !== null);
  const kindWord = kindAt > 0 ? parts.splice(kindAt, 1)[0]! : '';
  line.put('kind', kindWord);
  const words: Words = {
    name: '',
    composer: '',
    kind: kindWord ? kindNamed(kindWord) : null,
    bars: lone ? { fromBar: Number(lone[1]), toBar: Number(lone[2]) } : null,
    leftOver: []
  };
  const [first = '', ...more] = parts;
  const colon = /^([^:]{2,60}): ?(?=[^\s:])(.+)$/u.exec(first);
  const brackets = /^(.+?) ?[([]([^()[\]]{2,120})[)\]]$/u.exec(first);
  if (colon && kindNamed(colon[1]!)) {
    words.kind ??= kindNamed(colon[1]!);
    line.put('kind', colon[1]!);
    words.name = colon[2]!;
  } else if (colon) {
    [words.composer, words.name] = [colon[1]!.trim(), colon[2]!];
    // of what a composer stands before, the next part belongs to the title
    if (more[0] !== undefined && !/^with |^without /i.test(more[0])) words.name += `, ${more.shift()!}`;
  } else if (
    brackets &&
    !MOVEMENT.test(brackets[2]!) &&
    PERSON.test(withoutSigns(brackets[2]!).split(',')[0]!)
  ) {
    [words.name, words.composer] = [brackets[1]!, withoutSigns(brackets[2]!)];
  } else words.name = first;
  while (more[0] !== undefined && (MOVEMENT.test(more[0]) || QUOTED.test(more[0])))
    words.name += `, ${more.shift()!}`;
  if (words.composer === '' && more[0] !== undefined && PERSON.test(more[0])) words.composer = more.shift()!;
  while (more[0] !== undefined && MOVEMENT.test(more[0])) words.name += `, ${more.shift()!}`;
  words.leftOver = more;
  line.put('name', words.name);
  line.put('composer', words.composer);
  for (const part of more) line.put('leftOver', part);
  return words;
}
