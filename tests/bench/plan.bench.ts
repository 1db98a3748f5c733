/** How long laying a plan takes, against a small plan in the same run, and how it grows. Cases are made, not measured music. */
import { type SeasonItem, type SeasonRequest, laySeason } from '../../src/lib/core/season';
import { dayOf, formatDate } from '../../src/lib/core/units';

const TODAY = '2026-11-24';

function item(i: number): SeasonItem {
  const bars = 12 + ((i * 7) % 40);
  const targetBpm = 66 + ((i * 13) % 80);
  return {
    id: `i${i}`,
    name: `Study ${i}`,
    kind: 'etude',
    metre: '4/4',
    fromBar: 1,
    toBar: bars,
    sections: [{ id: `s${i}`, fromBar: 1, toBar: bars, tempo: { kind: 'pulse', unit: 'quarter', targetBpm } }]
  };
}

function request(items: number, days: number): SeasonRequest {
  return {
    today: TODAY,
    rounds: [{ id: 'r', name: 'round', date: formatDate(dayOf(TODAY) + days), zone: 'Europe/Brussels' }],
    items: Array.from({ length: items }, (_, i) => item(i)),
    time: {
      week: [1, 2, 3, 4, 6, 7].map((weekday) => ({
        weekday,
        minutes: 20 + Math.min(280, Math.round((items * 900) / days))
      })),
      exceptions: [],
      lessons: [],
      mocks: [],
      warmUpMin: 10,
      fundamentalsMin: 5
    },
    log: []
  };
}

function measure(run: () => unknown): { first: number; median: number } {
  const times: number[] = [];
  for (let i = 0; i < 15; i += 1) {
    const start = performance.now();
    run();
    times.push(performance.now() - start);
  }
  return { first: times[0]!, median: [...times].sort((a, b) => a - b)[7]! };
}

const first = measure(() => laySeason(request(12, 120)));
const unit = measure(() => laySeason(request(3, 30))).median;
console.log('The whole plan, in ms and as multiples of a plan of 3 items over 30 days in this run:');
const show = (name: string, ms: number) =>
  console.log(`  ${name.padEnd(34)} ${ms.toFixed(1).padStart(8)} ms ${(ms / unit).toFixed(1).padStart(8)} x`);
show('3 items, 30 days', unit);
show('12 items, 120 days, first call', first.first);
show('12 items, 120 days, goal 100 ms', first.median);
const plan = laySeason(request(12, 120));
show(
  '12 items, 120 days, laid again',
  measure(() => laySeason({ ...request(12, 120), previous: plan.agreed })).median
);
show('40 items, 365 days', measure(() => laySeason(request(40, 365))).median);

const slope = (points: readonly (readonly [number, number])[]) => {
  const [a, b] = [points[0]!, points.at(-1)!];
  return Math.log(b[1] / a[1]) / Math.log(b[0] / a[0]);
};
const byItems = [5, 10, 20, 40].map((n) => [n, measure(() => laySeason(request(n, 120))).median] as const);
const byDays = [60, 120, 240, 480].map((n) => [n, measure(() => laySeason(request(12, n))).median] as const);
console.log(
  `  grows with items^${slope(byItems).toFixed(2)} (5 to 40), with days^${slope(byDays).toFixed(2)} (60 to 480)`
);
