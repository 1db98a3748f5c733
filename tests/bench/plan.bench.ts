/**
 * How long a plan takes and what whole blocks cost, against a general-purpose solver on the same case in the same run,
 * and how it grows. Goals are printed beside what is measured; nothing here passes or fails.
 */
import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { join } from 'node:path';
import loadHighs from 'highs';
import { allot, findFit, levelDemands, readDemands, unevenness } from '../../src/lib/core/plan';
import { compareLayings, laySeason, plannedStairs } from '../../src/lib/core/season';
import { dayOf, formatDate } from '../../src/lib/core/units';
import { applyChanges } from '../../src/lib/core/season/scratch/edits';
import { findRemedy } from '../../src/lib/core/season/scratch/remedy';
import { REMEDY_KINDS } from '../../src/lib/core/season/scratch/trial';
import { tryAlone } from '../../src/lib/core/season';
import { randomSeason } from '../fixtures/random-season';
import { randomStudio } from '../fixtures/random-studio';
import {
  countContact,
  countFew,
  countShape,
  countSteps,
  movedByMissing,
  unevennessOf
} from '../fixtures/signed';
import { caseOf, tightCase } from './cases';
import { demandsOf, evenLoad } from './even';

const ROOT = join(fileURLToPath(import.meta.url), '..', '..', '..');

/** Milliseconds of a warm call: the median of `times` after as many to warm up. */
function median(run: () => unknown, times = 15): number {
  const taken: number[] = [];
  for (let i = 0; i < times; i += 1) run();
  for (let i = 0; i < times; i += 1) {
    const start = performance.now();
    run();
    taken.push(performance.now() - start);
  }
  return taken.sort((a, b) => a - b)[Math.floor(times / 2)]!;
}

/** Milliseconds of a first call, each in a process of its own; the median of five. */
function first(what: 'even' | 'plan', items: number, days: number): number {
  const once = () =>
    Number(
      execFileSync(
        join(ROOT, 'node_modules', '.bin', 'tsx'),
        [join(ROOT, 'tests', 'bench', 'first.ts'), what, String(items), String(days)],
        {
          encoding: 'utf8'
        }
      ).trim()
    );
  return [1, 2, 3, 4, 5].map(once).sort((a, b) => a - b)[2]!;
}

const show = (name: string, ms: number, goal: number | null = null) =>
  console.log(
    `  ${name.padEnd(46)} ${ms.toFixed(2).padStart(9)} ms${goal === null ? '' : `   goal ${goal} ms: ${(ms / goal).toFixed(2)} of it`}`
  );

const highs = await loadHighs();

/** The same flow as a linear program of the solver, from its text to its answer. */
function solverMs(items: number, days: number): number {
  const { demands, room } = demandsOf(items, days);
  const { read, fit } = evenLoad({ demands, room });
  const cells = read.rows.flatMap((row, r) =>
    row.cells.map((cell) => ({ ...cell, r, item: row.item, name: `x${r}_${cell.column}` }))
  );
  const group = (keyOf: (cell: (typeof cells)[number]) => string) => {
    const by = new Map<string, string[]>();
    for (const cell of cells) {
      const names = by.get(keyOf(cell)) ?? [];
      names.push(cell.name);
      by.set(keyOf(cell), names);
    }
    return [...by];
  };
  const lines = [
    ...group((c) => String(c.column)).map(
      ([c, names]) =>
        `${names.join(' + ')} <= ${read.columns[Number(c)]!.room * read.columns[Number(c)]!.days.length}`
    ),
    ...group((c) => `${c.item} ${c.column} ${c.most}`).map(
      ([key, names]) => `${names.join(' + ')} <= ${key.split(' ')[2]}`
    ),
    ...group((c) => String(c.r)).map(([r, names]) => `${names.join(' + ')} = ${fit.placed[Number(r)]}`)
  ];
  const slope = cells.map((cell) => `${1 + (cell.column % 7)} ${cell.name}`).join(' + ');
  const text = `Minimize\n obj: ${slope}\nSubject To\n${lines.map((line, i) => ` r${i}: ${line}`).join('\n')}\nEnd`;
  return median(() => highs.solve(text), 5);
}

