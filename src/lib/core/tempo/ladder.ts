/**
 * From where it holds to where it must: the rungs of a tempo ladder, by step school.
 * Start and target may lie off the scale and are the first and last rung; all between are settings a
 * metronome really says. Every ladder but the zigzag rises strictly; all end exactly on the target.
 * When a rung is reached is the plan's question (plan/), not this file's.
 */
import type { StepSchool } from '../record';
import { type Bpm, type BeatUnit, type Share, SAME_TEMPO, tempoIn } from '../units';
import { clickOf, clicksLower, settingsBetween } from './scale';

export type { StepSchool };

/** One click when shaky, two when easy (handbook section 3). Easy: nearly nine attempts of ten are clean. */
const EASY_SHARE: Share = 0.85;

/** Less than this is no step to climb: a start or target beside a setting stands for it (judgement). */
const LEAST_STEP: Share = 0.015;
const isStep = (from: Bpm, to: Bpm) => to >= from * (1 + LEAST_STEP);

/** Without what lies beside the start or the target; in between the school's steps stay, however small. */
function withoutHalfSteps(rungs: readonly Bpm[]): Bpm[] {
  const [start, target] = [rungs[0]!, rungs.at(-1)!];
  return rungs.filter(
    (bpm, i) => i === 0 || i === rungs.length - 1 || (isStep(start, bpm) && isStep(bpm, target))
  );
}

/**
 * Rungs from `start` up to `target`, both included, in bpm of `unit`. One rung where start >= target.
 * `cleanShare` decides the click count of the 'auto' school. Zigzag repeats and falls back on purpose.
 */
export function fitLadder(
  start: Bpm,
  target: Bpm,
  unit: BeatUnit,
  school: StepSchool,
  cleanShare: Share
): Bpm[] {
  if (start >= target * (1 - SAME_TEMPO)) return [target];
  const between = settingsBetween(start, target, unit).filter(
    (bpm) => isStep(start, bpm) && isStep(bpm, target)
  );
  switch (school.kind) {
    case 'scale': {
      const by = school.clicks === 'auto' ? (cleanShare >= EASY_SHARE ? 2 : 1) : school.clicks;
      return [start, ...between.filter((_, i) => (i + 1) % by === 0), target];
    }
    case 'zigzag':
      return zigzag([start, ...between, target], clicksLower(start, unit, 1));
    case 'plus':
      return withoutHalfSteps(climb(start, target, unit, (said) => said + school.bpm));
    case 'percent':
      return withoutHalfSteps(climb(start, target, unit, (said) => said * (1 + school.percent / 100)));
  }
}

/**
 * One setting back, two up, until the target. The step back comes first, so that a ladder goes on by the same heights from wherever it is
 * taken up again.
 */
function zigzag(settings: readonly Bpm[], below: Bpm): Bpm[] {
  const rungs = [settings[0]!, below];
  let at = -1;
  while (at < settings.length - 1) {
    at = Math.min(at + 2, settings.length - 1);
    rungs.push(settings[at]!);
    if (at < settings.length - 1) rungs.push(settings[--at]!);
  }
  return rungs;
}

/** Steps in the number the metronome says: whole, and at least one more than before. */
function climb(start: Bpm, target: Bpm, unit: BeatUnit, step: (said: number) => number): Bpm[] {
  const rungs = [start];
  for (;;) {
    const at = rungs.at(-1)!;
    const click = clickOf({ bpm: at, unit });
    if (!click) throw new RangeError(`no click can say ${unit} ${at}`);
    const said = Math.max(Math.floor(click.bpm) + 1, Math.round(step(click.bpm)));
    const next = wholeSetting(tempoIn({ bpm: said, unit: click.unit }, unit), unit);
    if (next >= target * (1 - SAME_TEMPO)) return [...rungs, target];
    rungs.push(next);
  }
}

/** The least tempo not below `bpm` whose click is a whole number: a step may cross into the next unit. */
function wholeSetting(bpm: Bpm, unit: BeatUnit): Bpm {
  const click = clickOf({ bpm, unit });
  return click ? tempoIn({ bpm: Math.ceil(click.bpm - 1e-9), unit: click.unit }, unit) : bpm;
}
