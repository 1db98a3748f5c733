/** The smaller forms: accounts, candidates, and the line of the log. */
import { z } from 'zod';
import { dateField, longText, nameField, shortText, zoneField } from '../core/record';
import { spanFault } from './time';

const login = z
  .string()
  .trim()
  .min(2, 'A sign-in name has at least 2 characters.')
  .max(80, 'At most 80 characters, please.')
  .regex(/^\S+$/, 'A sign-in name has no spaces.');
/** As long as a password has to be. */
export const newPassword = z
  .string()
  .min(12, 'At least 12 characters; three or four words make a good one.')
  .max(200, 'At most 200 characters, please.');

/** `how`: somebody who teaches, or who prepares alone and says what they play, and where. */
export const newTeacherForm = z.object({
  name: nameField,
  login,
  password: newPassword,
  how: z.enum(['teach', 'alone'], 'Choose how you begin.').default('teach'),
  instruments: shortText,
  zone: z.string().trim().max(80).default('')
});
/** A link for somebody who looks in; a substitute's ends with a day. */
export const visitForm = z
  .object({
    kind: z.enum(['guardian', 'substitute'], 'Choose whom the link is for.'),
    until: z.union([z.literal(''), dateField]).default('')
  })
  .refine(
    ({ kind, until }) => kind === 'guardian' || until !== '',
    'Until which day? A substitute’s link ends with it.'
  );
export const joinForm = z.object({ login, password: newPassword });
export const signInForm = z.object({
  login: z.string().trim().min(1, 'Type your sign-in name.').max(80, 'At most 80 characters, please.'),
  password: z.string().min(1, 'Type your password.').max(200, 'At most 200 characters, please.')
});
export const passwordForm = z.object({
  present: z.string().min(1, 'Type the password you have now.').max(200, 'At most 200 characters, please.'),
  password: newPassword
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
  sharingOn: z.union([z.literal(''), dateField]).default(''),
  privateNote: longText
});
/** Days away, in one entry; at most a year at once, so that a slip in a date does not fill the calendar. */
export const awayForm = z
  .object({ from: dateField, to: dateField, why: shortText })
  .superRefine(({ from, to }, context) => {
    const fault = spanFault(from, to);
    if (fault) context.addIssue({ code: 'custom', path: ['to'], message: fault });
  });
/** Made with the form, so that what is sent twice is logged once; empty in what another program sends. */
export const touchIdField = z.string().max(80).default('');

export const lineForm = z.object({
  touchId: touchIdField,
  line: z
    .string()
    .trim()
    .min(1, 'Type a line, for example: 3 37-41 15m @92 ccncc')
    .max(4000, 'At most 4,000 characters, please.')
});
