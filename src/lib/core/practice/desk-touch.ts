/**
 * What a block's work comes to in the log: a touch with a series for each tempo, in order. A block's minutes are whole; what is over a minute
 * goes on to the next block of the day, so that the day's touches sum to what was played.
 */
import type { Series, Touch } from '../record';
import type { BarRange, Minutes } from '../units';
import { type Answer, type DeskBlock, type DeskDay, type Ran, isSameTask } from './desk';
import { barsOfTask } from './desk-work';

/** As many as one series holds. */
const MOST_ATTEMPTS = 60;

/** Touches of the day's blocks that have ended, in the order in which they began. */
export function touchesOfDay(day: DeskDay): Touch[] {
  const begun = day.blocks
    .filter((block) => block.run?.end)
    .sort((a, b) => a.run!.begunAtMs - b.run!.begunAtMs);
  let over = 0;
  return begun.flatMap((block) => {
    const { seconds, answers, pages, starts, ran } = block.run!;
    if (block.itemId === null) return [];
    const minutes = wholeMinutes(
      seconds + over,
      ran !== null || answers.length + pages.length + starts.length > 0
    );
    over += seconds - minutes * 60;
    return minutes === 0 ? [] : [touchOf(day, block, minutes)];
  });
}

/** What was answered was played: it has a minute at least, which the next block lends. */
const wholeMinutes = (seconds: number, isPlayed: boolean): Minutes =>
  Math.max(isPlayed ? 1 : 0, Math.round(seconds / 60));

function touchOf(day: DeskDay, block: DeskBlock, minutes: Minutes): Touch {
  const series = seriesOfRun(day, block);
  return {
    id: block.id,
    itemId: block.itemId!,
    date: day.date,
    minutes,
    ...(block.bars ?? {}),
    ...(series.length > 0 ? { series } : {})
  };
}

/** Answers that follow each other at one tempo; the seconds of the run are shared by the clock. */
function seriesOfRun(day: DeskDay, block: DeskBlock): Series[] {
  const { run, work } = block;
  if (run && run.pages.length > 0) return pagesOf(run);
  if (run?.ran) return sectionsOf(block, run, run.ran);
  if (!run || !work) return [];
  const groups: Answer[][] = [];
  for (const answer of run.answers) {
    const last = groups.at(-1);
    if (last && goesOn(last, answer)) last.push(answer);
    else groups.push([answer]);
  }
  const ends = groups.map((group) => group.at(-1)!.atMs);
  const begins = groups.map((_, i) => (i === 0 ? run.begunAtMs : ends[i - 1]!));
  const spans = groups.map((_, i) => Math.max(0, ends[i]! - begins[i]!));
  const all = spans.reduce((sum, span) => sum + span, 0);
  let given = 0;
  let passed = 0;
  return groups.map((group, i): Series => {
    passed += spans[i]!;
    const isLast = i === groups.length - 1;
    const until = isLast ? run.seconds : Math.floor(all === 0 ? 0 : (run.seconds * passed) / all);
    const seconds = until - given;
    given = until;
    return {
      ...(barsOfTask(day, block, group[0]!) ?? {}),
      tempoBpm: group[0]!.bpm,
      unit: work.unit,
      attempts: group.map(({ mark }) => mark).join(''),
      ...(elementsOf(group).length > 0 ? { notHeld: elementsOf(group) } : {}),
      ...spotOfGroup(group[0]!),
      atMs: begins[i]!,
      seconds
    };
  });
}

/** Pages read at sight, one attempt each: c where the player kept going. They have no tempo. */
const pagesOf = ({ pages, begunAtMs, seconds }: NonNullable<DeskBlock['run']>): Series[] => [
  {
    attempts: pages
      .slice(-MOST_ATTEMPTS)
      .map(({ mark }) => mark)
      .join(''),
    atMs: begunAtMs,
    seconds
  }
];

/** What a run was, as somebody says who has heard the sound of it. */
export const touchHeard = (block: DeskBlock, ran: Ran): { readonly series: readonly Series[] } => ({
  series: block.run ? sectionsOf(block, block.run, ran) : []
});

/** One attempt at each section of which it is known how it went, at what it was run at. The clock is the first one's. */
function sectionsOf(
  { sections = [] }: DeskBlock,
  { begunAtMs, seconds }: NonNullable<DeskBlock['run']>,
  ran: Ran
): Series[] {
  const answered = sections.flatMap(({ bpm, ...section }) => {
    const attempts = attemptAt(section, ran);
    return attempts === null ? [] : [{ ...section, tempoBpm: bpm, attempts }];
  });
  return answered.map((one, i) => ({ ...one, atMs: begunAtMs, seconds: i === 0 ? seconds : 0 }));
}

/** What lies elsewhere than what broke was clean, where it was played straight through. */
function attemptAt(section: BarRange, { isStraight, isClean, broke }: Ran): 'c' | 'n' | null {
  const isBroken = broke.some(({ fromBar, toBar }) => fromBar <= section.toBar && toBar >= section.fromBar);
  if (isBroken) return 'n';
  return isStraight && (isClean || broke.length > 0) ? 'c' : null;
}

const spotOfGroup = ({ spot, method }: Answer) => ({
  ...(spot === undefined ? {} : { spot }),
  ...(method === undefined ? {} : { method })
});

/** What did not hold is of the attempts that were not yet alone: a clean one after them begins anew. */
function goesOn(group: readonly Answer[], next: Answer): boolean {
  const isStated = group.some(({ notHeld }) => notHeld.length > 0);
  const [first] = group;
  const isSame = first!.bpm === next.bpm && isSameTask(first!, next) && first!.method === next.method;
  return isSame && group.length < MOST_ATTEMPTS && !(isStated && next.mark === 'c');
}

const elementsOf = (group: readonly Answer[]) => [...new Set(group.flatMap(({ notHeld }) => notHeld))];
