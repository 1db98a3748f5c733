/**
 * The one next action of an audition: of its weakest item, what answers two checks before what answers one, and of those the first in the chain.
 * No probe before the tempo holds. Source: the mock model, section 6.
 */
import type { AskedBlock } from '../record/words';
import { type CheckReading, type ItemReadiness, isRequired } from './read';

export type NextAction = {
  readonly itemId: string;
  readonly name: string;
  /** Checks that it answers, in the order of the chain. */
  readonly checks: readonly CheckReading[];
  /** The block that answers them; null where it is a task. */
  readonly block: AskedBlock | null;
};

/** `items` as they were read, the weakest first; null where every required check of each holds. */
export function nextAction(items: readonly ItemReadiness[]): NextAction | null {
  const [weakest] = items;
  if (!weakest || weakest.state === 'holds') return null;
  const open = weakest.checks.filter((check) => isRequired(check) && check.state !== 'holds');
  const tempo = weakest.checks.find(({ kind }) => kind === 'tempo');
  const isSlow = tempo !== undefined && tempo.level !== 'off' && tempo.state !== 'holds';
  const groups = new Map<string, CheckReading[]>();
  for (const wanted of open) {
    // before a probe its tempo comes, though nobody asks for that by itself
    const check = isSlow && wanted.block === 'probe' ? tempo : wanted;
    // a task is by itself
    const key = check.block ?? check.kind;
    const group = groups.get(key) ?? [];
    if (!group.includes(check)) groups.set(key, [...group, check]);
  }
  const [best] = [...groups.values()]
    // the order of the chain stays, where as many are answered
    .sort((a, b) => Math.min(2, b.length) - Math.min(2, a.length));
  return best ? { itemId: weakest.id, name: weakest.name, checks: best, block: best[0]!.block } : null;
}
