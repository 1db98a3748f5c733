/**
 * Scales key by key: each has its own tempo and stage of the click, and goes up by the player's answers: first to the tempo asked, then with
 * less and less of a click. Which key comes is drawn. Source: the practice model, section 1; the constants are judgement.
 */
import type { DeskEvent, ScalesToDo } from '../record';
import { CLICK_STAGES, type ClickStage } from '../record/words';
import { type Bpm, SAME_TEMPO, randomFrom, seedOf, shuffled } from '../units';
import { inOrder } from './event-order';

/** So many clean in a row at one tempo and stage lead on, and so many "not yet" back. */
export const KEY_IN_A_ROW = 2;
/** A key is weak while at least so many of its last few answers were "not yet". */
const WEAK_NOT_YET = 2;
const WEAK_AMONG = 4;

export type ScaleAnswer = {
  readonly key: string;
  readonly bpm: Bpm;
  readonly stage: ClickStage;
  readonly mark: 'c' | 'n';
};
/** Tempos from the first to the one asked, rising; and the stage at which a key begins. */
export type ScaleWay = { readonly way: readonly Bpm[]; readonly stage: ClickStage };
export type ScaleKey = {
  readonly key: string;
  readonly bpm: Bpm;
  readonly stage: ClickStage;
  /** Answers at this tempo and stage since they were come to, c and n. */
  readonly marks: string;
};

/** Where a key stands after one more answer. */
export function afterKey({ way, stage: first }: ScaleWay, now: ScaleKey, mark: 'c' | 'n'): ScaleKey {
  const marks = now.marks + mark;
  const at = way.findLastIndex((bpm) => bpm <= now.bpm * (1 + SAME_TEMPO));
  const thin = CLICK_STAGES.indexOf(now.stage);
  const to = (bpm: Bpm | undefined, stage: ClickStage | undefined): ScaleKey =>
    bpm === undefined || stage === undefined ? { ...now, marks } : { ...now, bpm, stage, marks: '' };
  if (marks.endsWith('c'.repeat(KEY_IN_A_ROW)))
    return at < way.length - 1 ? to(way[at + 1], now.stage) : to(now.bpm, CLICK_STAGES[thin + 1]);
  if (marks.endsWith('n'.repeat(KEY_IN_A_ROW)))
    return thin > CLICK_STAGES.indexOf(first)
      ? to(now.bpm, CLICK_STAGES[thin - 1])
      : to(way[at - 1], now.stage);
  return { ...now, marks };
}

/** Where each key stands, after all answers in the order given. A tempo that is on the way no more is the next slower that is. */
export function keysAfter(
  on: ScaleWay,
  keys: readonly string[],
  answers: readonly ScaleAnswer[]
): ScaleKey[] {
  const first = { bpm: on.way[0]!, stage: on.stage, marks: '' };
  return keys.map((key) =>
    answers
      .filter((answer) => answer.key === key)
      .reduce<ScaleKey>(
        (now, { bpm, stage, mark }) => {
          const played = on.way.findLast((one) => one <= bpm * (1 + SAME_TEMPO)) ?? on.way[0]!;
          const isSame = played === now.bpm && stage === now.stage;
          return afterKey(on, isSame ? now : { key, bpm: played, stage, marks: '' }, mark);
        },
        { key, ...first }
      )
  );
}

export function isWeak(key: string, answers: readonly ScaleAnswer[]): boolean {
  const last = answers.filter((answer) => answer.key === key).slice(-WEAK_AMONG);
  return last.filter(({ mark }) => mark === 'n').length >= WEAK_NOT_YET;
}

/**
 * The keys to come, drawn at random: none comes again before all have come, and weak ones come twice meanwhile. The same answers and seed
 * draw the same. `count` keys, none twice on end where there is another.
 */
export function drawKeys(
  keys: readonly string[],
  answers: readonly ScaleAnswer[],
  seed: string,
  count: number
): string[] {
  const bagOf = (told: readonly ScaleAnswer[]) =>
    keys.flatMap((key) => (isWeak(key, told) ? [key, key] : [key]));
  let bag = bagOf([]);
  answers.forEach(({ key }, i) => {
    const place = bag.indexOf(key);
    if (place >= 0) bag.splice(place, 1);
    if (bag.length === 0) bag = bagOf(answers.slice(0, i + 1));
  });
  const random = randomFrom(seedOf(seed));
  const drawn: string[] = [];
  let last = answers.at(-1)?.key;
  while (drawn.length < count && keys.length > 0) {
    const left = shuffled(bag, random);
    while (left.length > 0) {
      last = left.splice(nextOf(left, last), 1)[0]!;
      drawn.push(last);
    }
    bag = bagOf(answers);
  }
  return drawn.slice(0, count);
}

/** The first that is not the last again; one that is left twice comes while there is still another to lie between. */
function nextOf(left: readonly string[], last: string | undefined): number {
  const others = left.flatMap((key, i) => (key === last ? [] : [i]));
  const twice = others.find((i) => 2 * left.filter((key) => key === left[i]).length > left.length);
  return twice ?? others[0] ?? 0;
}

/** Keys that were played, by the rotation's entry, in order; without those taken back. */
export function keysPlayedIn(events: readonly DeskEvent[]): Map<string, ScaleAnswer[]> {
  const undone = new Set(events.flatMap((event) => (event.kind === 'undo' ? [event.event] : [])));
  const played = new Map<string, ScaleAnswer[]>();
  for (const event of inOrder(events)) {
    if (event.kind !== 'key' || undone.has(event.id)) continue;
    const { fundamental, key, bpm, stage, mark } = event;
    const of = played.get(fundamental) ?? [];
    of.push({ key, bpm, stage, mark });
    played.set(fundamental, of);
  }
  return played;
}

/** Where each key of a block stands, after all that was played in it. */
export const keysNow = ({ way, stage, keys }: ScalesToDo, played: readonly ScaleAnswer[]): ScaleKey[] =>
  keys.map((first) =>
    played
      .filter(({ key }) => key === first.key)
      .reduce((key, { mark }) => afterKey({ way, stage }, key, mark), first)
  );

/** The key in hand in a block of scales, after all that was played in it. */
export function keyInHand(scales: ScalesToDo, played: readonly ScaleAnswer[]): ScaleKey {
  return keysNow(scales, played)[scales.draw[played.length % scales.draw.length]!]!;
}

const FIFTHS = ['C', 'G', 'D', 'A', 'E', 'B', 'F sharp', 'D flat', 'A flat', 'E flat', 'B flat', 'F'];
const MINOR = ['A', 'E', 'B', 'F sharp', 'C sharp', 'G sharp', 'E flat', 'B flat', 'F', 'C', 'G', 'D'];
const ALL: Readonly<Record<string, readonly string[]>> = {
  'all major': FIFTHS.map((key) => `${key} major`),
  'all minor': MINOR.map((key) => `${key} minor`)
};

/** Keys as they are typed, parted by commas; "all major" and "all minor" are twelve each. None comes twice. */
export function readKeys(text: string): string[] {
  const words = text.split(/[,;\n]/).map((word) => word.trim().replaceAll(/\s+/g, ' '));
  const keys = words.filter(Boolean).flatMap((word) => ALL[word.toLowerCase()] ?? [word]);
  return keys.filter((key, i) => keys.indexOf(key) === i);
}
