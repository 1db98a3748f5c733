/** The next action in words. */
import type { AskedBlock } from '$lib/core/record/words';
import { dayOf, sayDate } from '$lib/core/units';
import type { ReadinessView } from '$lib/schema/readiness-view';

const LIST = new Intl.ListFormat('en-GB');
const COUNTS = ['no', 'one', 'two', 'three', 'four'];

/** What the block is, and how it is played. */
const BLOCKS: Readonly<Record<AskedBlock, readonly [what: string, how: string]>> = {
  run: ['straight through', 'first thing, first attempt'],
  'any-bar': ['from any bar', 'five bars are named, and the music begins at once'],
  probe: ['faster, once', 'to see what breaks'],
  work: ['towards its tempo', 'as its plan goes']
};

export const sayBlock = (block: AskedBlock): string => BLOCKS[block][0];
export const sayDay = (date: string, today: string): string =>
  dayOf(date) === dayOf(today) + 1 ? 'tomorrow' : sayDate(dayOf(date));

type Next = NonNullable<ReadinessView['next']>;

/** `day` is where the block would stand or stands; empty for a task. */
export function sayNext(
  { block, checks, asked }: Next,
  today: string
): { readonly what: string; readonly says: string; readonly day: string } {
  const [first] = checks;
  if (block === null) return { what: first!.asks, says: first!.does, day: '' };
  const [what, how] =
    first!.kind === 'fresh' ? ['fresh pages', 'three in a row at which it is kept going'] : BLOCKS[block];
  const asks = LIST.format(checks.map((check) => check.asks));
  const answers =
    checks.length === 1
      ? `it answers “${asks}”`
      : `it answers ${COUNTS[checks.length] ?? checks.length} checks at once, ${asks}`;
  if (!asked) return { what, says: `Just now it cannot be put on a day: ${answers}.`, day: '' };
  const day = sayDay(asked.date, today);
  if (asked.is === 'planned')
    return {
      what,
      says: `The plan has it ${day === 'tomorrow' ? day : `on ${day}`}, ${asked.minutes} minutes: ${answers}.`,
      day
    };
  const lead =
    asked.is === 'asked'
      ? `It is on ${day === 'tomorrow' ? 'tomorrow’s road map' : `the road map of ${day}`}, `
      : '';
  const on =
    asked.is === 'asked'
      ? `${asked.minutes} minutes`
      : `${asked.minutes} minutes ${day === 'tomorrow' ? day : `on ${day}`}`;
  return { what, says: `${lead}${on}, ${how}: ${answers}.`, day };
}
