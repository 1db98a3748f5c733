/** A spot: a few bars of an item and what is wrong there, in the player's or a listener's words. What was tried on it is the log's. */
import { z } from 'zod';
import { barField, idField, shortText } from './fields';
import type { Immutable } from './immutable';
import { SPOT_FINDERS } from './words';

export const barsSchema = z.strictObject({ fromBar: barField, toBar: barField });
const inOrder = ({ fromBar, toBar }: z.infer<typeof barsSchema>) => fromBar <= toBar;
const UPSIDE_DOWN = 'The bars are upside down.';
const elsewhere = z.array(barsSchema.refine(inOrder, UPSIDE_DOWN)).max(12);
const notHeld = z.array(shortText).max(12);

const fields = z.strictObject({
  id: idField,
  itemId: idField,
  ...barsSchema.shape,
  /** What is wrong, in words; empty where only elements are named. */
  issue: shortText,
  /** Elements that do not hold there. */
  notHeld,
  foundBy: z.enum(SPOT_FINDERS),
  /** The same passage at other bars: it rests only when each of them held once. */
  elsewhere,
  /** The place of the take at which it was heard. */
  heardIn: z.strictObject({ takeId: idField, atMs: z.number().int().min(0) }).optional()
});
export const spot = fields.refine(inOrder, UPSIDE_DOWN);
export type Spot = Immutable<z.infer<typeof spot>>;

/** What can be set of a spot by hand; of several the latest counts. */
export const spotSet = z.union([
  z.strictObject({ issue: shortText }),
  z.strictObject({ notHeld }),
  z.strictObject({ elsewhere }),
  /** Worked again from nothing, or laid to rest. */
  z.strictObject({ isOpen: z.boolean() }),
  /** Entered by mistake; false puts it back. */
  z.strictObject({ isGone: z.boolean() }),
  /** The teacher lays it first, from this day until it was worked. */
  z.strictObject({ isFirst: z.boolean() }),
  /** The method it is worked by until another is chosen; null takes the choice back. */
  z.strictObject({ method: idField.nullable() })
]);
export type SpotSet = Immutable<z.infer<typeof spotSet>>;
