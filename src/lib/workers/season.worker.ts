/** The worker that lays scratch plans and looks for remedies, so that the page never waits. */
import type { Touch } from '../core/practice';
import {
  type Changes,
  type Move,
  type Part,
  type Remedy,
  type SeasonPlan,
  type SeasonRequest,
  type Step,
  type Tried,
  compareLayings,
  findRemedies,
  laySeason,
  plannedStairs,
  trySeason,
  viewOf
} from '../core/season';
import { answerFrom } from './open';

/** All that a season is laid from but its log. */
export type SeasonFacts = Omit<SeasonRequest, 'log'>;

export type Opening = {
  readonly auditionId: string;
  /** This audition, and the candidate's others where they are laid as one. */
  readonly parts: readonly (Omit<Part, 'request'> & { readonly facts: SeasonFacts })[];
  /** Where the logs are read, as JSON: one for each part. */
  readonly logsAt: string;
  /** As it stands. */
  readonly plan: SeasonPlan;
};

export type Scratch = {
  readonly plan: SeasonPlan;
  /** Planned stairs by item. */
  readonly steps: Readonly<Record<string, readonly Step[]>>;
  /** Against the plan as it stands. */
  readonly moves: readonly Move[];
};

type Season = {
  readonly tried: Tried;
  /** Found one by one, so that a change tried meanwhile is laid in between. */
  readonly remedies: Iterator<Remedy, void>;
  readonly plan: SeasonPlan;
};
let opened: Promise<Season>;

async function read({ auditionId, parts, logsAt, plan }: Opening): Promise<Season> {
  const response = await fetch(logsAt);
  if (!response.ok) throw new Error(`the log could not be read (${response.status})`);
  const logs = (await response.json()) as (readonly Touch[])[];
  const whole = parts.map(({ facts, ...part }, i) => ({ ...part, request: { ...facts, log: logs[i]! } }));
  const tried = trySeason(whole, auditionId, plan.agreed);
  return { tried, remedies: findRemedies(tried), plan };
}

const season = {
  /** First of all. Each question after it is told why where it cannot be opened. */
  async open(opening: Opening): Promise<void> {
    opened = read(opening);
    await opened;
  },
  /** Null where there is no other. */
  async nextRemedy(): Promise<Remedy | null> {
    return (await opened).remedies.next().value ?? null;
  },
  async lay(changes: Changes): Promise<Scratch> {
    const { tried, plan } = await opened;
    const { request, names } = tried.with(changes);
    const joint = laySeason(request);
    const laid = names ? viewOf(joint, names) : joint;
    const steps = Object.fromEntries(laid.items.map((item) => [item.id, plannedStairs(item, laid.today)]));
    return { plan: laid, steps, moves: compareLayings(plan, laid) };
  }
};
export type SeasonAnswers = typeof season;

answerFrom(season);
