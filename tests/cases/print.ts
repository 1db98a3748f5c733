/** A plan as a list of days, for reading by eye. */
import { type PlannedBlock, type SeasonPlan, rungOfBlock, sayPart } from '../../src/lib/core/season';
import { WEEKDAY_NAMES, dayOf, sayBpm, weekdayOf } from '../../src/lib/core/units';

const KINDS: Partial<Record<PlannedBlock['kind'], string>> = {
  'keep-warm': 'touch',
  run: 'run',
  'easy-run': 'easy run',
  minutes: 'minutes'
};

/** The first so many days; each with its minutes and what lies on it, and the rungs that are reached by its end. */
export function printDays(plan: SeasonPlan, most = Infinity): string {
  const names = new Map(plan.items.map((item) => [item.id, item]));
  const say = (block: PlannedBlock) => {
    const item = names.get(block.itemId)!;
    const rung = block.kind === 'ladder' ? rungOfBlock(item, block) : undefined;
    const from = block.fromClick ? `${sayBpm(block.fromClick.bpm)} -> ` : '';
    const what = rung ? `${from}${sayBpm(rung.click.bpm)}` : (KINDS[block.kind] ?? '');
    const isReached = rung?.date === plan.days.find((day) => day.blocks.includes(block))!.date;
    const part = block.part ? `, ${sayPart(block.part)}` : '';
    return `${item.name} ${block.minutes} (${what}${part}${isReached ? ' reached' : ''})`;
  };
  const lines = plan.days.slice(0, most).map(({ date, plannedMin, capacityMin, blocks }) => {
    const weekday = WEEKDAY_NAMES[weekdayOf(dayOf(date)) - 1]!.slice(0, 2);
    const head = `${weekday} ${date.slice(5)} ${String(plannedMin).padStart(3)}/${String(capacityMin).padEnd(3)}`;
    return blocks.length === 0 ? head.trimEnd() : `${head} ${blocks.map(say).join('; ')}`;
  });
  const short = plan.short ? [`${plan.short.minutes} min short`] : [];
  return [...short, ...lines, ''].join('\n');
}
