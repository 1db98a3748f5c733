/** An item of the list and its sections, as a form or a file brings them. Bars, ranges and tempos are checked together. */
import { z } from 'zod';
import { RAMP_SHAPES } from '../core/plan';
import { ITEM_KINDS, STRATEGIES } from '../core/season';
import { clickableRange, targetOf } from '../core/tempo';
import { type BeatUnit, sayUnit } from '../core/units';
import {
  barField,
  bpmField,
  dateField,
  idField,
  metreField,
  minutesField,
  nameField,
  shortText,
  unitField
} from './fields';

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

export const schools = z.strictObject({
  tires: z.array(z.string().trim().min(1).max(40)).max(8, 'At most eight demands.').optional(),
  strategy: z.enum(STRATEGIES).optional(),
  step: stepSchool.optional(),
  shape: z.enum(RAMP_SHAPES).optional(),
  inARow: z.number().int().min(1, 'At least one clean attempt.').max(10, 'At most ten in a row.').optional()
});

const sectionTempo = z
  .discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('pulse'), unit: unitField, targetBpm: bpmField }),
    z.strictObject({
      kind: z.literal('range'),
      unit: unitField,
      lowBpm: bpmField,
      highBpm: bpmField,
      stretchBpm: bpmField.optional()
    }),
    z.strictObject({ kind: z.literal('change'), unit: unitField, fromBpm: bpmField, toBpm: bpmField }),
    z.strictObject({
      kind: z.literal('recordings'),
      unit: unitField,
      recordingsBpm: z
        .array(bpmField)
        .min(1, 'Measure at least one recording.')
        .max(20, 'Twenty recordings are enough.'),
      use: z.enum(['mean', 'median'])
    }),
    z.strictObject({ kind: z.literal('free'), minutesPerWeek: minutesField(1, 600) })
  ])
  .superRefine((tempo, context) => {
    if (tempo.kind === 'range') {
      if (tempo.lowBpm > tempo.highBpm) {
        context.addIssue({
          code: 'custom',
          path: ['highBpm'],
          message: `The range is upside down: ${tempo.lowBpm} to ${tempo.highBpm}.`
        });
        return;
      }
      const { stretchBpm: stretch } = tempo;
      if (stretch !== undefined && (stretch < tempo.lowBpm || stretch > tempo.highBpm)) {
        context.addIssue({
          code: 'custom',
          path: ['stretchBpm'],
          message: `The stretch lies in the range, ${tempo.lowBpm} to ${tempo.highBpm}.`
        });
      }
    }
    const target = targetOf(tempo);
    if (target) refineClick(target.bpm, target.unit, targetKey(tempo), context);
  });

type SectionTempoInput = z.infer<typeof sectionTempo>;

function targetKey(tempo: SectionTempoInput): string {
  const keys = {
    pulse: 'targetBpm',
    range: tempo.kind === 'range' && tempo.stretchBpm !== undefined ? 'stretchBpm' : 'lowBpm',
    change: 'toBpm',
    recordings: 'recordingsBpm',
    free: ''
  };
  return keys[tempo.kind];
}

function refineClick(bpm: number, unit: BeatUnit, key: string, context: z.RefinementCtx): void {
  const { lowest, highest } = clickableRange(unit);
  if (bpm >= lowest && bpm <= highest) return;
  const says =
    bpm < lowest
      ? `below the lowest a click can say, ${Math.ceil(lowest)}`
      : `above the highest a click can say, ${highest}`;
  context.addIssue({
    code: 'custom',
    path: [key],
    message: `${sayUnit(unit)} ${bpm} is ${says}; choose another beat unit.`
  });
}

const sectionBase = {
  id: idField,
  name: shortText.unwrap().optional(),
  fromBar: barField,
  toBar: barField,
  tempo: sectionTempo,
  dueOn: dateField.optional(),
  notesPerBeat: z
    .number()
    .min(0.25, 'At least one note in four beats.')
    .max(16, 'At most 16 notes a beat.')
    .optional()
};
export const section = z.strictObject(sectionBase);

const itemFields = {
  id: idField,
  name: nameField,
  kind: z.enum(ITEM_KINDS, 'Choose what kind of item it is.'),
  metre: metreField,
  fromBar: barField,
  toBar: barField,
  pickupBeats: z
    .number()
    .min(0, 'A pickup has no less than 0 beats.')
    .max(16, 'A pickup has at most 16 beats.')
    .optional(),
  repeats: z
    .array(z.strictObject({ fromBar: barField, toBar: barField }))
    .max(50)
    .optional(),
  sections: z.array(section).max(60, 'At most 60 sections.'),
  minutesPerWeek: minutesField(1, 600).optional(),
  mostPerDayMin: minutesField(8, 240).optional(),
  schools: schools.optional(),
  cuts: z
    .array(z.strictObject({ fromBar: barField, toBar: barField }))
    .max(50)
    .optional(),
  isLeftOut: z.boolean().optional()
};

type Barred = {
  fromBar: number;
  toBar: number;
  metre: string;
  sections: readonly { fromBar: number; toBar: number; tempo: { kind: string; unit?: string | undefined } }[];
  repeats?: readonly { fromBar: number; toBar: number }[] | undefined;
  minutesPerWeek?: number | undefined;
};

/** Bars in order and inside the item; something to plan: a section, or minutes a week. */
export function refineItem(item: Barred, context: z.RefinementCtx): void {
  const add = (path: (string | number)[], message: string) =>
    context.addIssue({ code: 'custom', path, message });
  if (item.toBar < item.fromBar)
    return add(['toBar'], `The last bar, ${item.toBar}, comes before the first, ${item.fromBar}.`);
  for (const [key, spans] of [
    ['sections', item.sections],
    ['repeats', item.repeats ?? []]
  ] as const) {
    spans.forEach((span, i) => {
      if (span.toBar < span.fromBar)
        add([key, i, 'toBar'], `The bars are upside down: ${span.fromBar} to ${span.toBar}.`);
      else if (span.fromBar < item.fromBar)
        add(
          [key, i, 'fromBar'],
          `Bar ${span.fromBar} lies outside the item, bars ${item.fromBar} to ${item.toBar}.`
        );
      else if (span.toBar > item.toBar)
        add(
          [key, i, 'toBar'],
          `Bar ${span.toBar} lies outside the item, bars ${item.fromBar} to ${item.toBar}.`
        );
    });
  }
  if (item.sections.length === 0 && !item.minutesPerWeek)
    add(['sections'], 'Give it a section with a tempo, or minutes a week.');
}

export const planItem = z.strictObject(itemFields).superRefine(refineItem);