console.log('The exact even load: does it fit, why not, and the evenest minutes of every day');
for (const [items, days, goal, goalFirst] of [
  [12, 120, 5, 60],
  [40, 365, 40, 200]
] as const) {
  const asked = demandsOf(items, days);
  const ours = median(() => evenLoad(asked));
  const solver = solverMs(items, days);
  show(`${items} items, ${days} days, warm`, ours, goal);
  show(`${items} items, ${days} days, first call in a process`, first('even', items, days), goalFirst);
  show(`  one linear program of the same in HiGHS`, solver);
  console.log(`    ${(solver / ours).toFixed(1)} times ours, without the levels`);
}

console.log('\nThe whole plan, with blocks and milestones');
for (const [items, days, goal] of [
  [12, 120, 25],
  [40, 365, 250]
] as const) {
  show(
    `${items} items, ${days} days, warm`,
    median(() => laySeason(caseOf(items, days))),
    goal
  );
  show(`${items} items, ${days} days, first call in a process`, first('plan', items, days));
}
show(
  '80 items, 730 days',
  median(() => laySeason(caseOf(80, 730)), 1),
  3000
);
const few = caseOf(12, 120);
const TOUCHES = 200_000;
const TOUCHES_A_DAY = 280;
const log = Array.from({ length: TOUCHES }, (_, i) => ({
  id: `log ${i}`,
  itemId: few.items[i % few.items.length]!.id,
  date: formatDate(dayOf(few.today) - Math.ceil((TOUCHES - i) / TOUCHES_A_DAY)),
  minutes: 5,
  tempoBpm: 40 + (i % 20),
  attempts: i % 3 === 0 ? 'ccc' : 'cnc'
}));
const lay = (more: object) => median(() => laySeason({ ...few, ...more }), 3);
show('a log of 200,000 touches read, 12 items', lay({ log }) - lay({}), 1000);
const season = caseOf(12, 90);
const laid = laySeason(season);
const today = laid.days[0]!.blocks[0]!;
const touch = {
  id: 't',
  itemId: today.itemId,
  date: laid.today,
  minutes: today.minutes,
  tempoBpm: today.bpm ?? 60,
  attempts: 'cnccc'
};
show(
  'laid again after one log, 12 items, 90 days',
  median(() => laySeason({ ...season, log: [touch], previous: laid.agreed }), 25),
  16.7
);

console.log('\nWhat a teacher looks for, over 200 random seasons: all, and the worst season');
const seasons = Array.from({ length: 200 }, (_, i) => randomSeason(i + 1));
const taken = seasons.map((one) => {
  laySeason(one);
  const start = performance.now();
  const plan = laySeason(one);
  return { one, plan, ms: performance.now() - start };
});
const fitting = taken.filter(({ plan }) => plan.short === null);
const counts = {
  'rests within their limit': fitting.map(({ plan }) => countContact(plan)),
  'two rungs a day at most': fitting.map(({ plan }) => countSteps(plan)),
  'rungs near their shape': fitting.map(({ plan, one }) => countShape(plan, one)),
  'twelve things a day at most': fitting.map(({ plan }) => countFew(plan))
};
for (const [name, all] of Object.entries(counts)) {
  const kept = all.reduce((sum, c) => sum + c.kept, 0) / all.reduce((sum, c) => sum + c.of, 0);
  const worst = Math.min(...all.filter((c) => c.of > 0).map((c) => c.kept / c.of));
  console.log(`  ${name.padEnd(46)} ${(100 * kept).toFixed(1)} %, worst ${(100 * worst).toFixed(0)} %`);
}
const uneven = fitting.map(({ plan, one }) => unevennessOf(plan, one)).sort((a, b) => a - b);
console.log(
  `  ${'load^2 / capacity over the least'.padEnd(46)} median ${uneven[Math.floor(uneven.length / 2)]!.toFixed(3)}, worst ${uneven.at(-1)!.toFixed(3)}`
);
const moved = fitting.flatMap(({ plan, one }) => movedByMissing(plan, one) ?? []).sort((a, b) => a - b);
console.log(
  `  ${'dates that one missed day moves, of what was not'.padEnd(46)} median ${(100 * moved[Math.floor(moved.length / 2)]!).toFixed(0)} %, worst ${(100 * moved.at(-1)!).toFixed(0)} %   goal 5 % and 20 %`
);
const ms = taken.map((t) => t.ms).sort((a, b) => a - b);
console.log(
  `  ${'a whole random plan, warm'.padEnd(46)} median ${ms[100]!.toFixed(0)} ms, worst ${ms.at(-1)!.toFixed(0)} ms`
);

