/** A mock: a stage of the way from the run alone to the slot, booked, drawn, played and heard; and what each juror wrote of it. */
import { z } from 'zod';
import {
  barField,
  bpmField,
  dateField,
  idField,
  minutesField,
  nameField,
  shortText,
  timeField,
  unitField
} from './fields';
import type { Immutable } from './immutable';
import { barsSchema } from './spot';
import { MOCK_WORDS } from './words';

const UPSIDE_DOWN = 'The bars are upside down.';
const inOrder = ({ fromBar, toBar }: { fromBar: number; toBar: number }) => fromBar <= toBar;

/** What is heard of one item. */
const drawn = z
  .strictObject({
    itemId: idField,
    ...barsSchema.shape,
    /** Drawn to begin, or to stop, where no player would: on purpose. */
    isOdd: z.boolean()
  })
  .refine(inOrder, UPSIDE_DOWN);
export type Drawn = Immutable<z.infer<typeof drawn>>;

export const mockBooked = z.strictObject({
  /** 1, alone with the recorder, to 5, full dress. */
  stage: z.number().int().min(1, 'Stages go from 1 to 5.').max(5, 'Stages go from 1 to 5.'),
  date: dateField,
  time: timeField.optional(),
  place: shortText,
  /** Minutes it takes from its day. */
  minutes: minutesField(1, 480),
  /** Minutes to warm up in, then to wait in silence, before its hour. */
  before: z.strictObject({ warmUpMin: minutesField(0, 120), waitingMin: minutesField(0, 120) }).optional()
});
export type MockBooked = Immutable<z.infer<typeof mockBooked>>;

/** The number under which a candidate plays, so that nobody hears a name. */
const candidateNumber = z.number().int().min(1).max(99);

/** What is known of how an item was played; a place in the draw without anything has none. */
const played = z.strictObject({
  item: z.number().int().min(0).max(60),
  /** Tapped while it was played. */
  tempo: z.strictObject({ bpm: bpmField, unit: unitField }).optional(),
  /** Recorded by the panel's device, or by that of who plays alone. */
  takeId: idField.optional()
});

/** One juror's words on one item; what is not said is left open. */
const noteSchema = z
  .strictObject({ fromBar: barField, toBar: barField, says: shortText })
  .refine(inOrder, UPSIDE_DOWN)
  .refine(({ says }) => says !== '', 'Say what you hear there.');
export const ballotItem = z.strictObject({
  /** Its place in the draw, from 0. */
  item: z.number().int().min(0).max(60),
  words: z.record(shortText, z.enum(MOCK_WORDS)),
  notes: z.array(noteSchema).max(20, 'At most twenty remarks on an item.')
});
export type BallotItem = Immutable<z.infer<typeof ballotItem>>;

const juror = z.strictObject({
  id: idField,
  name: nameField,
  /** Of who hears a whole evening: what their one link opens. */
  seat: idField.optional(),
  ballot: z.array(ballotItem).max(60),
  /** Remarks that became spots, or were let go of: by item and number. */
  settled: z.array(z.strictObject({ item: z.number().int(), note: z.number().int() })).max(1200)
});
export type Juror = Immutable<z.infer<typeof juror>>;

/** A mock as it is kept. */
export const keptMock = z.strictObject({
  id: idField,
  ...mockBooked.shape,
  /** Shared by those that are played to one jury on one evening. */
  evening: idField.optional(),
  number: candidateNumber,
  /** From which the draw can be made again. */
  seed: z.number().int().min(0).max(4_294_967_295),
  draw: z.array(drawn).max(60),
  /** The place in the draw that is played; null before it was begun. One behind the last: it is over. */
  at: z.number().int().min(0).max(60).nullable(),
  /** When what is played began, in ms since 1970 UTC. */
  sinceMs: z.number().int().min(0).nullable(),
  /** Items that were broken off, by their place. */
  broken: z.array(z.number().int().min(0).max(60)).max(60),
  played: z.array(played).max(60).default([]),
  /** The teacher has opened what the jurors wrote. */
  isOpened: z.boolean(),
  jurors: z.array(juror).max(12)
});
export type Mock = Immutable<z.infer<typeof keptMock>>;
