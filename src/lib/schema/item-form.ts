/**
 * An item as a form: flat fields that may be empty while one types. What it means is checked by the same schema that
 * files are checked with, and its faults are led back to the fields.
 */
import { z } from 'zod';
import { RAMP_SHAPES } from '../core/plan';
import { STRATEGIES, type SeasonItem } from '../core/season';
import { BEAT_UNITS, tempoIn } from '../core/units';
import {
  EVIDENCE,
  type Cut,
  type Erratum,
  type Printed,
  printedFields,
  readLines,
  sectionFields,
  shortText
} from '../core/record';
import { STEPS_BACK } from '../core/record/words';
import { planItem } from './item';
import { BARS_OF_SCALES } from './list/row';
import { parseCuts, parseErrata } from './printed';
import { STEPS, STEP_SCHOOLS, stepKey } from './steps';
import { orEmpty, typedMark, typedNumber } from './typed';

const TEMPO_KINDS = ['pulse', 'range', 'recordings', 'change', 'free'] as const;

const sectionForm = z.object({
  id: z.string().max(80).default('new'),
  name: shortText,
  fromBar: typedNumber,
  toBar: typedNumber,
  tempoKind: z.enum(TEMPO_KINDS).default('pulse'),
  unit: z.enum(BEAT_UNITS).default('quarter'),
  targetBpm: typedNumber,
  lowBpm: typedNumber,
  highBpm: typedNumber,
  stretchBpm: typedNumber,
  fromBpm: typedNumber,
  toBpm: typedNumber,
  recordings: z.string().max(200, 'At most 200 characters, please.').default(''),
  use: z.enum(['mean', 'median']).default('mean'),
  minutesPerWeek: typedNumber,
  dueOn: orEmpty(sectionFields.dueOn),
  holdsBpm: typedNumber,
  holdsBy: z.enum(EVIDENCE).default('self'),
  holdsOn: orEmpty(sectionFields.dueOn)
});

export const itemForm = z.object({
  version: z.number().default(0),
  name: printedFields.name,
  composer: printedFields.composer,
  kind: printedFields.kind.default('etude'),
  instrument: printedFields.instrument,
  edition: printedFields.edition,
  pages: printedFields.pages,
  key: printedFields.key,
  tested: printedFields.tested,
  errata: z.string().max(4000, 'At most 4,000 characters, please.').default(''),
  cuts: shortText,
  hasOwnSections: typedMark,
  barsPerLine: printedFields.barsPerLine.default(''),
  metre: z.string().trim().max(7, 'A metre is written 4/4 or 6/8.').default('4/4'),
  fromBar: typedNumber,
  toBar: typedNumber,
  pickupBeats: typedNumber,
  minutesPerWeek: typedNumber,
  mostPerDayMin: typedNumber,
  strategy: z.enum(STRATEGIES).default('ramp'),
  notesPerBeat: typedNumber,
  tires: shortText,
  step: z.enum(STEP_SCHOOLS).default('auto'),
  shape: z.enum(RAMP_SHAPES).default('equal-percent'),
  inARow: z.number().default(3),
  among: typedNumber,
  back: z.enum(STEPS_BACK).default('step'),
  sections: z.array(sectionForm).max(60, 'At most 60 sections.').default([])
});

export type ItemForm = z.infer<typeof itemForm>;
export type SectionForm = z.infer<typeof sectionForm>;

type Fault = { readonly path: (string | number)[]; readonly says: string };
type Read =
  | {
      readonly ok: true;
      readonly item: WholeItem;
    }
  | { readonly ok: false; readonly faults: Fault[] };

/** An item with all that is printed of it; the day of an erratum or cut is the studio's to know. */
export type WholeItem = SeasonItem &
  Omit<Printed, 'errata' | 'cuts'> & {
    readonly errata: readonly Omit<Erratum, 'addedOn'>[];
    readonly cuts: readonly Omit<Cut, 'addedOn'>[];
    readonly hasOwnSections: boolean;
  };

/** The item a form means, or its faults at the form's own paths. */
export function readItemForm(form: ItemForm): Read {
  if (form.kind === 'sight-reading' && form.minutesPerWeek === null)
    return { ok: false, faults: [{ path: ['minutesPerWeek'], says: 'Say how many minutes a week.' }] };
  const parsed = planItem.safeParse(itemOf(form));
  const errata = parseErrata(form.errata, form);
  const cuts = parseCuts(form.cuts, form);
  const faults: Fault[] = [
    ...(parsed.error?.issues ?? []).map((issue) => ({
      path: formPath(issue.path as (string | number)[], form),
      says: issue.message
    })),
    ...lineFaults(form, parsed.data),
    ...(errata.ok ? [] : [{ path: ['errata'], says: errata.says }]),
    ...(cuts.ok ? [] : [{ path: ['cuts'], says: cuts.says }])
  ];
  if (!parsed.success || !errata.ok || !cuts.ok || faults.length > 0) return { ok: false, faults };
  const { composer, instrument, edition, pages, key, tested, barsPerLine, hasOwnSections } = form;
  const printed = { composer, instrument, edition, pages, key, tested, barsPerLine, hasOwnSections };
  return { ok: true, item: { ...parsed.data, ...printed, errata: errata.value, cuts: cuts.value } };
}

