/** The form of a round's day: lengths in minutes, a note at each step, a thought for each item. */
import { z } from 'zod';
import { type AfterRound, type RoundDay, afterRound, minutesField, shortText } from '../core/record';
import { type DayStep, type MockWord, DAY_STEPS, MOCK_WORDS } from '../core/record/words';

const optionalMinutes = (most: number) =>
  z
    .string()
    .trim()
    .transform((text) => (text === '' ? null : Number(text)))
    .pipe(minutesField(0, most).nullable());

/** Fields as a page sends them: `min-eat`, `note-eat`, `thought-<item>`. Faults name the field. */
export function readRoundDayForm(
  roundId: string,
  fields: Readonly<Record<string, string>>
):
  | { readonly day: RoundDay; readonly thoughts: ReadonlyMap<string, string> }
  | { readonly faults: Record<string, string> } {
  const faults: Record<string, string> = {};
  const read = <T>(name: string, schema: z.ZodType<T>): T | undefined => {
    const answer = schema.safeParse(fields[name] ?? '');
    if (!answer.success) faults[name] = answer.error.issues[0]!.message;
    return answer.data;
  };
  const travelMin = read('travelMin', optionalMinutes(1440)) ?? null;
  const place = read('place', shortText) ?? '';
  const minutes: Partial<Record<DayStep, number>> = {};
  const notes: Partial<Record<DayStep, string>> = {};
  for (const step of DAY_STEPS) {
    const length = step === 'leave' ? null : read(`min-${step}`, optionalMinutes(480));
    if (length !== null && length !== undefined) minutes[step] = length;
    const note = read(`note-${step}`, shortText);
    if (note) notes[step] = note;
  }
  const thoughts = new Map<string, string>();
  for (const name of Object.keys(fields).filter((one) => one.startsWith('thought-')))
    thoughts.set(name.slice('thought-'.length), read(name, shortText) ?? '');
  if (Object.keys(faults).length > 0) return { faults };
  return { day: { roundId, travelMin, minutes, notes, place }, thoughts };
}

/** How a round went: `heard-<item>` is one of the three words, or empty where it was not asked. */
export function readAfterForm(
  fields: Readonly<Record<string, string>>
): { readonly after: AfterRound } | { readonly faults: Record<string, string> } {
  const isWord = (text: string): text is MockWord => MOCK_WORDS.some((word) => word === text);
  const heard = Object.entries(fields).flatMap(([name, word]) =>
    name.startsWith('heard-') && isWord(word) ? [{ itemId: name.slice('heard-'.length), word }] : []
  );
  const { result = '', keep = '' } = fields;
  const read = afterRound.safeParse({ result, keep, heard });
  if (read.success) return { after: read.data };
  return {
    faults: Object.fromEntries(read.error.issues.map(({ path, message }) => [String(path[0]), message]))
  };
}
