/** The entry of the worker that lays scratch plans and looks for remedies, so that the page never waits. */
import type { Touch } from '../core/practice';
import {
  type Remedy,
  type SeasonPlan,
  type Tried,
  compareLayings,
  findRemedies,
  laySeason,
  plannedStairs,
  trySeason,
  viewOf
} from '../core/season';
import type { Opening, SeasonAnswer, SeasonQuestion } from './season.questions';

type Season = {
  readonly tried: Tried;
  /** Found one by one, so that a change tried meanwhile is laid in between. */
  readonly remedies: Iterator<Remedy, void>;
  readonly plan: SeasonPlan;
};
let opened: Promise<Season>;

async function open({ auditionId, parts, logsAt, plan }: Opening): Promise<Season> {
  const response = await fetch(logsAt);
  if (!response.ok) throw new Error(`the log could not be read (${response.status})`);
  const logs = (await response.json()) as (readonly Touch[])[];
  const whole = parts.map(({ facts, ...part }, i) => ({ ...part, request: { ...facts, log: logs[i]! } }));
  const tried = trySeason(whole, auditionId, plan.agreed);
  return { tried, remedies: findRemedies(tried), plan };
}

async function answer(question: SeasonQuestion): Promise<SeasonAnswer> {
  if (question.kind === 'open') {
    opened = open(question);
    await opened;
    return { kind: 'open' };
  }
  const { tried, remedies, plan } = await opened;
  if (question.kind === 'next-remedy') return { kind: 'next-remedy', remedy: remedies.next().value ?? null };
  const { request, names } = tried.with(question.changes);
  const joint = laySeason(request);
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
