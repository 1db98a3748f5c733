/**
 * The open archive "irvot-archive" version 1, as docs/formats.md describes it: a zip with archive.json, calls.json and one
 * file a candidate. What it lets through, a studio can take in; faults name the file, the path and what to do.
 */
import { z } from 'zod';
import {
  checkLevels,
  dateField,
  deskEvent,
  idField,
  keptMock,
  prescreen,
  task,
  keptTake,
  lessonNote,
  longText,
  nameField,
  otherDate,
  ownDate,
  ownFields,
  pin,
  printedFields,
  round,
  roundDay,
  saidCheck,
  saidKind,
  schools,
  shortText,
  slot,
  touch,
  wish,
  zoneField,
  webAddressField
} from '../core/record';
import type { Immutable } from '../core/record/immutable';
import { refineItem, section } from './item';
import { agreed } from './plan-request';
import { refineSlot } from './round';
import { practiceTime } from './time';

export const ARCHIVE_VERSION = 1;

export const archiveHead = z.object({
  format: z.literal('irvot-archive', 'This is no archive of a studio: its format is not "irvot-archive".'),
  version: z.number().int().min(1),
  scope: z.enum(['studio', 'candidate']),
  madeAt: z.string().max(40),
  candidates: z.number().int().min(0).max(2000, 'At most 2,000 candidates.'),
  /** How a new item climbs in the studio it came from. */
  usualSchools: schools.optional()
});

/** Sound, as a plan needs it. */
const sections = z.array(section).max(60);
const printed = z
  .strictObject({ ...printedFields, sections, pickupBeats: printedFields.pickupBeats.unwrap() })
  .superRefine(refineItem);

const call = z
  .strictObject({
    id: idField,
    name: nameField,
    checkedOn: dateField.nullable(),
    webAddress: webAddressField.optional(),
    rounds: z.array(round).max(20),
    dates: z.array(otherDate).max(60),
    items: z.array(printed).max(200)
  })
  .superRefine((value, context) => value.rounds.forEach((r, i) => refineSlot(r, ['rounds', i], context)));

export const archiveCalls = z.array(call).max(2000);

const item = z.strictObject({
  id: idField,
  listItemId: idField,
  ...ownFields,
  ownSections: sections.nullable(),
  isLeftOut: z.boolean().optional(),
  /** In files of before: the day on which a check was ticked. */
  ticks: z.partialRecord(saidKind, dateField).optional(),
  checks: checkLevels.default({}),
  said: z.array(saidCheck).max(5000).default([]),
  /** What is thought before it is played. Missing in files of before. */
  thought: shortText,
  pins: z.array(pin).max(2000),
  log: z.array(touch).max(200_000)
});

const audition = z.strictObject({
  id: idField,
  callId: idField,
  beganOn: dateField,
  slots: z.array(slot).max(20),
  ownDates: z.array(ownDate).max(60),
  daysIntoMock: z.number().int().min(0).max(60).optional(),
  items: z.array(item).max(200),
  /** What the latest laying agreed, so that nothing moves by moving house. */
  agreed: agreed.nullable(),
  /** Missing in files of before. */
  mocks: z.array(keptMock).max(200).default([]),
  tasks: z.array(task).max(100).default([]),
  prescreens: z.array(prescreen).max(50).default([]),
  roundDays: z.array(roundDay).max(20).default([])
});

export const archiveCandidate = z.strictObject({
  id: idField,
  name: nameField,
  instruments: nameField,
  zone: zoneField,
  isMinor: z.boolean(),
  guardian: shortText,
  consentOn: dateField.nullable(),
  /** Missing in files of before. */
  sharingOn: dateField.nullable().default(null),
  /** Left out where a candidate takes their own work along. */
  privateNote: longText.optional(),
  isPutAway: z.boolean(),
  time: practiceTime,
  lessonNotes: z.array(lessonNote).max(2000),
  wishes: z.array(wish).max(2000),
  /** What happened at the desk; missing in files of before. */
  desk: z.array(deskEvent).max(200_000).default([]),
  /** Takes; their sounds are files beside. Missing in files of before. */
  takes: z.array(keptTake).max(5000).default([]),
  auditions: z.array(audition).max(200)
});

export type ArchiveCall = z.infer<typeof call>;
export type ArchiveCandidate = z.infer<typeof archiveCandidate>;
export type Archive = {
  readonly head: Immutable<z.infer<typeof archiveHead>>;
  readonly calls: readonly ArchiveCall[];
  readonly candidates: readonly ArchiveCandidate[];
};

/** The first id that points to nothing within the archive, or stands twice, as a sentence; null where all fit together. */
export function archiveFault({ calls, candidates }: Archive): string | null {
  const seen = new Set<string>();
  const twice = [
    ...calls.flatMap((c) =>
      [c.id, ...c.rounds.map((r) => r.id), ...c.items.map((i) => i.id)].map((id) => `list ${id}`)
    ),
    ...candidates.flatMap((c) => [
      `candidate ${c.id}`,
      ...c.desk.map((event) => `desk event ${event.id}`),
      ...c.takes.flatMap((t) => [`take ${t.id}`, ...t.marks.map((mark) => `mark ${mark.id}`)]),
      ...c.auditions.flatMap((a) => [
        `audition ${a.id}`,
        ...a.items.flatMap((i) => [`item ${i.id}`, ...i.log.map((t) => `touch ${t.id}`)])
      ])
    ])
  ].find((id) => seen.size === seen.add(id).size);
  if (twice) return `The id of ${twice} stands in it twice.`;
  const callById = new Map(calls.map((c) => [c.id, c]));
  for (const { name, auditions, takes } of candidates) {
    const own = new Set(auditions.flatMap((a) => a.items.map((i) => i.id)));
    const stray = takes.find((t) => !own.has(t.itemId));
    if (stray) return `A take of ${name} is of an item that is not in it (${stray.itemId}).`;
  }
  for (const { name, auditions } of candidates)
    for (const a of auditions) {
      const taken = callById.get(a.callId);
      if (!taken) return `An audition of ${name} takes a list that is not in it (${a.callId}).`;
      const known = new Set(taken.items.map((i) => i.id));
      const foreign = a.items.find((i) => !known.has(i.listItemId));
      if (foreign) return `An item of ${name} is not on its list (${foreign.listItemId}).`;
      const slot = a.slots.find((s) => !taken.rounds.some((r) => r.id === s.roundId));
      if (slot) return `A slot of ${name} is in a round that is not in it (${slot.roundId}).`;
      for (const i of a.items) {
        const stray = [...i.log, ...i.pins].find((one) => one.itemId !== i.id);
        if (stray) return `The log of ${name} has a touch of another item (${stray.itemId}).`;
      }
    }
  return null;
}
