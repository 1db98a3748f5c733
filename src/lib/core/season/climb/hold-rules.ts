/** The rules by which this house reads what holds: a tempo that is lost goes back by one click. */
import type { HoldRules } from '../../practice';
import { clicksLower } from '../../tempo';

export const holdRules = (inARow: number): HoldRules => ({
  inARow,
  oneLower: (bpm, unit) => clicksLower(bpm, unit, 1)
});
