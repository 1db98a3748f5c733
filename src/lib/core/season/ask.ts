/**
 * What an item asks of the days: a ladder's minutes before and within context, or so many minutes a week.
 * The rungs below 80 % are due before context begins; the rest follows at an even pace.
 */
import { type Asked, IN_CONTEXT_SHARE, LONGEST_BLOCK_MIN, type Stages } from '../plan';
import { type DayNumber, type Minutes, dayOf } from '../units';
import type { Climb } from './climb';
import type { SeasonFrame } from './frame';
import type { SeasonItem, SeasonRequest } from './request';

/** Two longest blocks of one item on one day (judgement). */
export const DEFAULT_MOST_PER_DAY_MIN: Minutes = 2 * LONGEST_BLOCK_MIN;

export function askOfClimb(
  climb: Climb,
  item: SeasonItem,
  stages: Stages,
  frame: SeasonFrame,
  kept: Asked['kept']
): Asked[] {
  const left = climb.rungs.map((r) => ({ share: r.share, minutes: r.minutes - r.minutesDone }));
  const total = sum(left.map((r) => r.minutes));
  if (total === 0) return [];
  const due = sum(left.filter((r) => r.share < IN_CONTEXT_SHARE).map((r) => r.minutes));
  const mostPerDay = item.mostPerDayMin ?? DEFAULT_MOST_PER_DAY_MIN;
  const whole = { id: item.id, from: frame.today, to: rampEnd(stages, frame.today), mostPerDay };
  if (stages.contextFrom <= frame.today) return [{ ...whole, minutes: total, kept }];

  const early = kept.filter((k) => k.day < stages.contextFrom);
  const late = kept.filter((k) => k.day >= stages.contextFrom && k.day <= stages.rampTo);
  const [keptEarly, keptLate] = [sum(early.map((k) => k.minutes)), sum(late.map((k) => k.minutes))];
  const pace =
    openMinutes(frame, frame.today, stages.contextFrom - 1) /
    Math.max(1, openMinutes(frame, frame.today, stages.rampTo));
  const missing = total - keptEarly - keptLate;
  const wanted = missing >= 0 ? keptEarly + Math.round(missing * pace) : total - keptLate;
  const before = Math.min(total, Math.max(due, wanted));
  return [
    {
      ...whole,
      to: stages.contextFrom - 1,
      minutes: before,
      kept: early,
      spill: { until: stages.rampTo, minutes: before - due }
    },
    { ...whole, from: stages.contextFrom, minutes: total - before, kept: late }
  ].filter((asked) => asked.minutes > 0);
}

/**
 * Last day for climbing: the ramp's end; once the mock window has opened with rungs still missing, its days may be
 * used as well, up to the light last ones, since a date that is past helps nobody.
 */
function rampEnd(stages: Stages, today: DayNumber): DayNumber {
  return today <= stages.rampTo ? stages.rampTo : stages.lastDaysFrom - 1;
}

/** Minutes a week without a ladder, week by week counted back from the round; what the week's log has is done. */
export function askOfMinutes(
  request: SeasonRequest,
  item: SeasonItem,
  stages: Stages,
  frame: SeasonFrame,
  kept: Asked['kept']
): Asked[] {
  const free = sum(item.sections.map((s) => (s.tempo.kind === 'free' ? s.tempo.minutesPerWeek : 0)));
  const perWeek = free + (item.minutesPerWeek ?? 0);
  if (perWeek === 0) return [];
  const asks: Asked[] = [];
  for (let from = stages.dayZero - 7; from > frame.today - 7; from -= 7) {
    const to = Math.min(from + 6, stages.lastDaysFrom - 1);
    const days = to - Math.max(from, frame.began) + 1;
    const done = sum(
      ownTouches(request, item)
        .filter((t) => dayOf(t.date) >= from && dayOf(t.date) <= frame.today)
        .map((t) => t.minutes)
    );
    const minutes = Math.round((perWeek * Math.max(0, days)) / 7) - done;
    if (minutes <= 0) continue;
    const start = Math.max(from, frame.today);
    asks.unshift({
      id: item.id,
      from: start,
      to,
      minutes,
      mostPerDay: item.mostPerDayMin ?? DEFAULT_MOST_PER_DAY_MIN,
      kept: kept.filter((k) => k.day >= start && k.day <= to)
    });
  }
  return asks;
}

/** Touches that count for the weekly minutes: those on free bars, or all of an item that has no ladder. */
function ownTouches(request: SeasonRequest, item: SeasonItem) {
  const free = item.sections.filter((s) => s.tempo.kind === 'free');
  const isOwn = (from: number | undefined) =>
    free.length === item.sections.length ||
    free.some((s) => from !== undefined && from >= s.fromBar && from <= s.toBar);
  return request.log.filter((t) => t.itemId === item.id && isOwn(t.fromBar));
}

function openMinutes(frame: SeasonFrame, from: DayNumber, to: DayNumber): Minutes {
  let minutes = 0;
  for (let day = from; day <= to; day += 1) minutes += frame.open.get(day) ?? 0;
  return minutes;
}

function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0);
}
