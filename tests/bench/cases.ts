/** Made cases of any size for measuring: one audition, items of different lengths and tempos, a week of six days. */
import type { SeasonItem, SeasonRequest } from '../../src/lib/core/season';
import { dayOf, formatDate } from '../../src/lib/core/units';
import { roundOn } from '../fixtures/etude-season';

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
    rounds: [roundOn(formatDate(dayOf(TODAY) + days))],
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

/** The same with too few minutes, every third item stretching above the low end of its range, and a log that holds its low half. */
export function tightCase(items: number, days: number): SeasonRequest {
  const made = caseOf(items, days);
  return {
    ...made,
    items: made.items.map((one, i) => {
      const [section] = one.sections;
      const low = 66 + ((i * 13) % 80);
      const tempo = {
        kind: 'range',
        unit: 'quarter',
        lowBpm: low,
        highBpm: low + 24,
        stretchBpm: low + 16
      } as const;
      return i % 3 === 0 ? { ...one, sections: [{ ...section!, tempo }] } : one;
    }),
    time: {
      ...made.time,
      week: made.time.week.map((span) => ({ ...span, minutes: Math.round(span.minutes * 0.29) }))
    },
    log: made.items.map((one, i) => ({
      id: `t${i}`,
      itemId: one.id,
      date: '2026-11-20',
      minutes: 10,
      tempoBpm: Math.round((66 + ((i * 13) % 80)) * 0.6),
      attempts: 'ccc'
    }))
  };
}
