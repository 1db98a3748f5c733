/**
 * The pressure gap: what practice says of an element less what the jurors say, in steps. Source: the mock model, section 5; its numbers are
 * judgement.
 */
import type { Touch } from '../record';
import { MOCK_WORDS, type MockWord } from '../record/words';
import { type BarRange, type DayNumber, type Tempo, dayOf } from '../units';

/** Practice of so many days before the mock, its day included. */
const DAYS = 7;
/** Fewer attempts say too little. */
const LEAST_ATTEMPTS = 6;
const CARRIES = 0.8;
const UNEVEN = 0.5;
/** Named in more of the attempts than this, an element stands a step lower. */
const NAMED_SHARE = 1 / 3;

/** carries 2, uneven 1, not yet 0. */
const stepsOf = (word: MockWord) => MOCK_WORDS.length - 1 - MOCK_WORDS.indexOf(word);
const wordOf = (steps: number): MockWord => MOCK_WORDS[MOCK_WORDS.length - 1 - steps]!;

/** The lower median of what jurors gave; null where nobody gave a word. */
export function mockWord(words: readonly MockWord[]): MockWord | null {
  if (words.length === 0) return null;
  const steps = words.map(stepsOf).sort((a, b) => a - b);
  return wordOf(steps[Math.floor((steps.length - 1) / 2)]!);
}

type About = {
  readonly bars: BarRange;
  /** Whether a tempo is as good as the one the mock asks; missing where it has none. */
  readonly isNear?: ((tempo: Tempo) => boolean) | undefined;
  readonly on: DayNumber;
};
type Tried = { readonly marks: string; readonly notHeld: readonly string[] };

/** What practice says of each element before a mock; null: too little was played at its tempo. `log` of its item. */
export function practiceWord(log: readonly Touch[], element: string, about: About): MockWord | null {
  const tried = log
    .filter(({ date }) => isLately(dayOf(date), about.on))
    .flatMap((touch) => triedOf(touch, about));
  const marks = tried.map((one) => one.marks).join('');
  if (marks.length < LEAST_ATTEMPTS) return null;
  const share = (marks.split('c').length - 1) / marks.length;
  const steps = share >= CARRIES ? 2 : share >= UNEVEN ? 1 : 0;
  const named = tried
    .filter(({ notHeld }) => notHeld.includes(element))
    .reduce((sum, one) => sum + one.marks.length, 0);
  return wordOf(Math.max(0, steps - (named / marks.length > NAMED_SHARE ? 1 : 0)));
}

const isLately = (day: DayNumber, on: DayNumber) => day <= on && day > on - DAYS;

/** Attempts of a touch that lie in the bars, near enough to the tempo. */
function triedOf(touch: Touch, { bars, isNear }: About): Tried[] {
  return (touch.series ?? [touch]).flatMap((one) => {
    const marks = one.attempts ?? '';
    const [fromBar, toBar] = [one.fromBar ?? -Infinity, one.toBar ?? Infinity];
    if (marks === '' || fromBar > bars.toBar || toBar < bars.fromBar) return [];
    const { tempoBpm: bpm, unit } = one;
    if (isNear && (bpm === undefined || unit === undefined || !isNear({ bpm, unit }))) return [];
    return [{ marks, notHeld: one.notHeld ?? [] }];
  });
}

/** In steps; null where one of the two says nothing. Below 0 where it went better than in practice. */
export const gapOf = (practice: MockWord | null, mock: MockWord | null): number | null =>
  practice === null || mock === null ? null : stepsOf(practice) - stepsOf(mock);
