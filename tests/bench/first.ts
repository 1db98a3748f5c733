/** The first call in a process: `tsx first.ts even|plan ITEMS DAYS` prints its milliseconds. */
import { levelDemands, findFit, readDemands } from '../../src/lib/core/plan';
import { laySeason } from '../../src/lib/core/season';
import { dayOf } from '../../src/lib/core/units';
import { caseOf } from './cases';

const [what, items, days] = [process.argv[2], Number(process.argv[3]), Number(process.argv[4])];
const today = dayOf('2026-11-24');
const to = today + days - 15;
const demands = Array.from({ length: items }, (_, i) => ({
  id: `i${i}`,
  mostPerDay: 50,
  windows: [
    { from: today, to: today + Math.floor((days - 14) * 0.6), minutes: 90 + ((i * 17) % 60) },
    { from: today, to, minutes: 80 + ((i * 11) % 50) }
  ]
}));
const room = new Map(
  Array.from({ length: days }, (_, d) => [
    today + d,
    d % 7 === 5 ? 0 : 40 + (d % 3) * 20 + Math.round((items * 900) / days)
  ])
);
const request = caseOf(items, days);
const start = performance.now();
if (what === 'plan') laySeason(request);
else {
  const read = readDemands(demands, room);
  levelDemands(read, findFit(read, items).placed);
}
console.log(performance.now() - start);
