/** A candidate's week as a form. Empty starts are "some time that day". */
import { z } from 'zod';
import { dateField, minutesField, shortText, timeField } from './fields';
import { refineWeek } from './time';

const blankTime = z
  .union([z.literal(''), timeField], 'A time is written 17:00, on the 24-hour clock.')
  .default('');
const weekday = z.number().int().min(1).max(7);

export const timeForm = z
  .object({
    version: z.number().default(1),
    warmUpMin: minutesField(0, 120),
    fundamentalsMin: minutesField(0, 240),
    week: z
      .array(z.object({ weekday, start: blankTime, minutes: minutesField(1) }))
      .max(42, 'At most six spans a weekday.'),
    lessons: z
      .array(z.object({ weekday, start: blankTime, minutes: minutesField(1, 240), isInside: z.boolean() }))
      .max(14, 'At most fourteen lessons a week.'),
    exceptions: z
      .array(
        z.object({
          date: dateField,
          until: z.union([z.literal(''), dateField]).default(''),
          minutes: minutesField(0),
          why: shortText
        })
      )
      .max(400, 'At most 400 dated exceptions.')
  })
  .superRefine((time, context) => {
    refineWeek({ week: time.week.map((s) => ({ ...s, start: s.start || undefined })) }, context);
    time.exceptions.forEach((e, i) => {
      if (e.until && e.until < e.date)
        context.addIssue({
          code: 'custom',
          path: ['exceptions', i, 'until'],
          message: `The dates are upside down: ${e.date} to ${e.until}.`
        });
    });
  });

export type TimeForm = z.infer<typeof timeForm>;
