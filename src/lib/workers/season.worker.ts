/** The entry of the worker that lays scratch plans and looks for remedies, so that the page never waits. */
import type { Touch } from '../core/practice';
import {
  type Remedy,
  type SeasonRequest,
  applyChanges,
  compareLayings,
  findRemedies,
  laySeason,
  plannedStairs,
  viewOf
} from '../core/season';
import type { Opening, SeasonAnswer, SeasonQuestion } from './season.questions';

type Season = {
  readonly request: SeasonRequest;
  /** Found one by one, so that a change tried meanwhile is laid in between. */
  readonly remedies: Iterator<Remedy, void>;
} & Pick<Opening, 'plan' | 'names'>;
let opened: Promise<Season>;

async function open({ facts, logAt, plan, names }: Opening): Promise<Season> {
  const response = await fetch(logAt);
  if (!response.ok) throw new Error(`the log could not be read (${response.status})`);
  const request = { ...facts, log: (await response.json()) as readonly Touch[] };
  return { request, remedies: findRemedies(request), plan, names };
}

async function answer(question: SeasonQuestion): Promise<SeasonAnswer> {
  if (question.kind === 'open') {
    opened = open(question);
    await opened;
    return { kind: 'open' };
  }
  const { request, remedies, plan, names } = await opened;
  if (question.kind === 'next-remedy') return { kind: 'next-remedy', remedy: remedies.next().value ?? null };
  const joint = laySeason(applyChanges(request, question.changes));
  const laid = names ? viewOf(joint, names) : joint;
  const steps = Object.fromEntries(laid.items.map((item) => [item.id, plannedStairs(item, laid.today)]));
  return { kind: 'lay', plan: laid, steps, moves: compareLayings(plan, laid) };
}

addEventListener('message', ({ data }: MessageEvent<{ id: number; question: SeasonQuestion }>) => {
  answer(data.question).then(
    (answered) => postMessage({ id: data.id, answer: answered }),
    (why: unknown) => postMessage({ id: data.id, fault: why instanceof Error ? why.message : String(why) })
  );
});
