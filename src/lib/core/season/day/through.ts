/**
 * The click through an item of several tempos: each section at what holds there, a change of tempo from bar to bar, what is free in silence.
 * Source: the practice model, section 3.
 */
import type { PlanItem, ThroughToDo } from '../../record';
import { clickOf } from '../../tempo';
import { type BarRange, type BeatUnit, type Bpm, beatsPerBar } from '../../units';
import type { PlannedItem } from '../laid/plan';

/** In the order of the bars; none where one tempo says all of it, or a click cannot. */
export function throughOf(planned: PlannedItem, item: PlanItem): ThroughToDo | undefined {
  const sections = [...item.sections].sort((a, b) => a.fromBar - b.fromBar);
  const isPlain = sections.length < 2 && sections[0]?.tempo.kind !== 'change';
  if (isPlain || !follow(sections)) return undefined;
  const stretches: ThroughToDo[number][] = [];
  let last: { readonly bpm: Bpm; readonly unit: BeatUnit } | null = null;
  for (const section of sections) {
    const { tempo } = section;
    const bars = section.toBar - section.fromBar + 1;
    if (tempo.kind === 'free') {
      // nobody knows how long it lasts: as long as its bars would at the tempo before
      if (last === null) return undefined;
      stretches.push({ ...stretchOf(last, item.metre, bars), isSilent: true });
      continue;
    }
    const own = planned.sections.find(({ id }) => id === section.id);
    if (!own || own.unit === null || own.startBpm === null || own.targetBpm === null) return undefined;
    const share = Math.min(own.startBpm, own.targetBpm) / own.targetBpm;
    const tempos =
      tempo.kind === 'change'
        ? Array.from({ length: bars }, (_, bar) => curveAt(tempo, bars === 1 ? 1 : bar / (bars - 1)))
        : [own.targetBpm];
    for (const target of tempos) {
      const click = clickOf({ bpm: target * share, unit: own.unit });
      if (!click) return undefined;
      last = click;
      stretches.push(stretchOf(click, item.metre, tempo.kind === 'change' ? 1 : bars));
    }
  }
  return stretches;
}

/** From bar to bar by equal shares, as tempo is felt. */
const curveAt = ({ fromBpm, toBpm }: { readonly fromBpm: Bpm; readonly toBpm: Bpm }, share: number): Bpm =>
  fromBpm * (toBpm / fromBpm) ** share;

function stretchOf(
  { bpm, unit }: { readonly bpm: Bpm; readonly unit: BeatUnit },
  metre: string,
  bars: number
): ThroughToDo[number] {
  const perBar = beatsPerBar(metre, unit) ?? 0;
  const isWhole = Number.isInteger(perBar);
  return {
    bpm,
    unit,
    beats: Math.max(1, Math.round(perBar * bars)),
    perBar: isWhole ? perBar : 0,
    isSilent: false
  };
}

const follow = (sections: readonly BarRange[]) =>
  sections.every(({ fromBar }, i) => i === 0 || fromBar === sections[i - 1]!.toBar + 1);
