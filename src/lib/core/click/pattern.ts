/**
 * What of each beat is clicked: how far the click is thinned, and the bar counted before it begins. Source: the practice model, section 3
 * (common practice, no published source).
 */
import { CLICK_STAGES, type ClickStage } from '../record/words';
import type { Bpm } from '../units';

export { CLICK_STAGES, type ClickStage };

/** Beats at one tempo, of a click that goes through several. */
export type Stretch = {
  readonly bpm: Bpm;
  readonly beats: number;
  /** Clicks in a bar; 0 where they are not grouped. */
  readonly perBar: number;
  /** What is free is not clicked. */
  readonly isSilent: boolean;
};

export type Pattern = {
  /** Clicks in a bar; 0 where they are not grouped in bars, and all sound alike. */
  readonly perBar: number;
  /** Notes to a beat where it is subdivided. */
  readonly parts: number;
  readonly stage: ClickStage;
  /** Beats that are counted in full before it is thinned. */
  readonly countOff: number;
  /** Behind the count, in their order, and then no more; missing: one tempo without an end. */
  readonly through?: readonly Stretch[] | undefined;
};

type Sound = {
  /** From the beat, in beats, 0 up to 1. */
  readonly offset: number;
  readonly kind: 'accent' | 'beat' | 'between';
  readonly isCountOff: boolean;
};

/** A bar shorter than this is counted twice. */
const SHORT_BAR_SECONDS = 2;

/** A bar, two where it is short; with a pickup the count stops where that enters. 0 where there are no bars. */
export function countOffBeats(perBar: number, bpm: Bpm, pickupBeats = 0): number {
  if (perBar === 0) return 0;
  const bars = (perBar * 60) / bpm < SHORT_BAR_SECONDS ? 2 : 1;
  return bars * perBar - (pickupBeats % perBar);
}

/** The stretch in which a beat lies and its first beat; null where it is counted off; undefined behind the last. */
export function stretchAt(
  { countOff, through }: Pick<Pattern, 'countOff' | 'through'>,
  beat: number
): { readonly stretch: Stretch; readonly first: number } | null | undefined {
  if (beat < countOff) return null;
  let first = countOff;
  for (const stretch of through ?? []) {
    if (beat < first + stretch.beats) return { stretch, first };
    first += stretch.beats;
  }
  return undefined;
}

export function soundsOf({ perBar, parts, stage, countOff }: Pattern, beat: number): Sound[] {
  const isCountOff = beat < countOff;
  const isDown = perBar > 0 && beat % perBar === 0;
  const on: Sound = { offset: 0, kind: isDown ? 'accent' : 'beat', isCountOff };
  if (isCountOff) return [on];
  const between = (offset: number): Sound => ({ offset, kind: 'between', isCountOff });
  switch (stage) {
    case 'subdivisions':
      return [on, ...Array.from({ length: parts - 1 }, (_, i) => between((i + 1) / parts))];
    case 'beats and off-beats':
      return [on, between(0.5)];
    case 'beats':
      return [on];
    case 'off-beats':
      return [{ ...between(0.5), kind: 'beat' }];
    case 'downbeats':
      return isDown || perBar === 0 ? [on] : [];
    case 'one bar on, one off':
      return isBarOn(1) ? [on] : [];
    case 'two bars on, two off':
      return isBarOn(2) ? [on] : [];
    case 'four bars on, four off':
      return isBarOn(4) ? [on] : [];
    case 'none':
      return [];
  }

  /** The bars that are on begin where the count ends. */
  function isBarOn(bars: number): boolean {
    const bar = Math.floor(beat / (perBar || 4)) - Math.ceil(countOff / (perBar || 4));
    return Math.floor(bar / bars) % 2 === 0;
  }
}
