/**
 * A milestone written by hand: which of specific, measurable, achievable, relevant and dated it is, and what it lacks. Achievable
 * compares its slope with what this candidate has really done, in clicks a week. Source: handbook section 4 (common practice).
 */
import { type Touch, inTimeOrder } from '../../practice';
import { clicksBetween } from '../../tempo';
import {
  type BeatUnit,
  type Bpm,
  type Clicks,
  type DayNumber,
  dayOf,
  formatDate,
  parseDate,
  sayDate,
  weekdayOf,
  WEEKDAY_NAMES,
  MONTH_NAMES,
  sayBpm
} from '../../units';
import { readSections } from './held-sections';
import { type SeasonItem, schoolsOf } from '../facts/request';

export type GoalReading = {
  readonly quality: 'specific' | 'measurable' | 'achievable' | 'relevant' | 'dated';
  /** Null: it cannot be told before the others are there. */
  readonly has: boolean | null;
  readonly says: string;
};

/** What holds of an item's slowest section. */
type Standing = { readonly bpm: Bpm; readonly unit: BeatUnit };
/** Where an item stands and where it stood four weeks before; null where nothing held. */
export type Pace = {
  readonly itemId: string;
  readonly now: Standing | null;
  readonly before: Standing | null;
};

/** What the candidate has done lately is read from so many days. */
const PACE_DAYS = 28;
/** A goal up to this much steeper than that is still within reach (judgement). */
const WITHIN_REACH = 1.2;

/** The paces of all items, from the log up to `today` (YYYY-MM-DD). */
export function readPaces(items: readonly SeasonItem[], log: readonly Touch[], today: string): Pace[] {
  const day = dayOf(today);
  return items.map((item) => ({
    itemId: item.id,
    now: standingOn(item, log, day),
    before: standingOn(item, log, day - PACE_DAYS)
  }));
}

/** What a milestone names that a plan can keep; null where it does not name item, tempo and a day ahead. */
export function readGoal(
  text: string,
  items: readonly SeasonItem[],
  on: string
): {
  readonly itemId: string;
  readonly bpm: Bpm;
  readonly date: string;
  readonly bars: NamedBars | null;
} | null {
  const today = dayOf(on);
  const [item, bpm, day] = [findItem(text, items), readTempo(text), readDay(text, today)];
  if (!item || bpm === null || day === null || day <= today) return null;
  return { itemId: item.id, bpm, date: formatDate(day), bars: readBars(text) };
}

export function checkGoal(
  text: string,
  items: readonly SeasonItem[],
  paces: readonly Pace[],
  on: string
): GoalReading[] {
  const today = dayOf(on);
  const item = findItem(text, items);
  const bars = readBars(text);
  const bpm = readTempo(text);
  const times = COUNT.test(text);
  const day = readDay(text, today);
  return [
    readPlace(item, bars),
    bpm !== null && times
      ? has('measurable', `${bpm} with a count of clean repetitions.`)
      : lacks(
          'measurable',
          bpm === null ? 'Say the tempo, as in at 92.' : 'Say how often in a row, as in 3 in a row.'
        ),
    readReach(item, bpm, day, today, paces),
    item
      ? has('relevant', `${item.name} is on the list.`)
      : lacks('relevant', 'Nothing in it is on the list.'),
    day === null
      ? lacks('dated', 'Say by when, as in by 20 December.')
      : day > today
        ? has('dated', `By ${sayDate(day)}, ${day - today} days from now.`)
        : lacks('dated', `${sayDate(day)} is not ahead.`)
  ];
}

const has = (quality: GoalReading['quality'], says: string): GoalReading => ({ quality, has: true, says });
const lacks = (quality: GoalReading['quality'], says: string): GoalReading => ({ quality, has: false, says });

/** "3 in a row", "five times": it names no item, whatever the item's words are. */
const COUNT = /\b(?:\d+|three|four|five|six)\s*(?:x|times|clean|in a row)/i;

type NamedBars = { readonly from: number; readonly to: number };

function readBars(text: string): NamedBars | null {
  const found = /\bbars?\s*(\d+)(?:\s*(?:[-–]|to)\s*(\d+))?/i.exec(text);
  return found ? { from: Number(found[1]), to: Number(found[2] ?? found[1]) } : null;
}

const sayBars = ({ from, to }: NamedBars) => (from === to ? `bar ${from}` : `bars ${from}–${to}`);

function readPlace(item: SeasonItem | null, bars: NamedBars | null): GoalReading {
  if (!item) return lacks('specific', 'Name the item and the bars.');
  if (!bars) return lacks('specific', 'Name the bars, as in bars 31–36.');
  const isInside = bars.from <= bars.to && bars.from >= item.fromBar && bars.to <= item.toBar;
  return isInside
    ? has('specific', `${item.name}, ${sayBars(bars)}.`)
    : lacks(
        'specific',
        `${item.name} has ${sayBars({ from: item.fromBar, to: item.toBar })}, not ${sayBars(bars)}.`
      );
}

/** The item most of whose words stand in the text; of a word in several, none by that word alone. */
function findItem(text: string, items: readonly SeasonItem[]): SeasonItem | null {
  const said = wordsOf(text.replace(COUNT, ' '));
  const scored = items
    .map((item) => ({ item, hits: wordsOf(item.name).filter((word) => said.includes(word)).length }))
    .filter(({ hits }) => hits > 0)
    .sort((a, b) => b.hits - a.hits);
  if (scored.length === 0 || scored[0]!.hits === scored[1]?.hits) return null;
  return scored[0]!.item;
}

