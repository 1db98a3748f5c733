/** The smaller forms: accounts, candidates, and the line of the log. */
import { z } from 'zod';
import { nameField, zoneField } from './fields';

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
export const candidateForm = z.object({ name: nameField, instruments: nameField, zone: zoneField });
export const lineForm = z.object({
  line: z
    .string()
    .trim()
    .min(1, 'Type a line, for example: 3 37-41 15m @92 ccncc')
    .max(4000, 'At most 4,000 characters, please.')
});
