/** Scales as a day's block has them, and where their keys stand. How a key moves and which comes is core/practice's. */
import type { PracticeTime, Scales, ScalesToDo } from '../../record';
import type { ClickStage } from '../../record/words';
import { type ScaleAnswer, drawKeys, isWeak, keysAfter } from '../../practice';
import { fitLadder } from '../../tempo';
import type { BeatUnit, Bpm } from '../../units';

/** Keys of scales that were played before, by the rotation's entry, in order. */
export type KeysPlayed = ReadonlyMap<string, readonly ScaleAnswer[]>;

/** More keys than a block of scales has time for. */
const KEYS_DRAWN = 120;

/** The tempos of scales, from the first to the one that is asked. */
const wayOf = ({ unit, fromBpm, toBpm }: Scales) =>
  fitLadder(fromBpm, Math.max(fromBpm, toBpm), unit, { kind: 'scale', clicks: 1 }, 1);

/** Scales of the rotation of which some were played: where each key stands, and whether it comes twice. */
export type ScalesStanding = {
  readonly name: string;
  readonly unit: BeatUnit;
  readonly toBpm: Bpm;
  readonly keys: readonly {
    readonly key: string;
    readonly bpm: Bpm;
    readonly stage: ClickStage;
    readonly isWeak: boolean;
  }[];
};

export const scalesStanding = ({
  time,
  keysPlayed = new Map()
}: {
  readonly time: Pick<PracticeTime, 'rotation'>;
  readonly keysPlayed?: KeysPlayed;
}): ScalesStanding[] =>
  (time.rotation ?? []).flatMap(({ id, name, scales }) => {
    const played = keysPlayed.get(id) ?? [];
    if (!scales || played.length === 0) return [];
    const on = { way: wayOf(scales), stage: scales.stage };
    const keys = keysAfter(on, scales.keys, played).map(({ key, bpm, stage }) => ({
      ...{ key, bpm, stage },
      isWeak: isWeak(key, played)
    }));
    return [{ name, unit: scales.unit, toBpm: scales.toBpm, keys }];
  });

/** The keys that are drawn for a day; `seed` says which. */
export function scalesOn(scales: Scales, played: readonly ScaleAnswer[], seed: string): ScalesToDo {
  const { keys, octaves, pattern = '', unit, stage } = scales;
  const way = wayOf(scales);
  const drawn = drawKeys(keys, played, seed, KEYS_DRAWN);
  return {
    ...{ unit, octaves, pattern, way, stage },
    keys: keysAfter({ way, stage }, keys, played),
    draw: drawn.map((key) => keys.indexOf(key))
  };
}
