/** Why a block is there, in a phrase: what is due and since when, or how long it has rested. */
import type { Touch } from '../../record';
import { dayOf, sayDate } from '../../units';
import {
  type PlannedBlock,
  type PlannedItem,
  type SeasonPlan,
  rungKey,
  rungOfBlock,
  sayRung
} from '../laid/plan';

type Facts = { readonly log: readonly Touch[]; readonly hurtDays?: readonly string[] | undefined };

export function sayWhy(
  plan: SeasonPlan,
  { log, hurtDays = [] }: Facts,
  date: string,
  item: PlannedItem,
  block: PlannedBlock,
  isLink: boolean
): string {
  if (block.kind === 'run') return 'straight through, no click, the room imagined';
  if (block.kind === 'easy-run') return 'once through, easily';
  if (block.kind === 'keep-warm') return sayRested(log, date, item.id);
  const rung = block.kind === 'ladder' ? rungOfBlock(item, block) : undefined;
  if (!rung) return 'some of its weekly minutes';
  const due = dueOf(plan, item, block);
  const joined = isLink ? 'joined at tempo' : 'at tempo';
  const name = rung.bars ? joined : sayRung({ bpm: rung.click.bpm });
  if (due === null) return `towards ${name}`;
  const days = dayOf(due) - dayOf(date);
  // what was stopped for pain is no reproach
  if (days < 0 && hurtDays.includes(due)) return `towards ${name}`;
  if (days === -1) return `${name} was not reached yesterday`;
  if (days < 0) return `${name} was due on ${sayDate(dayOf(due))}`;
  return `${name} is due ${days === 0 ? 'today' : days === 1 ? 'tomorrow' : `on ${sayDate(dayOf(due))}`}`;
}

/** The first day on which its rung was ever due. */
export function dueOf(plan: SeasonPlan, item: PlannedItem, block: PlannedBlock): string | null {
  const rung = block.kind === 'ladder' ? rungOfBlock(item, block) : undefined;
  if (!rung) return null;
  return plan.agreed.rungs.find((one) => rungKey(one) === rungKey(rung))?.due ?? rung.date;
}

function sayRested(log: readonly Touch[], date: string, itemId: string): string {
  const last = log
    .filter((touch) => touch.itemId === itemId && touch.date < date)
    .map((touch) => touch.date)
    .sort()
    .at(-1);
  if (!last) return 'once, so that it stays';
  const days = dayOf(date) - dayOf(last);
  return days === 1 ? 'played yesterday, kept warm' : `touch again after ${days} days`;
}