/** Words of three letters and more: shorter ones name nothing. A number counts only behind its word, as in "étude 9". */
function wordsOf(text: string): string[] {
  const lower = text.toLowerCase();
  const words = lower.split(/[^\p{L}]+/u).filter((word) => word.length >= 3);
  return [...words, ...numberedWords(lower)];
}

/** Words with the number behind them. */
function numberedWords(text: string): string[] {
  const parts = text.split(/[^\p{L}\d]+/u);
  return parts.flatMap((part, i) => {
    const next = parts[i + 1] ?? '';
    return /^\p{L}{3,}$/u.test(part) && /^\d+$/.test(next) ? [`${part} ${next}`] : [];
  });
}

function readTempo(text: string): Bpm | null {
  const found =
    /(?:@\s*|\bat\s+(?:tempo\s+)?|=\s*)(\d{2,3}(?:\.\d+)?)\b/i.exec(text) ??
    /\b(\d{2,3}(?:\.\d+)?)\s*bpm\b/i.exec(text);
  return found ? Number(found[1]) : null;
}

/** "2026-12-20", "20 December", "tomorrow", "by Friday", "in two weeks", "in 10 days". */
function readDay(text: string, today: DayNumber): DayNumber | null {
  const iso = /\b(\d{4}-\d{2}-\d{2})\b/.exec(text);
  if (iso) return parseDate(iso[1]!);
  const named = /\b(\d{1,2})\.?\s+([a-z]{3,})/gi;
  for (const [, date, word] of text.matchAll(named)) {
    const month = MONTH_NAMES.findIndex((name) => name.toLowerCase().startsWith(word!.toLowerCase()));
    if (month >= 0) return nextDate(Number(date), month, today);
  }
  if (/\btomorrow\b/i.test(text)) return today + 1;
  const span = /\bin\s+(\d+|a|one|two|three|four|six)\s+(day|week)s?\b/i.exec(text);
  if (span) {
    const counts: Record<string, number> = { a: 1, one: 1, two: 2, three: 3, four: 4, six: 6 };
    return today + (counts[span[1]!.toLowerCase()] ?? Number(span[1])) * (/week/i.test(span[2]!) ? 7 : 1);
  }
  const weekday = WEEKDAY_NAMES.findIndex((name) =>
    new RegExp(`\\b(by|on|next)\\s+${name}\\b`, 'i').test(text)
  );
  return weekday < 0 ? null : today + ((weekday + 1 - weekdayOf(today) + 6) % 7) + 1;
}

function nextDate(date: number, month: number, today: DayNumber): DayNumber | null {
  const pad = (n: number) => String(n).padStart(2, '0');
  const year = new Date(today * 86_400_000).getUTCFullYear();
  const days = [year, year + 1].map((y) => parseDate(`${y}-${pad(month + 1)}-${pad(date)}`));
  return days.find((day): day is DayNumber => day !== null && day >= today) ?? null;
}

function readReach(
  item: SeasonItem | null,
  bpm: Bpm | null,
  day: DayNumber | null,
  today: DayNumber,
  paces: readonly Pace[]
): GoalReading {
  const unknown = (says: string): GoalReading => ({ quality: 'achievable', has: null, says });
  if (!item || bpm === null || day === null || day <= today)
    return unknown('Can be told once item, tempo and date are there.');
  const { now, before } = paces.find((pace) => pace.itemId === item.id) ?? { now: null, before: null };
  if (!now) return unknown(`Nothing holds yet of ${item.name}: log a few touches first.`);
  const toGo = clicksTo(now, bpm);
  if (toGo <= 0) return has('achievable', `${item.name} holds at ${sayBpm(now.bpm)} already.`);
  const asks = (toGo * 7) / (day - today);
  if (!before)
    return unknown(
      `It asks ${round(asks)} clicks a week from ${sayBpm(now.bpm)}; what ${item.name} gains a week is not known yet.`
    );
  const done = ((clicksTo(before, bpm) - toGo) * 7) / PACE_DAYS;
  const says = `From ${sayBpm(now.bpm)} it asks ${round(asks)} clicks a week; in the last four weeks ${item.name} gained ${round(done)} a week.`;
  return asks <= Math.max(0, done) * WITHIN_REACH ? has('achievable', says) : lacks('achievable', says);
}

const clicksTo = ({ bpm, unit }: Standing, goal: Bpm): Clicks => clicksBetween(bpm, goal, unit);

/** What holds of the slowest section by a day; null where nothing does. */
function standingOn(item: SeasonItem, log: readonly Touch[], by: DayNumber): Standing | null {
  const touches = inTimeOrder(log.filter((t) => t.itemId === item.id && dayOf(t.date) <= by));
  const read = readSections(item, touches, schoolsOf(item, undefined), by, []);
  const slowest = [...read].sort(
    (a, b) => (a.held?.bpm ?? 0) / a.target.targetBpm - (b.held?.bpm ?? 0) / b.target.targetBpm
  )[0];
  return slowest?.held ? { bpm: slowest.held.bpm, unit: slowest.target.unit } : null;
}

const round = (clicks: Clicks) => Math.round(clicks * 10) / 10;
