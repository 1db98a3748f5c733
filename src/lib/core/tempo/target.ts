/**
 * What a section has to reach: its kind of tempo, the target that follows, and how long it lasts.
 * Free sections (cadenza, rubato) have no target and no click; they get minutes only.
 */
import type { SectionTempo } from '../record';
import { type Bpm, type BeatUnit, beatsPerBar } from '../units';

export type { SectionTempo };

/** The tempo the ladder ends on; of a change the faster end, from which the rest scales. Null where free. */
export function targetOf(tempo: SectionTempo): { bpm: Bpm; unit: BeatUnit } | null {
  switch (tempo.kind) {
    case 'pulse':
      return { bpm: tempo.targetBpm, unit: tempo.unit };
    case 'range':
      return { bpm: tempo.stretchBpm ?? tempo.lowBpm, unit: tempo.unit };
    case 'change':
      return { bpm: Math.max(tempo.fromBpm, tempo.toBpm), unit: tempo.unit };
    case 'recordings':
      return { bpm: recordedTempo(tempo.recordingsBpm, tempo.use), unit: tempo.unit };
    case 'free':
      return null;
  }
}

/** Rounded mean or median of measured recordings, in bpm. Throws RangeError for none. */
export function recordedTempo(recordings: readonly Bpm[], use: 'mean' | 'median'): Bpm {
  if (recordings.length === 0) throw new RangeError('a mean needs at least one recording');
  const sorted = [...recordings].sort((a, b) => a - b);
  const middle = (sorted.length - 1) / 2;
  const median = (sorted[Math.floor(middle)]! + sorted[Math.ceil(middle)]!) / 2;
  const mean = sorted.reduce((sum, bpm) => sum + bpm, 0) / sorted.length;
  return Math.round(use === 'mean' ? mean : median);
}

/**
 * Seconds of `beats` beats at a tempo. Where the tempo changes evenly from one to the other, beats by beats,
 * the time is beats x ln(to / from) / (to - from) minutes.
 */
function lastsSeconds(beats: number, fromBpm: Bpm, toBpm: Bpm = fromBpm): number {
  if (fromBpm === toBpm) return (beats * 60) / fromBpm;
  return (beats * 60 * Math.log(toBpm / fromBpm)) / (toBpm - fromBpm);
}

/** Seconds of `bars` bars (plus extra beats, a pickup) when the section's target is played at `bpm`. */
export function sectionSeconds(
  tempo: SectionTempo,
  metre: string,
  bars: number,
  pickupBeats: number,
  bpm: Bpm
): number {
  if (tempo.kind === 'free') throw new RangeError('a free section has no tempo to last at');
  const perBar = beatsPerBar(metre, tempo.unit);
  if (perBar === null) throw new RangeError(`not a metre: ${metre}`);
  const beats = bars * perBar + pickupBeats;
  if (tempo.kind !== 'change') return lastsSeconds(beats, bpm);
  const scale = bpm / Math.max(tempo.fromBpm, tempo.toBpm);
  return lastsSeconds(beats, tempo.fromBpm * scale, tempo.toBpm * scale);
}
