/**
 * What tires, by instrument family, and whether a week rests: demands that are not put side by side, and cautions about a week of
 * practice. Source: handbook section 10 (common practice, from memory); it defers to teachers and health professionals.
 */
import { type InstrumentFamily, familyOf } from '../record/family';
import { type Minutes, WEEKDAY_NAMES } from '../units';
import type { PracticeTime } from './capacity';

const DEMANDS: Readonly<Record<InstrumentFamily, readonly string[]>> = {
  winds: ['lips', 'tongue', 'air', 'fingers'],
  brass: ['lips', 'tongue', 'air', 'slide or valves'],
  strings: ['left hand', 'bow arm', 'shoulder'],
  plucked: ['left hand', 'right hand', 'fingertips'],
  keyboard: ['right hand', 'left hand', 'wrists'],
  percussion: ['grip', 'wrists', 'feet'],
  voice: ['voice', 'air']
};

/** What usually tires on these instruments; offered, not imposed. */
export function usualDemands(instruments: string): readonly string[] {
  const family = familyOf(instruments);
  return family ? DEMANDS[family] : ['hands', 'shoulders'];
}

/** A day this much above the mean of the practice days is a long one (judgement). */
const LONG_DAY = 1.25;
/** As many long days on end ask for a shorter one between (judgement). */
const LONG_ON_END = 3;
/** Beyond this a day's practice is more than most hands and lips bear (judgement). */
const MOST_A_DAY_MIN: Minutes = 240;

/** Cautions about a week, as sentences; none where it rests and alternates. */
export function weekCautions(week: PracticeTime['week']): string[] {
  const minutes = WEEKDAY_NAMES.map((_, i) =>
    week.filter((span) => span.weekday === i + 1).reduce((sum, span) => sum + span.minutes, 0)
  );
  const practised = minutes.filter((m) => m > 0);
  if (practised.length === 0) return [];
  const mean = practised.reduce((sum, m) => sum + m, 0) / practised.length;
  const isLong = minutes.map((m) => m > mean * LONG_DAY);
  // Sunday is followed by Monday
  const run = WEEKDAY_NAMES.findIndex((_, i) =>
    Array.from({ length: LONG_ON_END }, (__, k) => isLong[(i + k) % 7]).every(Boolean)
  );
  const heavy = WEEKDAY_NAMES.filter((_, i) => minutes[i]! > MOST_A_DAY_MIN);
  return [
    ...(practised.length === 7
      ? [
          'No day of rest in this week. One day off helps the body; pain or numbness means stop, rest, and see a health professional.'
        ]
      : []),
    ...(run >= 0
      ? [
          `${LONG_ON_END} long days on end from ${WEEKDAY_NAMES[run]}: put a shorter one between, so that heavy and light days alternate.`
        ]
      : []),
    ...(heavy.length > 0
      ? [
          `More than ${MOST_A_DAY_MIN / 60} hours on ${heavy.join(', ')}: as much rest as playing, and stop at pain.`
        ]
      : [])
  ];
}
