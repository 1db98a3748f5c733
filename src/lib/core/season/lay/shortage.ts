/**
 * Why a plan is short of minutes, in sentences whose arithmetic adds up, and on which days the minutes are missing.
 * The reasons are core/plan/fit.ts's; here they get names and dates.
 */
import { LEAST_BLOCK_MIN, type ShortReason } from '../../plan';
import { type DayNumber, type Minutes, formatDate, saySpan } from '../../units';
import type { ItemMinutes, LaidMinutes, SeasonFrame } from './frame';
import type { PlannedShortage, ShortReading } from '../laid/plan';
import type { ShortOn } from './weeks';

export function describeShortage(laid: LaidMinutes, frame: SeasonFrame): PlannedShortage | null {
  const byItem = new Map<string, Minutes>();
  for (const { owner, shortMin } of laid.minutes)
    if (shortMin > 0) byItem.set(owner.item.id, (byItem.get(owner.item.id) ?? 0) + shortMin);
  if (byItem.size === 0) return null;
  return {
    minutes: [...byItem.values()].reduce((sum, minutes) => sum + minutes, 0),
    items: [...byItem].map(([itemId, minutes]) => ({ itemId, minutes })),
    reasons: [
      ...readNothingThere(
        laid.reasons.filter((reason) => openDays(reason, laid).length === 0),
        laid,
        frame
      ),
      ...laid.reasons
        .filter((reason) => openDays(reason, laid).length > 0)
        .map((reason) => readReason(reason, laid)),
      ...readPieces(laid)
    ]
  };
}

/** Minutes short by day, dealt to the days that have too little by what each has. */
export function shortByDay(laid: LaidMinutes, frame: SeasonFrame): ShortOn {
  const short = new Map<DayNumber, Minutes>();
  for (const { days, shortMin } of laid.reasons) {
    const there = days.reduce((sum, day) => sum + frame.open.get(day)!, 0);
    let before = 0;
    for (const day of days) {
      const upTo = before + frame.open.get(day)!;
      const minutes = Math.round((shortMin * upTo) / there) - Math.round((shortMin * before) / there);
      short.set(day, (short.get(day) ?? 0) + minutes);
      before = upTo;
    }
  }
  // what fits only in pieces is missing by the end of its windows
  for (const { asked, pieceMin } of laid.minutes) {
    const end = Math.max(...asked.windows.map((w) => w.to));
    if (pieceMin > 0) short.set(end, (short.get(end) ?? 0) + pieceMin);
  }
  return short;
}

function readReason(reason: ShortReason, laid: LaidMinutes): ShortReading {
  const owners = ownersOf([reason], laid);
  const spans = joinDays(reason.days, laid.usable);
  const limit = reason.days.length > 0 ? 'days' : 'most-per-day';
  const { neededMin, thereMin, elsewhereMin, shortMin } = reason;
  return {
    limit,
    itemIds: idsOf(owners),
    spans: spans.map(({ from, to }) => ({ from: formatDate(from), to: formatDate(to) })),
    neededMin,
    thereMin,
    elsewhereMin,
    shortMin,
    says:
      limit === 'days'
        ? sayDays(spans, reason.days.length, namesOf(owners), reason)
        : sayMostPerDay(
            namesOf(owners)[0]!,
            openDays(reason, laid).length,
            owners[0]!.asked.mostPerDay,
            reason
          )
  };
}

/** Reasons whose windows have no day that could be used at all, said as one. */
function readNothingThere(
  reasons: readonly ShortReason[],
  laid: LaidMinutes,
  frame: SeasonFrame
): ShortReading[] {
  if (reasons.length === 0) return [];
  const owners = ownersOf(reasons, laid);
  const neededMin = reasons.reduce((sum, reason) => sum + reason.neededMin, 0);
  const windows = reasons.flatMap((reason) => windowsOf(reason, laid));
  const last = Math.max(...windows.map((w) => w.to));
  const names = sayNames(namesOf(owners));
  const hasPieces = [...frame.open].some(
    ([day, minutes]) => minutes > 0 && windows.some((w) => w.from <= day && day <= w.to)
  );
  const says =
    last < frame.today
      ? `No practice day is left for ${names}: ${neededMin} min short.`
      : hasPieces
        ? `No day up to ${saySpan(last, last)} has room for a block of ${LEAST_BLOCK_MIN} minutes for ${names}: ${neededMin} min short.`
        : `There are no minutes for ${names} up to ${saySpan(last, last)}: ${neededMin} min short.`;
  return [
    {
      limit: 'days',
      itemIds: idsOf(owners),
      spans: [],
      neededMin,
      thereMin: 0,
      elsewhereMin: 0,
      shortMin: neededMin,
      says
    }
  ];
}

