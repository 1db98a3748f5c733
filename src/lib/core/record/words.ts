/** The words that records choose from; by themselves, so that a page that only shows them carries no schema. */

/** Characters of a line that is a name and something besides. */
export const MOST_SHORT_TEXT = 200;

/** Who vouches for a touch; the three are kept apart. */
export const EVIDENCE = ['self', 'teacher', 'recording'] as const;
export type Evidence = (typeof EVIDENCE)[number];
export const EVIDENCE_NAMES: Readonly<Record<Evidence, string>> = {
  self: 'the player',
  teacher: 'the teacher',
  recording: 'a recording'
};

export const ITEM_KINDS = ['etude', 'excerpt', 'solo', 'scales', 'sight-reading'] as const;
export type ItemKind = (typeof ITEM_KINDS)[number];

/** How an item is worked (handbook section 3). */
export const STRATEGIES = ['ramp', 'chunks', 'drills', 'combined'] as const;
export type Strategy = (typeof STRATEGIES)[number];

export const RAMP_SHAPES = ['equal-percent', 'equal-bpm', 'smaller-near-top'] as const;
export type RampShape = (typeof RAMP_SHAPES)[number];

/** Where a tempo goes after two "not yet": a step back, back to what held last, or nowhere. */
export const STEPS_BACK = ['step', 'held', 'stay'] as const;
export type StepBack = (typeof STEPS_BACK)[number];

/** How far a click is thinned, in order: each leaves more to the player. */
export const CLICK_STAGES = [
  'subdivisions',
  'beats and off-beats',
  'beats',
  'off-beats',
  'downbeats',
  'one bar on, one off',
  'two bars on, two off',
  'four bars on, four off',
  'none'
] as const;
export type ClickStage = (typeof CLICK_STAGES)[number];

/** Blocks of a road map: those of the plan, and what lies between them. */
export const DESK_BLOCKS = [
  'warm-up',
  'fundamentals',
  'ladder',
  'minutes',
  'keep-warm',
  'run',
  'easy-run',
  'probe',
  'microscope',
  'any-bar',
  'liked',
  'free',
  'quiet',
  'rest'
] as const;
export type DeskBlockKind = (typeof DESK_BLOCKS)[number];

/** How a block ended: its time was up, cut short since the mind wandered, left for today, or stopped for pain. */
export const BLOCK_ENDS = ['next', 'shorter', 'not-today', 'hurts'] as const;
export type BlockEnd = (typeof BLOCK_ENDS)[number];

/** What is asked of an item before it is ready, in the order in which it can be (handbook section 8). */
export const CHECK_KINDS = [
  'edition',
  'bars',
  'decisions',
  'errata',
  'page',
  'tempo',
  'elements',
  'straight',
  'cold',
  'anywhere',
  'context',
  'probe',
  'take',
  'mock',
  'memory',
  'accompanist',
  'keys',
  'fresh'
] as const;
export type CheckKind = (typeof CHECK_KINDS)[number];

/** Those that somebody can say; the others follow from the log, the call and the mocks alone. */
export const CHECKS_BY_HAND = [
  'edition',
  'bars',
  'decisions',
  'errata',
  'straight',
  'cold',
  'anywhere',
  'context',
  'probe',
  'take',
  'memory',
  'accompanist',
  'keys'
] as const satisfies readonly CheckKind[];

/** Done in the first days, before a ladder is climbed; the first four are checks as well. */
export const GROUNDWORK_KINDS = ['edition', 'errata', 'bars', 'decisions', 'scales', 'listened'] as const;
export type GroundworkKind = (typeof GROUNDWORK_KINDS)[number];

/** How much a check of an item counts: an optional one is shown, and decides nothing. */
export const CHECK_LEVELS = ['required', 'optional', 'off'] as const;
export type CheckLevel = (typeof CHECK_LEVELS)[number];

/** Blocks that are put on a day to come because they answer a check: a run, starts from any bar, a probe, or work as the plan has it. */
export const ASKED_BLOCKS = ['run', 'any-bar', 'probe', 'work'] as const;
export type AskedBlock = (typeof ASKED_BLOCKS)[number];

/** The day of a round, in its order: each lasts up to the next, the last up to the slot. */
export const DAY_STEPS = ['rise', 'eat', 'leave', 'arrive', 'register', 'warm-up', 'silent'] as const;
export type DayStep = (typeof DAY_STEPS)[number];

/** Who found a spot. */
export const SPOT_FINDERS = ['self', 'teacher', 'juror', 'probe', 'microscope', 'take'] as const;

/** Sounds that browsers play, as media types. */
export const SOUND_KINDS = [
  'audio/webm',
  'audio/wav',
  'audio/flac',
  'audio/mpeg',
  'audio/ogg',
  'audio/mp4'
] as const;
export type SoundKind = (typeof SOUND_KINDS)[number];

/** The most parts in which a sound is drawn, however long: enough for ten pages of music, little enough to be sent with a page. */
export const MOST_PEAKS = 6000;

/** An hour and a half: no programme is longer without a break (judgement). */
export const LONGEST_TAKE_MS = 90 * 60_000;

/** Where a take comes from: a run straight through, the player's own file from elsewhere, or somebody else's recording, by which a tempo is measured. */
export const TAKE_SOURCES = ['run', 'file', 'other'] as const;

/** What a juror says of an element, the best first. No marks: words. */
export const MOCK_WORDS = ['carries', 'uneven', 'not yet'] as const;
export type MockWord = (typeof MOCK_WORDS)[number];

/** The stages, from 1. */
export const STAGE_NAMES = ['alone', 'one listener', 'teacher as panel', 'small jury', 'full dress'] as const;
