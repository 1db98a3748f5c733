/**
 * What happens at the desk, as events: each with an id made on the device, so that it is counted once however often it is sent. The day's
 * road map and its blocks follow from them alone (core/practice/desk.ts); so do the touches of the log.
 */
import { z } from 'zod';
import { barField, bpmField, dateField, idField, minutesField, shortText, unitField } from './fields';
import type { Immutable } from './immutable';
import { ownMethod } from './method';
import { barsSchema, spot, spotSet } from './spot';
import { ASKED_BLOCKS, BLOCK_ENDS, CLICK_STAGES, DESK_BLOCKS, STEPS_BACK } from './words';

/** A ladder by single beats a minute is long. */
const way = z.array(bpmField).min(1).max(400);

/** How a block's tempo moves (core/practice/tempo-moves.ts), as it was when the day was begun. */
const deskWork = z.strictObject({
  unit: unitField,
  targetBpm: bpmField,
  heldBpm: bpmField.nullable(),
  way,
  below: way.min(0).max(12),
  furtherBpm: bpmField.nullable(),
  inARow: z.number().int().min(1).max(10),
  /** Missing in days begun before there were such schools: in a row, a step back. */
  among: z.number().int().min(1).max(20).optional(),
  back: z.enum(STEPS_BACK).optional()
});
export type DeskWork = Immutable<z.infer<typeof deskWork>>;

/** A spot to be worked in a block, before its rung. */
const spotToDo = z.strictObject({
  id: idField,
  ...barsSchema.shape,
  issue: shortText,
  /** It rests, and one attempt is asked. */
  isAsked: z.boolean(),
  /** Ways to practise it today, by turns; none where it is only asked. */
  methods: z.array(idField).max(3)
});
export type SpotToDo = Immutable<z.infer<typeof spotToDo>>;

const scaleKey = z.strictObject({
  key: shortText,
  bpm: bpmField,
  stage: z.enum(CLICK_STAGES),
  marks: z
    .string()
    .regex(/^[cn]*$/)
    .max(60)
});
/** Scales as a block has them: where each key stands, and the keys that are drawn, by their numbers. */
const scalesToDo = z
  .strictObject({
    unit: unitField,
    octaves: z.number().int().min(1).max(6),
    pattern: shortText,
    way,
    stage: z.enum(CLICK_STAGES),
    keys: z.array(scaleKey).min(1).max(48),
    draw: z.array(z.number().int().min(0).max(47)).min(1).max(200)
  })
  .refine(({ keys, draw }) => draw.every((n) => n < keys.length), 'A key is drawn that is not there.');
export type ScalesToDo = Immutable<z.infer<typeof scalesToDo>>;

/** A click through several tempos, as a metronome says each. */
const throughToDo = z
  .array(
    z.strictObject({
      bpm: z.number().min(20).max(400),
      unit: unitField,
      beats: z.number().int().min(1).max(40_000),
      perBar: z.number().int().min(0).max(32),
      isSilent: z.boolean()
    })
  )
  .min(1)
  .max(2000);
export type ThroughToDo = Immutable<z.infer<typeof throughToDo>>;

/** Once through at one tempo, to see what breaks: never evidence that it holds. */
const huntToDo = z.strictObject({
  unit: unitField,
  bpm: bpmField,
  /** Tempos that may be taken instead, slowest first. */
  choices: z.array(bpmField).max(20).optional()
});
export type HuntToDo = Immutable<z.infer<typeof huntToDo>>;

const runSection = z.strictObject({ ...barsSchema.shape, bpm: bpmField, unit: unitField });

