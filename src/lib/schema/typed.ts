/** A record's fields as a form has them: empty while nothing is typed. */
import { z } from 'zod';

/** A field that may be missing. `says` stands where neither nothing nor what may be there was typed. */
export const orEmpty = <T extends z.ZodType<string, string>>(field: z.ZodOptional<T>, says?: string) =>
  z.union([z.literal(''), field.unwrap()], says).default('');

/** Any number or none; whether it can be is asked of the record, with the sentence of its field. */
export const typedNumber = z.number().nullable().default(null);

/** A mark that may be missing. */
export const typedMark = z.boolean().default(false);

type Given<T> = { [K in keyof T]: T[K] extends string ? T[K] | undefined : Exclude<T[K], null> | undefined };

/** What a form leaves empty is missing in the record. */
export function withoutEmpty<T extends Record<string, unknown>>(form: T): Given<T> {
  const given = Object.entries(form).map(([name, value]) => [
    name,
    value === '' || value === null || value === false ? undefined : value
  ]);
  return Object.fromEntries(given) as Given<T>;
}
