/** Made cases of any size for measuring: one audition, items of different lengths and tempos, a week of six days. */
import type { SeasonItem, SeasonRequest } from '../../src/lib/core/season';
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

export function caseOf(items: number, days: number): SeasonRequest {
  return {
    today: TODAY,
    rounds: [{ id: 'r', name: 'round', date: formatDate(dayOf(TODAY) + days), zone: 'Europe/Brussels' }],
    items: Array.from({ length: items }, (_, i) => item(i)),
    time: {
      week: [1, 2, 3, 4, 6, 7].map((weekday) => ({
        weekday,
        minutes: 20 + (weekday % 2) * 15 + Math.min(480, Math.round((items * 1000) / days))
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
