/**
 * The open format of a plan request, "irvot-plan-request" version 1, as docs/formats.md describes it. What it lets
 * through, core/season can lay. Faults name the path and say what to do.
 */
import { z } from 'zod';
import { type SeasonRequest, outOfReach } from '../core/season';
import { targetOf } from '../core/tempo';
import { type Fault, type Result, SAME_TEMPO } from '../core/units';
import { datesIn } from './dates-in';
import {
  barField,
  dateField,
  idField,
  minutesField,
  mock,
  nameField,
  pin,
  roundFields,
  schools,
  touch,
  zoneField
} from '../core/record';
import { planItem, sayToCome } from './item';
import { refineSlot } from './round';
import { refineWeek, timeFields } from './time';
import { refineTouch } from './touch';

const round = z.strictObject({
  ...roundFields,
  itemIds: z.array(idField).min(1, 'A round hears at least one item.').optional(),
  isHistory: z.boolean().optional()
});

export const agreed = z.object({
  ground: z.string().max(20).optional(),
  stated: z.record(z.string().max(80), z.string().max(80)).optional(),
  carried: z
    // files of before have a number behind the id of a touch that another audition lent
    .array(z.object({ itemId: idField, touchId: z.string().min(1).max(80), minutes: minutesField(0) }))
    .default([]),
  rungs: z.array(
    z.object({
      sectionId: idField,
      bpm: z.number(),
      bars: z.object({ fromBar: barField, toBar: barField }).optional(),
      minutes: minutesField(1, 100_000),
      basis: z.string().max(400),
      due: dateField.optional()
    })
  ),
  allotments: z.array(
    z.object({
      itemId: idField,
      kind: z.enum(['ladder', 'minutes']),
      date: dateField,
      minutes: minutesField(1)
    })
  )
});

const planFields = z.strictObject({
  format: z.literal('irvot-plan-request', 'The format is "irvot-plan-request".'),
  version: z.literal(1, 'This program reads version 1.'),
  today: dateField,
  began: dateField.optional(),
  zone: zoneField,
  rounds: z.array(round).min(1, 'An audition has at least one round.').max(20, 'At most 20 rounds.'),
  items: z.array(planItem).min(1, 'The list is empty: add at least one item.').max(80, 'At most 80 items.'),
  time: z.strictObject({ ...timeFields, mocks: z.array(mock).max(60).default([]) }).superRefine(refineWeek),
  schools: schools.optional(),
  daysIntoMock: z.number().int().min(0).max(60).optional(),
  log: z.array(touch).max(200_000).default([]),
  pins: z.array(pin).max(2000, 'At most 2,000 pins.').optional(),
  previous: agreed.optional(),
  name: nameField.optional()
});

const planRequest = planFields.superRefine((request, context) => {
  const add: Add = (path, message) => context.addIssue({ code: 'custom', path, message });
  const items = new Map(request.items.map((item) => [item.id, item]));
  refineItems(request, add);
  refineDates(request, add);
  request.rounds.forEach((r, i) => {
    refineSlot(r, ['rounds', i], context);
    r.itemIds?.forEach((id, j) => !items.has(id) && add(['rounds', i, 'itemIds', j], noItem(id)));
  });
  addTwice(request.rounds, 'rounds', 'Two rounds have the same id.', add);
  request.log.forEach((t, i) => {
    const item = items.get(t.itemId);
    if (!item) return add(['log', i, 'itemId'], noItem(t.itemId));
    refineTouch(t, item, request.today, prefixed(context, ['log', i]));
  });
  addTwice(request.log, 'log', 'Two touches have the same id.', add);
  request.pins?.forEach((one, i) => refinePin(one, items.get(one.itemId), request.today, ['pins', i], add));
});

type Parsed = z.output<typeof planFields>;
type Item = Parsed['items'][number];
type Path = (string | number)[];
type Add = (path: Path, message: string) => void;

const noItem = (id: string) => `There is no item “${id}” in the list.`;

