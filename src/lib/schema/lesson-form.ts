/** The decisions of a lesson, as small forms bring them. */
import { z } from 'zod';
import { STEP_SCHOOLS } from './steps';
import { type WishAsk, bpmField, dateField, longText, minutesField } from '../core/record';

const id = z.string().max(80);
const numeric = <T extends z.ZodType>(field: T) =>
  z.preprocess((text) => (text === '' ? undefined : Number(text)), field);

export const targetForm = z.object({ itemId: id, sectionId: id, bpm: numeric(bpmField) });
export const stepForm = z.object({ itemId: id, step: z.enum(STEP_SCHOOLS) });
export const weekForm = z.array(z.object({ date: dateField, minutes: numeric(minutesField(0)) })).max(14);
/** `was` is the note that was there when it was opened. */
export const noteForm = z.object({ note: longText, was: z.string().max(4000).default('') });
const says = z.string().trim().max(1000, 'At most 1,000 characters, please.').default('');
/** `what` is asked; the other fields are those of its kind. */
export const wishForm = z.discriminatedUnion('what', [
  z.object({
    what: z.literal('minutes'),
    weekday: numeric(z.number().int().min(1).max(7)),
    minutes: numeric(minutesField(0)),
    says
  }),
  z.object({ what: z.literal('left-out'), itemId: id.min(1, 'Choose an item.'), says }),
  z.object({
    what: z.literal('target'),
    section: z.string().regex(/^\S{1,64} \S{1,64}$/, 'Choose what of the list.'),
    bpm: numeric(bpmField),
    says
  }),
  z.object({ what: z.literal('lighter'), days: numeric(z.number().int().min(1).max(14)), says }),
  z.object({
    what: z.literal('else'),
    says: z.string().trim().min(1, 'Write what you wish.').max(1000, 'At most 1,000 characters, please.')
  })
]);

/** What of a wish can be carried out; undefined where it is words alone. */
export function asksOf(form: z.infer<typeof wishForm>): WishAsk | undefined {
  switch (form.what) {
    case 'minutes':
      return { kind: 'minutes', weekday: form.weekday, minutes: form.minutes };
    case 'left-out':
      return { kind: 'left-out', itemId: form.itemId };
    case 'target': {
      const [itemId = '', sectionId = ''] = form.section.split(' ');
      return { kind: 'target', itemId, sectionId, bpm: form.bpm };
    }
    case 'lighter':
      return { kind: 'lighter', days: form.days };
    case 'else':
      return undefined;
  }
}
export const answerForm = z.object({
  wishId: id,
  answer: z.enum(['accepted', 'not now']),
  reply: z.string().trim().max(1000, 'At most 1,000 characters, please.').default('')
});
