/** Five lists as people have them, each with its days: what their plans come to day by day stands in docs/plans. All invented. */
import {
  type SeasonItem,
  type SeasonPlan,
  type SeasonRequest,
  joinAuditions,
  laySeason
} from '../../src/lib/core/season';
import { dayOf, formatDate } from '../../src/lib/core/units';
import { etude, freeTime } from '../fixtures/etude-season';

const TODAY = '2026-11-24';
const inDays = (days: number) => formatDate(dayOf(TODAY) + days);
const round = (days: number, id = 'r') => ({
  id,
  name: 'round',
  date: inDays(days),
  zone: 'Europe/Brussels'
});
const clean = (itemId: string, date: string, tempoBpm: number, minutes: number) => ({
  id: `${itemId} ${date}`,
  itemId,
  date,
  minutes,
  tempoBpm,
  attempts: 'nccc'
});

function work(id: string, name: string, targetBpm: number, bars: number, more: Partial<SeasonItem> = {}) {
  return etude(id, targetBpm, bars, { name, ...more });
}

/** 22 orchestral excerpts in 60 days at three hours, most of them of a few bars. */
export function excerpts(): SeasonRequest {
  const names = [
    'Harbour',
    'Kiln',
    'Tern',
    'Saltings',
    'Lantern',
    'Weir',
    'Drove',
    'Causeway',
    'Ferry',
    'Sluice',
    'Osier'
  ];
  const items = names.flatMap((name, i) => [
    work(`e${2 * i}`, `${name}, first movement`, 72 + ((i * 17) % 70), 8 + ((i * 5) % 14), {
      kind: 'excerpt'
    }),
    work(`e${2 * i + 1}`, `${name}, finale`, 96 + ((i * 23) % 60), 6 + ((i * 7) % 12), { kind: 'excerpt' })
  ]);
  return {
    today: TODAY,
    rounds: [round(60)],
    items,
    time: { ...freeTime(180), warmUpMin: 15, fundamentalsMin: 15 },
    log: []
  };
}

/** A pupil's six items at 35 minutes a day; the season goes on: see `pupilsSeason`. */
export function pupil(): SeasonRequest {
  return {
    today: TODAY,
    began: TODAY,
    rounds: [round(53)],
    items: [
      work('p1', 'Étude 4', 84, 16),
      work('p2', 'Étude 9', 104, 12),
      work('p3', 'Reed dance', 92, 20, { kind: 'solo' }),
      work('p4', 'Slow air', 58, 12, { kind: 'solo' }),
      work('p5', 'Scales in D', 100, 8, { kind: 'scales' }),
      { ...work('p6', 'Sight-reading', 60, 1, { kind: 'sight-reading', minutesPerWeek: 15 }), sections: [] }
    ],
    time: { ...freeTime(35), warmUpMin: 5 },
    log: []
  };
}

/** One long etude of five pages. */
export const longEtude = (): SeasonRequest => ({
  today: TODAY,
  rounds: [round(75)],
  items: [work('l', 'Étude 21, “Estuary”', 112, 160)],
  time: { ...freeTime(75), warmUpMin: 10 },
  log: []
});

/** A recital of four solos, of several tempos each. */
export function recital(): SeasonRequest {
  const pulse = (id: string, fromBar: number, toBar: number, targetBpm: number) => ({
    id,
    fromBar,
    toBar,
    tempo: { kind: 'pulse' as const, unit: 'quarter' as const, targetBpm }
  });
  const solo = (id: string, name: string, tempos: readonly number[], bars: number): SeasonItem => ({
    ...work(id, name, 60, bars * tempos.length, { kind: 'solo' }),
    sections: tempos.map((bpm, i) => pulse(`${id}-${i + 1}`, i * bars + 1, (i + 1) * bars, bpm))
  });
  return {
    today: TODAY,
    rounds: [round(90)],
    items: [
      solo('s1', 'Sonata in three winds', [120, 54, 138], 48),
      solo('s2', 'Two weathers', [60, 132], 40),
      solo('s3', 'Breakwater fantasy', [92], 90),
      solo('s4', 'Evening canticle', [50], 60)
    ],
    time: { ...freeTime(120, [1, 2, 3, 4, 5, 7]), warmUpMin: 10, fundamentalsMin: 15 },
    log: []
  };
}

/** Two auditions that share four items, the second three weeks after the first. */
export function twoAuditions(): SeasonRequest {
  const shared = (part: string) => [
    work(`${part}1`, 'Étude 2, “Swifts”', 116, 32),
    work(`${part}2`, 'Breakwater March', 108, 24, { kind: 'excerpt' }),
    work(`${part}3`, 'Tidal', 76, 20, { kind: 'excerpt' }),
    work(`${part}4`, 'Sonata, first movement', 126, 64, { kind: 'solo' })
  ];
  const time = { ...freeTime(90), warmUpMin: 10 };
  const part = (id: string, days: number, own: SeasonItem[]) => ({
    auditionId: id,
    name: `Audition ${id}`,
    request: {
      today: TODAY,
      began: TODAY,
      rounds: [round(days, `${id}-r`)],
      items: [...shared(id), ...own],
      time,
      log: []
    }
  });
  return joinAuditions([
    part('a', 56, [work('a5', 'Concert study', 132, 40)]),
    part('b', 77, [work('b5', 'Lowland dances', 88, 30, { kind: 'solo' })])
  ]).request;
}

export type Printed = { readonly name: string; readonly says: string; readonly request: () => SeasonRequest };

export const LISTS: readonly Printed[] = [
  { name: 'excerpts', says: '22 orchestral excerpts, 60 days, three hours a day', request: excerpts },
  { name: 'pupil', says: 'six items of a pupil, 53 days, 35 minutes a day', request: pupil },
  { name: 'long-etude', says: 'one long etude of five pages, 75 days, 75 minutes a day', request: longEtude },
  { name: 'recital', says: 'a recital of four solos, 90 days, two hours a day', request: recital },
  {
    name: 'two-auditions',
    says: 'two auditions that share four items, 56 and 77 days, 90 minutes a day',
    request: twoAuditions
  }
];

/** The pupil's season after three missed days and an early success: the plan of each day on which it was laid. */
export function pupilsSeason(): { readonly says: string; readonly plan: SeasonPlan }[] {
  let plan = laySeason(pupil());
  const told = [{ says: 'as first laid', plan }];
  const log: SeasonRequest['log'][number][] = [];
  const next = (days: number) => laySeason({ ...pupil(), today: inDays(days), log, previous: plan.agreed });
  for (const day of [1, 2, 3]) {
    plan = next(day);
    told.push({ says: `${day} ${day === 1 ? 'day' : 'days'} missed`, plan });
  }
  log.push(clean('p2', inDays(3), 88, 18));
  plan = next(4);
  told.push({ says: 'Étude 9 holds at 88, far ahead of its rung', plan });
  return told;
}