function windowsOf(reason: ShortReason, laid: LaidMinutes) {
  return reason.windows.map(({ asked, window }) => laid.minutes[asked]!.asked.windows[window]!);
}

/** Days that the windows of a reason could use. */
function openDays(reason: ShortReason, laid: LaidMinutes): DayNumber[] {
  const windows = windowsOf(reason, laid);
  return [...laid.usable]
    .filter(([day, minutes]) => minutes > 0 && windows.some((w) => w.from <= day && day <= w.to))
    .map(([day]) => day);
}

function ownersOf(reasons: readonly ShortReason[], laid: LaidMinutes): ItemMinutes[] {
  return [...new Set(reasons.flatMap(({ windows }) => windows.map(({ asked }) => laid.minutes[asked]!)))];
}

const idsOf = (owners: readonly ItemMinutes[]) => [...new Set(owners.map(({ owner }) => owner.item.id))];
const namesOf = (owners: readonly ItemMinutes[]) => [...new Set(owners.map(({ owner }) => owner.item.name))];

type DaySpan = { readonly from: DayNumber; readonly to: DayNumber };

/** Days as spans: those between which no other day has minutes hang together. */
function joinDays(days: readonly DayNumber[], usable: LaidMinutes['usable']): DaySpan[] {
  const inside = new Set(days);
  const spans: { from: DayNumber; to: DayNumber }[] = [];
  let isOpen = false;
  for (const [day, minutes] of [...usable].sort(([a], [b]) => a - b)) {
    if (inside.has(day)) {
      if (isOpen) spans.at(-1)!.to = day;
      else spans.push({ from: day, to: day });
      isOpen = true;
    } else if (minutes > 0) isOpen = false;
  }
  return spans;
}

/** More spans than this are counted instead of named. */
const MOST_SPANS = 3;

function sayDays(
  spans: readonly DaySpan[],
  days: number,
  names: readonly string[],
  reason: ShortReason
): string {
  const [first, last] = [spans[0]!, spans.at(-1)!];
  const when =
    spans.length > MOST_SPANS
      ? `On ${days} days from ${saySpan(first.from, last.to)}`
      : spans.length === 1 && first.from === first.to
        ? `On ${saySpan(first.from, first.to)}`
        : `${spans.some((s) => s.from !== s.to) ? 'From' : 'On'} ${joinWords(spans.map((s) => saySpan(s.from, s.to)))}`;
  const { neededMin, thereMin, elsewhereMin, shortMin } = reason;
  const elsewhere = elsewhereMin > 0 ? `, and ${elsewhereMin} more could go to other days` : '';
  return `${when} ${sayNames(names)} ${names.length === 1 ? 'needs' : 'need'} ${neededMin} minutes; there are ${thereMin}${elsewhere}: ${shortMin} short.`;
}

function sayMostPerDay(
  name: string,
  days: number,
  most: Minutes,
  { neededMin, elsewhereMin, shortMin }: ShortReason
): string {
  const more = Math.ceil(shortMin / most);
  return `At most ${most} minutes a day for ${name}: its ${days === 1 ? 'day allows' : `${days} days allow`} ${elsewhereMin} of the ${neededMin} it needs, ${shortMin} short; it needs ${more} more ${more === 1 ? 'day' : 'days'}.`;
}

/** What fits only in pieces too short for a block. */
function readPieces(laid: LaidMinutes): ShortReading[] {
  return laid.minutes
    .filter(({ pieceMin }) => pieceMin > 0)
    .map(({ owner: { item }, pieceMin }) => ({
      limit: 'pieces',
      itemIds: [item.id],
      spans: [],
      neededMin: pieceMin,
      thereMin: 0,
      elsewhereMin: 0,
      shortMin: pieceMin,
      says: `${item.name}: ${pieceMin} min would fit only in pieces too short for a block.`
    }));
}

const COUNTS = [
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve'
] as const;
/** Up to so many items are named. */
const MOST_NAMES = 2;

function sayNames(names: readonly string[]): string {
  return names.length <= MOST_NAMES ? joinWords(names) : `these ${COUNTS[names.length - 2] ?? names.length}`;
}

function joinWords(words: readonly string[]): string {
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
}