const roadBlock = z.strictObject({
  id: idField,
  kind: z.enum(DESK_BLOCKS),
  /** Null where it is of no item: a warm-up, a rest. */
  itemId: idField.nullable(),
  sectionId: idField.nullable(),
  name: shortText,
  bars: barsSchema.nullable(),
  /** Of a long section, worked by turns; empty where it is worked whole. */
  parts: z.array(barsSchema).max(60),
  /** The part that comes first, by its number; missing: the first. */
  firstPart: z.number().int().min(0).max(60).optional(),
  /** All of the bars are played besides, once. */
  isJoined: z.boolean(),
  minutes: minutesField(1, 360),
  /** Why it is there. */
  why: shortText,
  /** When what it works towards is due, or was; null where nothing is. */
  dueOn: dateField.nullable(),
  work: deskWork.nullable(),
  /** Missing in days begun before there were any. */
  spots: z.array(spotToDo).max(12).optional(),
  /** The entry of the rotation that it is. */
  fundamental: idField.optional(),
  scales: scalesToDo.optional(),
  hunt: huntToDo.optional(),
  /** Put on its day since it answers a check; missing: the plan's own, or added that day. */
  asked: z.enum(ASKED_BLOCKS).optional(),
  /** Bars that are named one after the other: the music begins at once from each. */
  starts: z.array(barField).min(1).max(12).optional(),
  /** Of a link of a chunk chain: the chunk that is joined, and the one it is joined to. */
  link: z.strictObject({ chunk: barsSchema, to: barsSchema }).optional(),
  /** So long the difficulty is taken out of the music before the bars are played. */
  drillMin: minutesField(1, 180).optional(),
  /** Of what is played through at several tempos. */
  through: throughToDo.optional(),
  /** Of what is run straight through: its sections with a tempo, each at what holds. Missing in days begun before it was asked how a run went. */
  sections: z.array(runSection).max(60).optional()
});
export type RoadBlock = Immutable<z.infer<typeof roadBlock>>;

/** Half a step either way, and what a pure interval lies beside an equal one. */
const cents = z.number().min(-70).max(70);
const toneSpread = z.strictObject({
  note: z.number().int().min(12).max(127),
  median: cents,
  low: cents,
  high: cents,
  count: z.number().int().min(1).max(10_000)
});

const move = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.enum(['clean', 'not-yet']) }),
  z.strictObject({ kind: z.literal('by-hand'), bpm: bpmField }),
  z.strictObject({ kind: z.literal('further'), isTaken: z.boolean() }),
  z.strictObject({ kind: z.literal('time-is-up') }),
  z.strictObject({ kind: z.literal('leave-it') }),
  z.strictObject({ kind: z.literal('go-on') })
]);

const made = {
  id: idField,
  /** The device that made it, and its number there: with the time they give the order. */
  device: idField,
  seq: z.number().int().min(0).max(1e9),
  /** The device's clock, in ms since 1970 UTC. */
  atMs: z.number().int().min(0).max(4102444800000),
  /** The civil date of the day it belongs to, at the candidate's home: a session that passes midnight stays with its day. */
  date: dateField
};
const block = { block: idField };
/** What in the block is worked at: a part of the bars, by its number, or a spot, and by which method. */
const task = {
  part: z.number().int().min(0).max(60),
  spot: idField.optional(),
  method: idField.optional()
};

