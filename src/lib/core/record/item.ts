/**
 * An item of the list: its bars, sections and tempos, how it is worked, and what is printed of it. That bars lie inside and a click can say
 * the target is asked where one comes in (schema/item.ts).
 */
import { z } from 'zod';
import {
  barField,
  bpmField,
  dateField,
  idField,
  instrumentField,
  metreField,
  minutesField,
  nameField,
  shortText,
  unitField
} from './fields';
import type { Immutable } from './immutable';
import { EVIDENCE, ITEM_KINDS, RAMP_SHAPES, STEPS_BACK, STRATEGIES } from './words';

const stepSchool = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('scale'),
    clicks: z.union([z.literal('auto'), z.literal(1), z.literal(2)])
  }),
  z.strictObject({
    kind: z.literal('plus'),
    bpm: z.number().int().min(1, 'A step is at least 1 bpm.').max(20, 'A step is at most 20 bpm.')
  }),
  z.strictObject({
    kind: z.literal('percent'),
    percent: z.number().min(1, 'At least 1 percent.').max(25, 'At most 25 percent.')
  }),
  z.strictObject({ kind: z.literal('zigzag') })
]);
export type StepSchool = Immutable<z.infer<typeof stepSchool>>;

export const schools = z.strictObject({
  /** Muscles the item tires: blocks that tire the same are not put side by side. */
  tires: z.array(z.string().trim().min(1).max(40)).max(8, 'At most eight demands.').optional(),
  strategy: z.enum(STRATEGIES).optional(),
  step: stepSchool.optional(),
  shape: z.enum(RAMP_SHAPES).optional(),
  /** So many clean make a tempo hold ... */
  inARow: z.number().int().min(1, 'At least one clean attempt.').max(10, 'At most ten in a row.').optional(),
  /** ... among the last so many; where that is no more than they are, they come in a row. */
  among: z.number().int().min(1, 'Among one at least.').max(20, 'Among at most the last twenty.').optional(),
  /** Where two "not yet" in a row lead. */
  back: z.enum(STEPS_BACK).optional()
});
/** As far as they were chosen. */
export type ChosenSchools = Immutable<z.infer<typeof schools>>;
export type Schools = { readonly [K in keyof ChosenSchools]-?: NonNullable<ChosenSchools[K]> };

export const sectionTempo = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('pulse'), unit: unitField, targetBpm: bpmField }),
  z.strictObject({
    kind: z.literal('range'),
    unit: unitField,
    lowBpm: bpmField,
    highBpm: bpmField,
    /** Where in the range the teacher wants to be; the part above the low end can be given back. */
    stretchBpm: bpmField.optional()
  }),
  z.strictObject({ kind: z.literal('change'), unit: unitField, fromBpm: bpmField, toBpm: bpmField }),
  z.strictObject({
    kind: z.literal('recordings'),
    unit: unitField,
    recordingsBpm: z
      .array(bpmField)
      // without one there is no target that could be looked at further
      .min(1, { error: 'Measure at least one recording.', abort: true })
      .max(20, 'Twenty recordings are enough.'),
    use: z.enum(['mean', 'median'])
  }),
  z.strictObject({ kind: z.literal('free'), minutesPerWeek: minutesField(1, 600) })
]);
export type SectionTempo = Immutable<z.infer<typeof sectionTempo>>;

export const sectionFields = {
  id: idField,
  name: shortText.unwrap().optional(),
  fromBar: barField,
  toBar: barField,
  tempo: sectionTempo,
  /** The day on which its target is to hold, set by hand; the section is laid to it as to a pin. */
  dueOn: dateField.optional(),
  /** Notes to a beat where it is densest. */
  notesPerBeat: z
    .number()
    .min(0.25, 'At least one note in four beats.')
    .max(16, 'At most 16 notes a beat.')
    .optional()
};
export type SeasonSection = Immutable<z.infer<z.ZodObject<typeof sectionFields>>>;

const bars = { fromBar: barField, toBar: barField };

/** What holds of a section when the item is entered: evidence of that day. */
const holdsNow = z.strictObject({
  sectionId: idField,
  bpm: bpmField,
  unit: unitField,
  evidence: z.enum(EVIDENCE),
  on: dateField
});
export type HoldsNow = Immutable<z.infer<typeof holdsNow>>;
const statedField = z.array(holdsNow).max(60, 'At most one tempo that holds for each section.').optional();

/** What a plan asks of an item, printed or one candidate's own. */
export const itemFields = {
  id: idField,
  name: nameField,
  kind: z.enum(ITEM_KINDS, 'Choose what kind of item it is.'),
  /** What it is played on; empty or missing: the candidate's first instrument. */
  instrument: instrumentField.optional(),
  metre: metreField,
  ...bars,
  pickupBeats: z
    .number()
    .min(0, 'A pickup has no less than 0 beats.')
    .max(16, 'A pickup has at most 16 beats.')
    .optional(),
  /** Bars in each line of the page, pages parted by a slash: "5 4 4 5 / 4 4 6". */
  barsPerLine: z.string().trim().max(2000, 'At most 2,000 characters, please.').optional(),
  /** Bars played twice. */
  repeats: z.array(z.strictObject(bars)).max(50).optional(),
  sections: z.array(z.strictObject(sectionFields)).max(60, 'At most 60 sections.'),
  /** Sight-reading and other work without a tempo. */
  minutesPerWeek: minutesField(1, 600).optional(),
  mostPerDayMin: minutesField(8, 240).optional(),
  schools: schools.optional(),
  /** At most one for a section; what was played since counts for more. */
  holdsNow: statedField,
  /** Bars that will be heard; the plan narrows to them. */
  cuts: z.array(z.strictObject(bars)).max(50).optional(),
  /** Left out by the teacher's choice: it stays on the list and asks nothing. */
  isLeftOut: z.boolean().optional()
};
export type PlanItem = Immutable<z.infer<z.ZodObject<typeof itemFields>>>;

const addedOn = { addedOn: dateField };
/** Something printed wrong, and how it should be. */
const erratum = z.strictObject({ bar: barField, says: shortText, ...addedOn });
export type Erratum = Immutable<z.infer<typeof erratum>>;
/** Bars that will be heard. */
const cut = z.strictObject({ ...bars, ...addedOn });
export type Cut = Immutable<z.infer<typeof cut>>;

/** What is the list's of an item. */
export const printedFields = {
  id: idField,
  name: nameField,
  composer: shortText,
  kind: itemFields.kind,
  /** Empty: the candidate's first instrument. */
  instrument: instrumentField,
  edition: shortText,
  pages: shortText,
  /** "D minor": related scales are chosen from it. */
  key: shortText,
  /** What the panel tests with it. */
  tested: shortText,
  barsPerLine: itemFields.barsPerLine.unwrap(),
  metre: metreField,
  ...bars,
  pickupBeats: itemFields.pickupBeats,
  minutesPerWeek: itemFields.minutesPerWeek,
  sections: itemFields.sections,
  errata: z.array(erratum).max(400),
  cuts: z.array(cut).max(60)
};
export type Printed = Immutable<z.infer<z.ZodObject<typeof printedFields>>>;

/** What is one candidate's own of an item. */
export const ownFields = {
  /** Null where they are the list's. */
  ownSections: z.array(z.strictObject(sectionFields)).max(60).nullable(),
  mostPerDayMin: itemFields.mostPerDayMin,
  schools: schools.optional(),
  holdsNow: itemFields.holdsNow
};
export type Own = Immutable<z.infer<z.ZodObject<typeof ownFields>>>;