/** The form's fields where a plan's item has them, unchecked. Sight-reading has minutes alone. */
function itemOf(form: ItemForm) {
  const isSightReading = form.kind === 'sight-reading';
  const [fromBar, toBar] = barsOf(form);
  const { name, kind, metre, strategy, step, shape, inARow, among, back, tires, notesPerBeat } = form;
  const demands = tires.split(',').map((word) => word.trim());
  const sections = form.sections.map((section) => ({
    ...readSection(
      form.kind === 'scales' ? { ...section, ...sectionBars(section, fromBar, toBar) } : section
    ),
    notesPerBeat: notesPerBeat ?? undefined
  }));
  return {
    id: 'new',
    name,
    kind,
    metre,
    fromBar,
    toBar,
    pickupBeats: form.pickupBeats ?? undefined,
    minutesPerWeek: form.minutesPerWeek ?? undefined,
    mostPerDayMin: form.mostPerDayMin ?? undefined,
    schools: {
      strategy,
      step: STEPS[step],
      shape,
      inARow,
      among: among ?? undefined,
      back,
      tires: demands.filter(Boolean)
    },
    sections: isSightReading ? [] : sections,
    holdsNow: isSightReading ? [] : form.sections.flatMap(readHolds)
  };
}

/** Scales have bars only where somebody gave them some. */
function barsOf({ kind, fromBar, toBar }: ItemForm) {
  if (kind === 'sight-reading') return [1, 1] as const;
  return kind === 'scales' && toBar === null ? ([1, BARS_OF_SCALES] as const) : ([fromBar, toBar] as const);
}
const sectionBars = (section: SectionForm, fromBar: number | null, toBar: number | null) => ({
  fromBar: section.toBar === null ? fromBar : section.fromBar,
  toBar: section.toBar ?? toBar
});

/** What is wrong with the bars of each line: no numbers, or, of a sound item, another sum than its bars. */
function lineFaults({ barsPerLine }: ItemForm, item: SeasonItem | undefined): Fault[] {
  const lines = readLines(barsPerLine);
  const path = ['barsPerLine'];
  if (lines === null)
    return [
      { path, says: 'Write the bars of each line as numbers, a slash between pages: 5 4 4 5 / 4 4 6.' }
    ];
  if (lines.length === 0 || !item) return [];
  const written = lines.flat().reduce((a, b) => a + b, 0);
  const bars = item.toBar - item.fromBar + 1;
  return bars === written ? [] : [{ path, says: `The lines have ${written} bars, the item has ${bars}.` }];
}

function readSection(section: SectionForm) {
  const { id, fromBar, toBar, unit } = section;
  const { name, dueOn } = section;
  const tempo = readTempo(section, unit);
  return { id, name: name || undefined, fromBar, toBar, tempo, dueOn: dueOn || undefined };
}

/** What was said to hold of a section, in its own unit. */
function readHolds({ id, tempoKind, unit, holdsBpm, holdsBy, holdsOn }: SectionForm) {
  if (holdsBpm === null || tempoKind === 'free') return [];
  return [{ sectionId: id, bpm: holdsBpm, unit, evidence: holdsBy, on: holdsOn }];
}

function readTempo(s: SectionForm, unit: SectionForm['unit']) {
  switch (s.tempoKind) {
    case 'pulse':
      return { kind: 'pulse', unit, targetBpm: s.targetBpm };
    case 'range':
      return {
        kind: 'range',
        unit,
        lowBpm: s.lowBpm,
        highBpm: s.highBpm,
        stretchBpm: s.stretchBpm ?? undefined
      };
    case 'change':
      return { kind: 'change', unit, fromBpm: s.fromBpm, toBpm: s.toBpm };
    case 'recordings':
      return {
        kind: 'recordings',
        unit,
        recordingsBpm: s.recordings
          .split(/[\s,;]+/)
          .filter(Boolean)
          .map(Number),
        use: s.use
      };
    case 'free':
      return { kind: 'free', minutesPerWeek: s.minutesPerWeek };
  }
}

