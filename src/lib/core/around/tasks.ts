/**
 * What has to be done around an audition besides playing, counted back from the deadline and from the round. Source: the mock model, section 7,
 * and handbook sections 2 and 11; how many days before is common practice, no published source.
 */
import type { Task } from '../record';
import type { InstrumentFamily } from '../record/family';
import { type DayNumber, dayOf, formatDate } from '../units';

type Usual = { readonly name: string; readonly before: 'deadline' | 'round'; readonly days: number };

const USUAL: readonly Usual[] = [
  { name: 'decide whether it is really wanted', before: 'deadline', days: 28 },
  { name: 'résumé, one page', before: 'deadline', days: 14 },
  { name: 'application sent, clear subject line', before: 'deadline', days: 5 },
  { name: 'fee paid', before: 'deadline', days: 5 },
  { name: 'travel', before: 'round', days: 21 },
  { name: 'slot confirmed', before: 'round', days: 10 }
];
/** What is changed or played in so early that it can be trusted on the day. */
const EQUIPMENT: Readonly<Partial<Record<InstrumentFamily, string>>> = {
  winds: 'two good reeds, or pads and joints looked at',
  strings: 'strings played in, bow seen to',
  plucked: 'strings played in',
  brass: 'valves and slides oiled',
  percussion: 'sticks and mallets, two of each',
  keyboard: 'shoes and pedal tried',
  voice: 'two copies of the music for the pianist'
};
const EQUIPMENT_DAYS = 3;
/** What has no day stands behind what has one. */
const LAST = Number.MAX_SAFE_INTEGER;

export type UsualTask = { readonly name: string; readonly dueOn: string | null };

/**
 * In the order of their days; none lies before today, those for which there is no date have none. Dates as YYYY-MM-DD; null where there is no
 * deadline, or no round.
 */
export function usualTasks({
  deadline,
  round,
  family,
  today
}: {
  readonly deadline: string | null;
  readonly round: string | null;
  readonly family: InstrumentFamily | null;
  readonly today: string;
}): UsualTask[] {
  const from: Record<Usual['before'], DayNumber | null> = {
    deadline: deadline === null ? null : dayOf(deadline),
    round: round === null ? null : dayOf(round)
  };
  const equipment = family && EQUIPMENT[family];
  const all: Usual[] = [
    ...USUAL,
    ...(equipment ? [{ name: equipment, before: 'round' as const, days: EQUIPMENT_DAYS }] : [])
  ];
  const due = ({ before, days }: Usual): DayNumber | null => {
    // without a deadline of its own the application is over before the round
    const end = from[before] ?? from.round;
    return end === null ? null : Math.max(dayOf(today), end - days);
  };
  return all
    .map((one) => ({ name: one.name, day: due(one) }))
    .sort((a, b) => (a.day ?? LAST) - (b.day ?? LAST))
    .map(({ name, day }) => ({ name, dueOn: day === null ? null : formatDate(day) }));
}

/** What the two light days before a round are for. Null on every other day. `daysToGo` counted to the round. */
export function lightDay(daysToGo: number): string | null {
  if (daysToGo === 2)
    return 'A light day: each item once, easily, nothing new; what you need for the day is packed.';
  if (daysToGo === 1)
    return 'A light day: sound, a few first bars at their tempo, and then enough. The rest is sleep.';
  return null;
}

const DUE_SOON_DAYS = 7;

/**
 * Those that are open and due in a week, or were before; by their days. Once the last round has taken place nobody is reminded of what was to be
 * done for it. `roundsOn` are the days of the rounds, in their order.
 */
export function dueSoon(tasks: readonly Task[], roundsOn: readonly string[], today: string): Task[] {
  const last = roundsOn.at(-1);
  const since = last !== undefined && last < today ? last : '';
  return tasks
    .filter(({ doneOn }) => doneOn === null)
    .filter(({ dueOn }) => dueOn !== null && dueOn > since && dayOf(dueOn) - dayOf(today) <= DUE_SOON_DAYS)
    .sort((a, b) => (a.dueOn! < b.dueOn! ? -1 : 1));
}
