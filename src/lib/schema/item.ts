/** An item of the list and its sections, as a form or a file brings them. Bars, ranges and tempos are checked together. */
import { z } from 'zod';
import { type HoldsNow, type SectionTempo, itemFields, sectionFields, sectionTempo } from '../core/record';
import { clickableRange, targetOf } from '../core/tempo';
import { type BeatUnit, sayUnit } from '../core/units';

const soundTempo = sectionTempo.superRefine((tempo, context) => {
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
        message: `What is wanted lies in the range, ${tempo.lowBpm} to ${tempo.highBpm}.`
      });
    }
  }
  const target = targetOf(tempo);
  if (target) refineClick(target.bpm, target.unit, [targetKey(tempo)], context);
});

function targetKey(tempo: SectionTempo): string {
  const keys = {
    pulse: 'targetBpm',
    range: tempo.kind === 'range' && tempo.stretchBpm !== undefined ? 'stretchBpm' : 'lowBpm',
    change: 'toBpm',
    recordings: 'recordingsBpm',
    free: ''
  };
  return keys[tempo.kind];
}

/** Why no click can say a tempo, as a sentence; null where one can. */
export function sayNoClick(bpm: number, unit: BeatUnit): string | null {
  const { lowest, highest } = clickableRange(unit);
  if (bpm >= lowest && bpm <= highest) return null;
  const says =
    bpm < lowest
      ? `below the lowest a click can say, ${Math.ceil(lowest)}`
      : `above the highest a click can say, ${highest}`;
  return `${sayUnit(unit)} ${bpm} is ${says}; choose another beat unit.`;
}

function refineClick(bpm: number, unit: BeatUnit, path: (string | number)[], context: z.RefinementCtx): void {
  const says = sayNoClick(bpm, unit);
  if (says) context.addIssue({ code: 'custom', path, message: says });
}

/** A section whose target a click can say. */
export const section = z.strictObject({ ...sectionFields, tempo: soundTempo });

type Barred = {
  fromBar: number;
  toBar: number;
  metre: string;
  sections: readonly {
    id?: string;
    fromBar: number;
    toBar: number;
    tempo: { kind: string; unit?: string | undefined };
  }[];
  repeats?: readonly { fromBar: number; toBar: number }[] | undefined;
  minutesPerWeek?: number | undefined;
  holdsNow?: readonly HoldsNow[] | undefined;
};

/** Said where something is to hold on a day that has not been. */
export const sayToCome = (on: string) => `${on} is still to come: say what holds today.`;

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
  item.sections.forEach((one, i) => {
    const other = item.sections.slice(0, i).find((s) => s.fromBar <= one.toBar && one.fromBar <= s.toBar);
    if (other && one.fromBar <= one.toBar && other.fromBar <= other.toBar)
      add(
        ['sections', i, 'fromBar'],
        `Bars ${Math.max(one.fromBar, other.fromBar)} to ${Math.min(one.toBar, other.toBar)} stand in two sections.`
      );
  });
  item.holdsNow?.forEach(({ sectionId, bpm, unit }, i) => {
    const own = item.sections.filter((s) => s.id === sectionId);
    const isTwice = item.holdsNow!.findIndex((other) => other.sectionId === sectionId) < i;
    if (own.length === 0) add(['holdsNow', i, 'sectionId'], `There is no section “${sectionId}”.`);
    else if (own[0]!.tempo.kind === 'free')
      add(['holdsNow', i, 'bpm'], 'These bars are free: no click says what holds.');
    else if (isTwice) add(['holdsNow', i, 'sectionId'], 'What holds of a section is said once.');
    else refineClick(bpm, unit, ['holdsNow', i, 'bpm'], context);
  });
  if (item.sections.length === 0 && !item.minutesPerWeek)
    add(['sections'], 'Give it a section with a tempo, or minutes a week.');
}

/** An item that something can be planned for. */
const sections = z.array(section).max(60, 'At most 60 sections.');
export const planItem = z.strictObject({ ...itemFields, sections }).superRefine(refineItem);
