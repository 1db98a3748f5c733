/** Prints the plans of five lists, and of a pupil's season, day by day into docs/plans, to be read by eye: npm run plans. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { printedPlans } from '../tests/cases/printed';

mkdirSync('docs/plans', { recursive: true });
for (const [name, text] of printedPlans()) writeFileSync(`docs/plans/${name}`, text);
