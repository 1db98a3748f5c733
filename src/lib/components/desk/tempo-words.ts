/** What the two answers lead to, in few words; told before they are given, so that neither is the easier one. */
import { type Standing, type Work, moveTempo } from '$lib/core/practice';
import { clickOf } from '$lib/core/tempo';
import { type BeatUnit, type Bpm, type Tempo, sayBpm, tempoIn } from '$lib/core/units';

/** As the click says it, at the note value of `as` where one tempo stands beside another. */
export function sayAt(bpm: Bpm, unit: BeatUnit, as?: Tempo): string {
  const click = as ?? clickOf({ bpm, unit }) ?? { bpm, unit };
  return sayBpm(tempoIn({ bpm, unit }, click.unit));
}

export function sayLead(
  work: Work,
  unit: BeatUnit,
  now: Standing,
  kind: 'clean' | 'not-yet',
  /** Where a part leads that holds at today's rung; empty where it is worked whole. */
  partAfter = ''
): string {
  const as = clickOf({ bpm: now.bpm, unit }) ?? undefined;
  const say = (bpm: Bpm) => sayAt(bpm, unit, as);
  const next = moveTempo(work, now, { kind });
  const here = say(now.bpm);
  if (now.phase === 'ending') return kind === 'clean' ? 'a good end' : 'enough for today';
  if (kind === 'not-yet') {
    if (next.bpm !== now.bpm) return `back to ${say(next.bpm)}`;
    return now.counted > 0 ? `again from one, at ${here}` : `again, at ${here}`;
  }
  if (now.phase === 'leading-up') return `on to ${say(next.bpm)}`;
  if (next.bpm !== now.bpm) return `${here} holds, ${next.bpm > now.bpm ? 'on' : 'back'} to ${say(next.bpm)}`;
  if (next.counted === 0)
    return partAfter && next.phase === 'at-rest' ? `holds, ${partAfter}` : `${here} holds`;
  return `${next.counted} of ${now.needed} at ${here}`;
}
