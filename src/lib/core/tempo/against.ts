/** A tempo that was played, beside the one that is asked: under nerves most play faster. */
import type { SectionTempo } from '../record';
import { SAME_TEMPO, type BeatUnit, type Bpm, type Clicks, type Tempo, tempoIn } from '../units';
import { clicksBetween } from './scale';
import { targetOf } from './target';

export type TempoAgainst = {
  readonly bpm: Bpm;
  readonly unit: BeatUnit;
  readonly targetBpm: Bpm;
  /** Above 0 where it was faster than the target. */
  readonly clicks: Clicks;
  /** By the range that is allowed; null where none is published. */
  readonly lies: 'inside' | 'above' | 'below' | null;
};

/** In the unit of what is asked; null where nothing is. */
export function tempoAgainst(played: Tempo, asked: SectionTempo): TempoAgainst | null {
  const target = targetOf(asked);
  if (!target) return null;
  const bpm = tempoIn(played, target.unit);
  return {
    bpm,
    unit: target.unit,
    targetBpm: target.bpm,
    clicks: clicksBetween(target.bpm, bpm, target.unit),
    lies: asked.kind === 'range' ? sideOf(bpm, asked.lowBpm, asked.highBpm) : null
  };
}

function sideOf(bpm: Bpm, low: Bpm, high: Bpm): NonNullable<TempoAgainst['lies']> {
  if (bpm > high + SAME_TEMPO) return 'above';
  return bpm < low - SAME_TEMPO ? 'below' : 'inside';
}