function formPath(path: (string | number)[], { sections }: ItemForm): (string | number)[] {
  if (path[0] === 'holdsNow') {
    const at = sections.flatMap((section, i) => (readHolds(section).length > 0 ? [i] : []))[Number(path[1])];
    return ['sections', at ?? 0, path.at(-1) === 'on' ? 'holdsOn' : 'holdsBpm'];
  }
  if (path.at(-1) === 'notesPerBeat') return ['notesPerBeat'];
  const flat = path
    .filter((part) => part !== 'tempo')
    .map((part) => (part === 'recordingsBpm' ? 'recordings' : part));
  const at = flat.indexOf('recordings');
  return at >= 0 ? flat.slice(0, at + 1) : flat;
}

/** The form of an item that is there. */
export function fillItemForm(item: WholeItem & { readonly version: number }): ItemForm {
  return {
    version: item.version,
    name: item.name,
    composer: item.composer,
    kind: item.kind,
    instrument: item.instrument,
    edition: item.edition,
    pages: item.pages,
    key: item.key,
    tested: item.tested,
    errata: item.errata.map((e) => `${e.bar}: ${e.says}`).join('\n'),
    cuts: item.cuts.map((c) => `${c.fromBar}-${c.toBar}`).join(', '),
    hasOwnSections: item.hasOwnSections,
    barsPerLine: item.barsPerLine,
    metre: item.metre,
    fromBar: item.fromBar,
    toBar: item.toBar,
    pickupBeats: item.pickupBeats ?? null,
    minutesPerWeek: item.minutesPerWeek ?? null,
    mostPerDayMin: item.mostPerDayMin ?? null,
    strategy: item.schools?.strategy ?? 'ramp',
    tires: (item.schools?.tires ?? []).join(', '),
    notesPerBeat: Math.max(0, ...item.sections.map((s) => s.notesPerBeat ?? 0)) || null,
    step: stepKey(item.schools?.step),
    shape: item.schools?.shape ?? 'equal-percent',
    inARow: item.schools?.inARow ?? 3,
    among: item.schools?.among ?? null,
    back: item.schools?.back ?? 'step',
    sections: item.sections.map((section) => ({
      ...blankSection(section.id),
      name: section.name ?? '',
      fromBar: section.fromBar,
      toBar: section.toBar,
      dueOn: section.dueOn ?? '',
      ...fillHolds(section, item.holdsNow),
      ...fillTempo(section.tempo)
    }))
  };
}

function fillHolds(
  { id, tempo }: SeasonItem['sections'][number],
  all: WholeItem['holdsNow']
): Partial<SectionForm> {
  const holds = all?.find(({ sectionId }) => sectionId === id);
  if (!holds || tempo.kind === 'free') return {};
  return { holdsBpm: tempoIn(holds, tempo.unit), holdsBy: holds.evidence, holdsOn: holds.on };
}

function fillTempo(tempo: SeasonItem['sections'][number]['tempo']): Partial<SectionForm> {
  switch (tempo.kind) {
    case 'pulse':
      return { tempoKind: 'pulse', unit: tempo.unit, targetBpm: tempo.targetBpm };
    case 'range':
      return {
        tempoKind: 'range',
        unit: tempo.unit,
        lowBpm: tempo.lowBpm,
        highBpm: tempo.highBpm,
        stretchBpm: tempo.stretchBpm ?? null
      };
    case 'change':
      return { tempoKind: 'change', unit: tempo.unit, fromBpm: tempo.fromBpm, toBpm: tempo.toBpm };
    case 'recordings':
      return {
        tempoKind: 'recordings',
        unit: tempo.unit,
        recordings: tempo.recordingsBpm.join(' '),
        use: tempo.use
      };
    case 'free':
      return { tempoKind: 'free', minutesPerWeek: tempo.minutesPerWeek };
  }
}

/**
 * Makes bars a section of their own, with the tempo they had; what was there gives way, and a section they lay in the middle
 * of is parted in two. `newId` makes an id for each new section.
 */
export function carveSection(
  sections: readonly SectionForm[],
  fromBar: number,
  toBar: number,
  newId: () => string
): SectionForm[] {
  const holds = sections.find((s) => (s.fromBar ?? 0) <= fromBar && fromBar <= (s.toBar ?? 0));
  const carved = { ...(holds ?? blankSection(newId())), id: newId(), name: '', fromBar, toBar };
  const around = sections.flatMap((section) => {
    const [from, to] = [section.fromBar ?? 0, section.toBar ?? 0];
    if (to < fromBar || from > toBar) return [section];
    const before = from < fromBar ? [{ ...section, toBar: fromBar - 1 }] : [];
    const id = before.length > 0 ? newId() : section.id;
    const after = to > toBar ? [{ ...section, id, fromBar: toBar + 1 }] : [];
    return [...before, ...after];
  });
  return [...around, carved].sort((a, b) => (a.fromBar ?? 0) - (b.fromBar ?? 0));
}

/** An empty section; ids that begin with "new" are given one when saved. */
export function blankSection(id: string): SectionForm {
  return sectionForm.parse({ id, name: '' });
}
