/** The rules by which a plan reads what holds: a tempo that is lost goes back by one click, and a long time away ages all. */
import { type Away, isBeforeAway } from '../../plan';
import type { Counting, HoldRules } from '../../practice';
import { clicksLower } from '../../tempo';

export const holdRules = ({ inARow, among }: Counting, aways: readonly Away[]): HoldRules => ({
  inARow,
  among,
  oneLower: (bpm, unit) => clicksLower(bpm, unit, 1),
  isInterrupted: (on, today) => isBeforeAway(on, today, aways)
});
