/**
 * Blocks that look for what is weak: an overspeed probe of what is nearly ready, and the microscope for what held and does so no longer. They
 * are offered, never laid. Source: the practice model, section 6; the constants are judgement.
 */
import type { PlanItem, RoadBlock, Schools, Touch } from '../../record';
import { cameToHold, inTimeOrder } from '../../practice';
import { clickableRange, settingsBetween } from '../../tempo';
import {
  type BeatUnit,
  type Bpm,
  type Minutes,
  type Share,
  SAME_TEMPO,
  isInside,
  sayBpm,
  tempoIn
} from '../../units';
import { schoolsOf } from '../facts/request';
import type { PlannedItem, PlannedSection, SeasonPlan } from '../laid/plan';
import { nameIn } from './road-block';

/** From so much of its target on a section can be probed. */
const PROBE_FROM: Share = 0.95;
/** So much faster, as near as a metronome says it, between these. */
const FASTER = 1.06;
const FASTER_BETWEEN = [1.03, 1.1] as const;
/** By choice from so much on. */
const CHOSEN_FROM = 1.05;
const HUNT_MIN: Minutes = 3;

type Facts = {
  readonly items: readonly PlanItem[];
  readonly schools?: Partial<Schools> | undefined;
  readonly log: readonly Touch[];
  /** Then nothing is probed. */
  readonly isHurt?: boolean;
};

/** In the list's order. */
export function huntsFor(plan: SeasonPlan, facts: Facts): Omit<RoadBlock, 'id'>[] {
  return plan.items
    .filter(({ state }) => state !== 'past' && state !== 'left-out')
    .map((item) => ({ ...item, name: nameIn(plan, item) }))
    .flatMap((item) =>
      item.sections.flatMap((section) => {
        const probe = facts.isHurt ? null : probeOf(section);
        const lost = lostOf(item, section, facts);
        return [
          ...(probe ? [hunt(item, section, 'probe', probe.bpm, probe.choices)] : []),
          ...(lost ? [hunt(item, section, 'microscope', lost / 2)] : [])
        ];
      })
    );
}

function hunt(
  item: PlannedItem,
  { id, fromBar, toBar, unit }: PlannedSection,
  kind: 'probe' | 'microscope',
  bpm: Bpm,
  choices: readonly Bpm[] = []
): Omit<RoadBlock, 'id'> {
  return {
    kind,
    itemId: item.id,
    sectionId: id,
    name: item.name,
    bars: { fromBar, toBar },
    parts: [],
    isJoined: false,
    minutes: HUNT_MIN,
    why:
      kind === 'probe'
        ? `probe at ${sayBpm(bpm)}: which bars break?`
        : `microscope at ${sayBpm(bpm)}: it held faster once`,
    dueOn: null,
    work: null,
    hunt: { unit: unit!, bpm, ...(choices.length > 1 ? { choices: [...choices] } : {}) }
  };
}

/** The tempo of a probe, and those that may be chosen instead; null where it is too early for one. */
function probeOf({
  held,
  unit,
  targetBpm
}: PlannedSection): { readonly bpm: Bpm; readonly choices: readonly Bpm[] } | null {
  if (!held || unit === null || targetBpm === null || held.bpm < targetBpm * PROBE_FROM) return null;
  const wanted = held.bpm * FASTER;
  const [low, high] = FASTER_BETWEEN.map((by) => held.bpm * by) as [Bpm, Bpm];
  const settings = settingsBetween(low, Math.min(high, clickableRange(unit).highest), unit);
  const bpm = nearestOf(settings, wanted) ?? Math.round(wanted);
  if (bpm > clickableRange(unit).highest) return null;
  return { bpm, choices: settings.filter((one) => one === bpm || one >= held.bpm * CHOSEN_FROM) };
}

const nearestOf = (settings: readonly Bpm[], wanted: Bpm): Bpm | undefined =>
  [...settings].sort((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted))[0];

/** The fastest at which it once held, where that is faster than what holds; null where nothing was lost. */
function lostOf({ id }: PlannedItem, section: PlannedSection, { items, schools, log }: Facts): Bpm | null {
  const { held, unit } = section;
  const item = items.find((one) => one.id === id);
  if (!held || unit === null || !item) return null;
  const counting = schoolsOf(item, schools);
  const shown = inTimeOrder(log.filter((touch) => touch.itemId === id)).flatMap((touch) =>
    touch.tempoBpm !== undefined &&
    isWhole(touch, section, item) &&
    !touch.notHeld?.length &&
    cameToHold(touch.attempts ?? '', counting)
      ? [tempoIn({ bpm: touch.tempoBpm, unit: touch.unit ?? unit }, unit)]
      : []
  );
  const fastest = Math.max(0, ...shown);
  return fastest > held.bpm * (1 + SAME_TEMPO) && isClicked(fastest / 2, unit) ? fastest : null;
}

/** A whole run states its tempo for one section: of several it is not said which. */
const isWhole = ({ fromBar, toBar }: Touch, section: PlannedSection, { sections }: PlanItem) =>
  fromBar === undefined ? sections.length === 1 : isInside(section, { fromBar, toBar: toBar ?? fromBar });
const isClicked = (bpm: Bpm, unit: BeatUnit) => bpm >= clickableRange(unit).lowest;