export const deskEvent = z.discriminatedUnion('kind', [
  /** The road map as it was begun; of several the first counts. */
  z.strictObject({ ...made, kind: z.literal('day'), blocks: z.array(roadBlock).max(60) }),
  /** A block put in by hand, into a day that is made. */
  z.strictObject({
    ...made,
    kind: z.literal('add'),
    added: roadBlock,
    place: z.number().min(-1000).max(1000)
  }),
  z.strictObject({ ...made, ...block, kind: z.literal('begin') }),
  /** An answer, or what moves the tempo besides; for an answer with the tempo at which it was played. */
  z.strictObject({ ...made, ...block, kind: z.literal('move'), move, ...task, bpm: bpmField.optional() }),
  /** One key of a scale was played, at the tempo and stage at which it stood. */
  z.strictObject({
    ...made,
    ...block,
    kind: z.literal('key'),
    fundamental: idField,
    key: shortText,
    bpm: bpmField,
    stage: z.enum(CLICK_STAGES),
    mark: z.enum(['c', 'n'])
  }),
  /** A fresh page was read at sight: c where the player kept going. */
  z.strictObject({
    ...made,
    ...block,
    kind: z.literal('page'),
    mark: z.enum(['c', 'n']),
    /** Looked at before the first note. */
    scanSeconds: z.number().int().min(0).max(3600)
  }),
  /** The music was begun from a bar that was named, the next of the block's: c where it was there at once. */
  z.strictObject({ ...made, ...block, kind: z.literal('start'), mark: z.enum(['c', 'n']) }),
  /** Something was run straight through, as the player heard it; of several of a block the latest counts. */
  z.strictObject({
    ...made,
    ...block,
    kind: z.literal('ran'),
    isStraight: z.boolean(),
    isClean: z.boolean(),
    /** Where it was not, as far as the player knows. */
    broke: z.array(barsSchema).max(60),
    /** The sound of it. */
    take: idField.optional()
  }),
  /** Another part is taken up, one behind the last being all of it; or a spot; or another method. */
  z.strictObject({ ...made, ...block, kind: z.literal('part'), ...task }),
  /** Takes back the event it names. */
  z.strictObject({ ...made, ...block, kind: z.literal('undo'), event: idField }),
  /** What did not hold in an attempt that was not yet; of several the latest counts, none is not stated. */
  z.strictObject({
    ...made,
    ...block,
    kind: z.literal('elements'),
    event: idField,
    notHeld: z.array(shortText).max(12)
  }),
  /** So many minutes more, before the block ended. */
  z.strictObject({ ...made, ...block, kind: z.literal('more'), minutes: minutesField(1, 60) }),
  /** The seconds it was at work, as the device counted them. */
  z.strictObject({
    ...made,
    ...block,
    kind: z.literal('end'),
    seconds: z.number().int().min(0).max(43_200),
    how: z.enum(BLOCK_ENDS),
    /** The entry of the rotation that was done with it. */
    fundamental: idField.optional()
  }),
  /** One thing of one block set by hand; of several the latest counts. */
  z.strictObject({
    ...made,
    ...block,
    kind: z.literal('set'),
    set: z.union([
      z.strictObject({ minutes: minutesField(1, 360) }),
      z.strictObject({ place: z.number().min(-1000).max(1000) }),
      z.strictObject({ isDropped: z.boolean() })
    ])
  }),
  /** A block is wanted on its day, which is to come, since it answers a check of an item; of several for one item and block the latest counts. */
  z.strictObject({
    ...made,
    kind: z.literal('asked'),
    itemId: idField,
    as: z.enum(ASKED_BLOCKS),
    isWanted: z.boolean()
  }),
  /** A spot was found. */
  z.strictObject({ ...made, kind: z.literal('spot'), spot }),
  z.strictObject({ ...made, kind: z.literal('spot-set'), spot: idField, set: spotSet }),
  /** The place of a spot was heard in an earlier take and in a later one, which is of the event's date: one try, with what comes next where it is not solved. */
  z.strictObject({
    ...made,
    kind: z.literal('spot-heard'),
    spot: idField,
    take: idField,
    isSolved: z.boolean(),
    idea: shortText,
    tempo: z.strictObject({ bpm: bpmField, unit: unitField }).nullable()
  }),
  /** Where notes lay by the tuner, in cents: each note's median and middle half, over so many that lasted. Notes by half steps, A = 69. */
  z.strictObject({
    ...made,
    kind: z.literal('tones'),
    tones: z.array(toneSpread).min(1).max(100)
  }),
  /** A way to practise of the teacher's own; of several of one id the latest counts. */
  z.strictObject({ ...made, kind: z.literal('method'), method: ownMethod, isGone: z.boolean() }),
  /** A usual way that is not offered to this player; or is again. */
  z.strictObject({ ...made, kind: z.literal('method-hidden'), method: idField, isHidden: z.boolean() }),
  /** What was changed of the instrument (a reed, strings), so that a dip is explained; of several for one mark the latest counts, empty takes it out. */
  z.strictObject({ ...made, kind: z.literal('equipment'), mark: idField, says: shortText }),
  /** It hurt; the teacher reads it where that is agreed to. */
  z.strictObject({ ...made, kind: z.literal('hurt'), isTold: z.boolean() }),
  /** The player says that it is well again. */
  z.strictObject({ ...made, kind: z.literal('well') })
]);
export type DeskEvent = Immutable<z.infer<typeof deskEvent>>;
