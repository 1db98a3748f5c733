/** What stands in docs/plans: file by file. */
import { laySeason } from '../../src/lib/core/season';
import { LISTS, pupilsSeason } from './lists';
import { printDays } from './print';

const DAYS_OF_SEASON = 21;

export function printedPlans(): ReadonlyMap<string, string> {
  const season = pupilsSeason().map(({ says, plan }) => `${says}\n\n${printDays(plan, DAYS_OF_SEASON)}`);
  return new Map([
    ...LISTS.map(
      ({ name, says, request }) => [`${name}.txt`, `${says}\n\n${printDays(laySeason(request()))}`] as const
    ),
    ['pupils-season.txt', season.join('\n\n')]
  ]);
}
