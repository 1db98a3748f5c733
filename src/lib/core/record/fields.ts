/**
 * The fields that forms, files and the plan command share, each with its limits and the sentence said when a value
 * lies outside them. A sentence names what is wrong and what to do; it stands beside its field.
 */
import { z } from 'zod';
import { BEAT_UNITS, beatsPerBar, parseDate } from '../units';
import { MOST_SHORT_TEXT } from './words';

const MOST_BARS = 2000;
const MOST_MINUTES_A_DAY = 720;

/** One line: what would begin another, in a table or a calendar, is a space. */
export const oneLine = (text: string) => text.replaceAll(/[\p{Cc}\u2028\u2029]/gu, ' ');
/** Lines are parted in one way, and hold nothing that cannot be seen. */
const manyLines = (text: string) => text.replaceAll('\r\n', '\n').replaceAll(/[^\P{Cc}\n\t]/gu, ' ');

export const nameField = z
  .string()
  .overwrite(oneLine)
  .trim()
  .min(1, 'Give it a name.')
  .max(120, 'At most 120 characters, please.');
export const shortText = z
  .string()
  .overwrite(oneLine)
  .trim()
  .max(MOST_SHORT_TEXT, `At most ${MOST_SHORT_TEXT} characters, please.`)
  .default('');
/** What an item is played on: short, since a block of the day says it in its name. */
export const instrumentField = z
  .string()
  .overwrite(oneLine)
  .trim()
  .max(60, 'At most 60 characters, please.')
  .default('');
export const longText = z
  .string()
  .overwrite(manyLines)
  .trim()
  .max(4000, 'At most 4,000 characters, please.')
  .default('');
export const idField = z.string().min(1, 'An id is missing.').max(64, 'An id has at most 64 characters.');

export const dateField = z
  .string()
  .refine((text) => parseDate(text) !== null, { error: ({ input }) => sayNoDate(String(input)) });

function sayNoDate(text: string): string {
  if (text.trim() === '') return 'Choose a date.';
  return `There is no day ${text.slice(0, 20)}; a date is written year-month-day and must be in the calendar.`;
}

export const timeField = z
  .string()
  .regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'A time is written 09:30, on the 24-hour clock.');
export const unitField = z.enum(BEAT_UNITS, 'Choose a beat unit.');

const bpmNumber = z.number('A tempo is a number of beats a minute.');
export const bpmField = bpmNumber
  .min(1, 'A tempo is above 0.')
  .max(1000, 'No click is that fast; check the number.');
export const barField = z
  .number('A bar is a number.')
  .int('A bar is a whole number.')
  .min(0, 'Bars are numbered from 0 (a pickup) or 1.')
  .max(MOST_BARS, `Bars go up to ${MOST_BARS}.`);

export function minutesField(lowest: number, highest = MOST_MINUTES_A_DAY) {
  return z
    .number('Minutes are a number.')
    .int('Minutes are whole.')
    .min(
      lowest,
      lowest === 0
        ? 'Minutes cannot be less than 0.'
        : `At least ${lowest} ${lowest === 1 ? 'minute' : 'minutes'}.`
    )
    .max(highest, `At most ${highest} minutes.`);
}

/** JSON text of what `inside` asks for. */
export function jsonText<T extends z.ZodType>(inside: T) {
  return z.preprocess((text) => {
    try {
      return JSON.parse(String(text)) as unknown;
    } catch {
      return null;
    }
  }, inside);
}

export const metreField = z
  .string()
  .trim()
  .refine((text) => beatsPerBar(text, 'quarter') !== null, 'A metre is written 4/4 or 6/8.');

export const zoneField = z
  .string()
  .refine(isZoneName, 'No such time zone; choose one such as Europe/Brussels.');

/** Known to this platform's zone table; kept here so that the interface needs no date library for it. */
function isZoneName(name: string): boolean {
  if (!/^[A-Za-z]/.test(name)) return false;
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}
