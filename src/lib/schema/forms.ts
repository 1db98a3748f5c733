/** The smaller forms: accounts, candidates, and the line of the log. */
import { z } from 'zod';
import { parseDate } from '../core/units';
import { dateField, longText, nameField, shortText, timeField, zoneField } from './fields';

const login = z
  .string()
  .trim()
  .min(2, 'A sign-in name has at least 2 characters.')
  .max(80, 'At most 80 characters, please.')
  .regex(/^\S+$/, 'A sign-in name has no spaces.');
const newPassword = z
  .string()
  .min(10, 'At least 10 characters; three or four words make a good one.')
  .max(200, 'At most 200 characters, please.');

export const newTeacherForm = z.object({ name: nameField, login, password: newPassword });
export const joinForm = z.object({ login, password: newPassword });
export const signInForm = z.object({
  login: z.string().trim().min(1, 'Type your sign-in name.').max(80, 'At most 80 characters, please.'),
  password: z.string().min(1, 'Type your password.').max(200, 'At most 200 characters, please.')
});
const whoFields = {
  name: nameField,
  instruments: nameField,
  zone: zoneField,
  isMinor: z.boolean().default(false)
};
export const candidateForm = z.object(whoFields);
/** Everything of a candidate beside the practice time. */
export const factsForm = z.object({
  ...whoFields,
  version: z.number().default(0),
  guardian: shortText,
  consentOn: z.union([z.literal(''), dateField]).default(''),
  privateNote: longText
});
/** Days away, in one entry; at most a year at once, so that a slip in a date does not fill the calendar. */
export const awayForm = z
  .object({ from: dateField, to: dateField, why: shortText })
  .superRefine(({ from, to }, context) => {
    const add = (message: string) => context.addIssue({ code: 'custom', path: ['to'], message });
    const [first, last] = [parseDate(from), parseDate(to)];
    if (first === null || last === null) return;
    if (last < first) add(`The dates are upside down: ${from} to ${to}.`);
    else if (last - first > 366) add('More than a year away: check the year.');
  });
/** A candidate's own slot in a round; an empty date takes it back. */
export const slotForm = z.object({
  roundId: z.string().max(80),
  date: z.union([z.literal(''), dateField]).default(''),
  time: z.union([z.literal(''), timeField], 'A time is written 09:30, on the 24-hour clock.').default('')
});
export const lineForm = z.object({
  line: z
    .string()
    .trim()
    .min(1, 'Type a line, for example: 3 37-41 15m @92 ccncc')
    .max(4000, 'At most 4,000 characters, please.')
});