/** What an item says fits itself, and the list. */
function refineItems({ items, rounds, today }: Parsed, add: Add): void {
  if (new Set(items.map(({ id }) => id)).size < items.length) add(['items'], 'Two items have the same id.');
  const sections = items.flatMap((item) => item.sections.map((s) => s.id));
  if (new Set(sections).size < sections.length) add(['items'], 'Two sections have the same id.');
  const lastRound = rounds
    .map((r) => r.date)
    .sort()
    .at(-1)!;
  items.forEach((item, i) => {
    item.cuts?.forEach((cut, c) => {
      const path = ['items', i, 'cuts', c];
      if (cut.toBar < cut.fromBar) add(path, `The cut is upside down: ${cut.fromBar} to ${cut.toBar}.`);
      else if (cut.fromBar < item.fromBar || cut.toBar > item.toBar)
        add(path, `${item.name} has bars ${item.fromBar} to ${item.toBar}.`);
    });
    item.holdsNow?.forEach(({ on }, h) => {
      if (on > today) add(['items', i, 'holdsNow', h, 'on'], sayToCome(on));
    });
    item.sections.forEach(({ dueOn }, s) => {
      const path = ['items', i, 'sections', s, 'dueOn'];
      if (dueOn && dueOn < today) add(path, `${dueOn} is before today, ${today}.`);
      else if (dueOn && dueOn > lastRound) add(path, `${dueOn} is after the last round, ${lastRound}.`);
    });
  });
}

/** The plan began by today, nothing lies out of reach, and a round before today has taken place. */
function refineDates(request: Parsed, add: Add): void {
  const { began, rounds, today } = request;
  if (began && began > today) add(['began'], `${began} is after today, ${today}.`);
  for (const { path, date } of datesIn(request)) {
    const fault = outOfReach(date, today);
    if (fault) add(path, fault);
  }
  rounds.forEach((r, i) => {
    if (r.date < today && !r.isHistory)
      add(
        ['rounds', i, 'date'],
        `${r.date} is before today, ${today}; a round that has taken place says "isHistory": true.`
      );
  });
}

type Pin = NonNullable<Parsed['pins']>[number];
function refinePin(one: Pin, item: Item | undefined, today: string, path: Path, add: Add): void {
  if (!item) add([...path, 'itemId'], noItem(one.itemId));
  else if ('sectionId' in one && !item.sections.some((s) => s.id === one.sectionId))
    add([...path, 'sectionId'], `“${item.name}” has no section “${one.sectionId}”.`);
  else if (one.date < today) add([...path, 'date'], `${one.date} is before today, ${today}.`);
  else if ('bpm' in one && !isUnderTarget(item, one))
    add([...path, 'bpm'], `No rung of “${item.name}” is at ${one.bpm}: it lies above the target.`);
}

/** At the second of two that have the same id. */
function addTwice(all: readonly { readonly id: string }[], path: string, says: string, add: Add): void {
  const seen = new Set<string>();
  all.forEach(({ id }, i) => (seen.has(id) ? add([path, i, 'id'], says) : seen.add(id)));
}

function isUnderTarget(
  { sections }: Pick<SeasonRequest['items'][number], 'sections'>,
  { sectionId, bpm }: { readonly sectionId: string; readonly bpm: number }
): boolean {
  const section = sections.find((s) => s.id === sectionId);
  const target = section && targetOf(section.tempo);
  return !target || bpm <= target.bpm * (1 + SAME_TEMPO);
}

/** A context whose issues lie below a path. */
function prefixed(context: z.RefinementCtx, path: (string | number)[]): z.RefinementCtx {
  const addIssue: z.RefinementCtx['addIssue'] = (issue) => {
    if (typeof issue === 'string') context.addIssue(issue);
    else
      context.addIssue({
        ...issue,
        path: [...path, ...((issue.path as (string | number)[] | undefined) ?? [])]
      });
  };
  return { ...context, addIssue };
}

/** Reads a plan request from parsed JSON, or names every fault at its path ("rounds.0.date"). */
export function readPlanRequest(input: unknown): Result<SeasonRequest> {
  const parsed = planRequest.safeParse(input);
  if (parsed.success) {
    const request: SeasonRequest = parsed.data;
    return { ok: true, value: request };
  }
  return {
    ok: false,
    faults: parsed.error.issues.map((issue): Fault => ({
      path: issue.path.join('.') || '(request)',
      says: issue.message
    }))
  };
}