const tight = tightCase(12, 120);
const asItStands = laySeason(tight);
console.log(
  `\nA plan of 12 items, 120 days, ${asItStands.short!.minutes} min short: what would make it fit, and what if`
);
for (const kind of REMEDY_KINDS)
  show(
    `${kind}${findRemedy(tryAlone(tight), kind).changes ? '' : ' (none)'}`,
    median(() => findRemedy(tryAlone(tight), kind), 5),
    200
  );
const changes = { week: [{ weekday: 1, addMin: 20 }], fundamentalsMin: 0 };
const scratch = { ...tight, previous: asItStands.agreed };
show(
  'an answer to what if',
  median(() => {
    const tried = laySeason(applyChanges(scratch, changes));
    for (const item of tried.items) plannedStairs(item, tried.today);
    compareLayings(asItStands, tried);
  }),
  50
);

const exponent = (points: readonly (readonly [number, number])[]) => {
  const xs = points.map(([x]) => Math.log(x));
  const ys = points.map(([, y]) => Math.log(y));
  const [mx, my] = [xs, ys].map((v) => v.reduce((a, b) => a + b, 0) / v.length) as [number, number];
  return xs.reduce((s, x, i) => s + (x - mx) * (ys[i]! - my), 0) / xs.reduce((s, x) => s + (x - mx) ** 2, 0);
};
const ITEMS = [5, 10, 20, 40, 80];
const DAYS = [60, 120, 240, 480, 720];
const grow = (name: string, of: (items: number, days: number) => () => unknown) => {
  const byItems = ITEMS.map((n) => [n, median(of(n, 120), 7)] as const);
  const byDays = DAYS.map((n) => [n, median(of(12, n), 7)] as const);
  console.log(
    `  ${name}: items^${exponent(byItems).toFixed(2)} (5 to 80, 120 days), days^${exponent(byDays).toFixed(2)} (60 to 720, 12 items)`
  );
};
console.log('\nGrowth, as exponents');
grow('even load', (items, days) => {
  const asked = demandsOf(items, days);
  return () => evenLoad(asked);
});
grow('whole plan', (items, days) => {
  const request = caseOf(items, days);
  return () => laySeason(request);
});

console.log(
  '\nWhat whole blocks cost: sum of load^2 / capacity above the least possible, on 400 random studios'
);
const costs: { all: number[]; roomy: number[] } = { all: [], roomy: [] };
let fits = 0;
let pieces = 0;
for (let seed = 1; seed <= 400; seed += 1) {
  const { demands, room } = randomStudio(seed);
  const read = readDemands(demands, room);
  const fit = findFit(read, demands.length);
  const levels = levelDemands(read, fit.placed);
  const { byAsked, pieceMin } = allot(
    demands.map((demand) => ({ ...demand, kept: [] })),
    room
  );
  if (fit.parts.length === 0) fits += 1;
  if (pieceMin.some((minutes) => minutes > 0)) pieces += 1;
  if (pieceMin.some((minutes) => minutes > 0)) continue;
  const load = new Map<number, number>();
  for (const { day, minutes } of byAsked.flat()) load.set(day, (load.get(day) ?? 0) + minutes);
  const cost = [...load].reduce((sum, [day, minutes]) => sum + minutes ** 2 / room.get(day)!, 0);
  const above = cost / unevenness(levels, read.columns) - 1;
  costs.all.push(above);
  const lightest = Math.min(
    ...read.columns.map((c, i) => (levels.ofColumn[i]!.minutes / levels.ofColumn[i]!.room) * c.room)
  );
  if (lightest >= 16) costs.roomy.push(above);
}
const share = (of: readonly number[], at: number) =>
  `${(100 * [...of].sort((a, b) => a - b)[Math.min(of.length - 1, Math.floor(at * of.length))]!).toFixed(3)} %`;
console.log(
  `  ${fits} of 400 fit; in ${pieces} some minutes are left in pieces shorter than a block, and they are not counted below`
);
console.log(
  `  every open day has two blocks (${costs.roomy.length}): median ${share(costs.roomy, 0.5)}, worst ${share(costs.roomy, 1)}   goal 0.5 % and 3 %`
);
console.log(
  `  all others too (${costs.all.length}): median ${share(costs.all, 0.5)}, nine in ten under ${share(costs.all, 0.9)}, worst ${share(costs.all, 1)}`
);
