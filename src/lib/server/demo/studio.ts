/** The demo's invented studio: people, places, composers and works exist nowhere else. Days are counted from today. */
import type { SectionTempo } from '../../core/tempo';
import type { ItemInput } from '../usecase/list';

export type DemoItem = ItemInput & {
  /** Chance that a planned rung comes to hold in its block: how this player gets on with it. */
  readonly ease: number;
  /** Came onto the list so many days ago; missing: it was there from the beginning. */
  readonly addedDaysAgo?: number;
};

export type DemoCandidate = {
  readonly name: string;
  readonly instruments: string;
  readonly login: string;
  readonly week: readonly (readonly [weekday: number, start: string | null, minutes: number])[];
  readonly exceptions: readonly { readonly inDays: number; readonly minutes: number; readonly why: string }[];
  readonly lesson: readonly [weekday: number, start: string, minutes: number];
  readonly audition: string;
  readonly beganDaysAgo: number;
  readonly rounds: readonly {
    readonly name: string;
    readonly inDays: number;
    readonly time: string;
    readonly hears?: readonly number[];
  }[];
  readonly dates: readonly {
    readonly inDays: number;
    readonly name: string;
    readonly kind: 'deadline' | 'cuts' | 'mock' | 'other';
    readonly minutes?: number;
  }[];
  readonly items: readonly DemoItem[];
  /** Share of planned days really practised. */
  readonly diligence: number;
  readonly ticks: number;
};

type Facts = {
  composer: string;
  kind: ItemInput['kind'];
  metre: string;
  bars: number;
  lines: string;
  tested: string;
  ease: number;
  split?: number;
  from?: number;
};

function item(name: string, facts: Facts, first: SectionTempo, second?: SectionTempo): DemoItem {
  const { composer, kind, metre, bars, lines, tested, ease, split, from = 1 } = facts;
  const to = from + bars - 1;
  const sections = second
    ? [
        { id: 'new-1', fromBar: from, toBar: split!, tempo: first },
        { id: 'new-2', fromBar: split! + 1, toBar: to, tempo: second }
      ]
    : [{ id: 'new-1', fromBar: from, toBar: to, tempo: first }];
  return {
    id: '',
    name,
    composer,
    kind,
    edition: 'Quay Street Press, 3rd printing',
    tested,
    barsPerLine: lines,
    metre,
    fromBar: from,
    toBar: to,
    sections,
    schools: {},
    ease
  };
}

const pulse = (unit: 'quarter' | 'dotted-quarter' | 'half' | 'eighth', targetBpm: number): SectionTempo => ({
  kind: 'pulse',
  unit,
  targetBpm
});
const range = (
  unit: 'quarter' | 'dotted-quarter' | 'half',
  lowBpm: number,
  highBpm: number
): SectionTempo => ({ kind: 'range', unit, lowBpm, highBpm });

const sightReading = (ease: number): DemoItem => ({
  id: '',
  name: 'Sight-reading',
  composer: 'fresh pages, level 5',
  kind: 'sight-reading',
  edition: '',
  tested: 'pulse kept going',
  barsPerLine: '',
  metre: '4/4',
  fromBar: 1,
  toBar: 1,
  sections: [],
  minutesPerWeek: 20,
  schools: {},
  ease
});

const ILKA: DemoCandidate = {
  name: 'Ilka Verbeeck',
  instruments: 'oboe',
  login: 'ilka',
  week: [
    [1, '17:00', 65],
    [2, '17:30', 60],
    [3, '17:00', 60],
    [4, '17:00', 65],
    [6, '10:00', 90],
    [7, null, 50]
  ],
  exceptions: [
    { inDays: 13, minutes: 0, why: 'school concert' },
    { inDays: 14, minutes: 0, why: 'school concert' },
    { inDays: 20, minutes: 0, why: 'family visit' },
    { inDays: 31, minutes: 0, why: 'holiday' },
    { inDays: 37, minutes: 20, why: 'travel' }
  ],
  lesson: [2, '16:45', 45],
  audition: 'Saltmarsh Youth Winds',
  beganDaysAgo: 44,
  rounds: [
    { name: 'first round', inDays: 46, time: '10:40' },
    { name: 'final', inDays: 60, time: '15:00', hears: [0, 1, 5] }
  ],
  dates: [
    { inDays: 8, name: 'application closes', kind: 'deadline' },
    { inDays: 25, name: 'cuts announced', kind: 'cuts' },
    { inDays: 33, name: 'mock, alone', kind: 'mock', minutes: 20 },
    { inDays: 40, name: 'mock, for Marit', kind: 'mock', minutes: 25 }
  ],
  items: [
    item(
      'Étude 14, “Millrace”',
      {
        composer: 'Quill',
        kind: 'etude',
        metre: '6/8',
        bars: 48,
        lines: '6 6 5 6 6 / 5 6 8',
        tested: 'even fingers, air to the end of the line',
        ease: 0.62
      },
      range('dotted-quarter', 58, 66)
    ),
    item(
      'Symphony “Tidal”, finale',
      {
        composer: 'Aldane',
        kind: 'excerpt',
        metre: '2/4',
        bars: 49,
        lines: '8 8 8 / 8 9 8',
        tested: 'lightness, double tongue at speed',
        ease: 0.6,
        from: 212
      },
      pulse('quarter', 138)
    ),
    item(
      'Three Fables, II',
      {
        composer: 'Osterrede',
        kind: 'excerpt',
        metre: '4/4',
        bars: 12,
        lines: '4 4 4',
        tested: 'line and phrasing',
        ease: 0.98,
        from: 5
      },
      pulse('quarter', 66)
    ),
    item(
      'Étude 9 in D minor',
      {
        composer: 'Quill',
        kind: 'etude',
        metre: '3/4',
        bars: 64,
        lines: '7 7 7 7 / 6 6 6 6 6 6',
        tested: 'sound and slurs over the break',
        ease: 0.72
      },
      pulse('quarter', 80)
    ),
    item(
      'Lanterns, Adagio and Allegro',
      {
        composer: 'Osterrede',
        kind: 'solo',
        metre: '4/4',
        bars: 36,
        lines: '4 4 4 4 / 5 5 5 5',
        tested: 'two characters, breath plan',
        ease: 0.72,
        split: 14
      },
      pulse('quarter', 54),
      pulse('quarter', 112)
    ),
    item(
      'Scales: D, G, B flat',
      {
        composer: 'two octaves, by memory',
        kind: 'scales',
        metre: '4/4',
        bars: 12,
        lines: '4 4 4',
        tested: 'evenness',
        ease: 0.75
      },
      pulse('quarter', 88)
    ),
    item(
      'Harbour Overture',
      {
        composer: 'Aldane',
        kind: 'excerpt',
        metre: '2/2',
        bars: 38,
        lines: '7 7 8 8 8',
        tested: 'intonation in the tutti chords',
        ease: 0.9,
        from: 41
      },
      pulse('half', 76)
    ),
    {
      ...item(
        'Étude 27, “Spindrift”',
        {
          composer: 'Quill',
          kind: 'etude',
          metre: '3/4',
          bars: 84,
          lines: '7 7 7 7 7 7 / 7 7 7 7 7 7',
          tested: 'stamina, even triplets',
          ease: 0.5
        },
        pulse('quarter', 100)
      ),
      addedDaysAgo: 5
    }
  ],
  diligence: 0.8,
  ticks: 3
};

const NOOR: DemoCandidate = {
  name: 'Noor Castellan',
  instruments: 'flute',
  login: 'noor',
  week: [
    [1, '16:30', 75],
    [2, '16:30', 75],
    [3, '16:30', 75],
    [4, '16:30', 75],
    [5, '16:30', 60],
    [6, '09:30', 90]
  ],
  exceptions: [{ inDays: 5, minutes: 0, why: 'rest before the week' }],
  lesson: [4, '15:30', 60],
  audition: 'Brackwater Conservatory',
  beganDaysAgo: 74,
  rounds: [{ name: 'entrance', inDays: 12, time: '11:20' }],
  dates: [
    { inDays: 3, name: 'mock, small jury', kind: 'mock', minutes: 40 },
    { inDays: 7, name: 'mock, full dress', kind: 'mock', minutes: 60 }
  ],
  items: [
    item(
      'Concertino, exposition',
      {
        composer: 'Varnholt',
        kind: 'solo',
        metre: '4/4',
        bars: 58,
        lines: '5 5 5 5 / 5 5 5 5 / 6 6 6',
        tested: 'projection, clean entries',
        ease: 0.95
      },
      range('quarter', 116, 126)
    ),
    item(
      'Étude 3, “Swifts”',
      {
        composer: 'Quill',
        kind: 'etude',
        metre: '3/8',
        bars: 64,
        lines: '9 9 9 9 / 9 9 10',
        tested: 'tongue and air together',
        ease: 0.6
      },
      pulse('dotted-quarter', 60)
    ),
    item(
      'Night Ferry, solo',
      {
        composer: 'Aldane',
        kind: 'excerpt',
        metre: '4/4',
        bars: 22,
        lines: '5 5 6 6',
        tested: 'colour in the low octave',
        ease: 0.96,
        from: 80
      },
      pulse('quarter', 56)
    ),
    item(
      'Scales in thirds',
      {
        composer: 'all majors, from memory',
        kind: 'scales',
        metre: '4/4',
        bars: 10,
        lines: '5 5',
        tested: 'no hesitation between keys',
        ease: 0.96
      },
      pulse('quarter', 92)
    ),
    sightReading(1)
  ],
  diligence: 0.93,
  ticks: 8
};

const SANNE: DemoCandidate = {
  name: 'Sanne Ruytervelde',
  instruments: 'oboe, cor anglais',
  login: 'sanne',
  week: [
    [1, null, 60],
    [3, null, 60],
    [5, null, 45],
    [6, null, 100],
    [7, null, 60]
  ],
  exceptions: [
    { inDays: 27, minutes: 0, why: 'away' },
    { inDays: 28, minutes: 0, why: 'away' },
    { inDays: 29, minutes: 0, why: 'away' },
    { inDays: 30, minutes: 0, why: 'away' },
    { inDays: 32, minutes: 0, why: 'away' }
  ],
  lesson: [1, '19:00', 45],
  audition: 'Fenland Philharmonic academy',
  beganDaysAgo: 58,
  rounds: [
    { name: 'recorded pre-screening', inDays: 55, time: '12:00', hears: [0, 2] },
    { name: 'first round', inDays: 88, time: '09:50' }
  ],
  dates: [{ inDays: 20, name: 'application and résumé', kind: 'deadline' }],
  items: [
    item(
      'Étude 22, “Gravel”',
      {
        composer: 'Quill',
        kind: 'etude',
        metre: '4/4',
        bars: 52,
        lines: '4 4 5 4 4 / 5 5 5 5 5 6',
        tested: 'stamina',
        ease: 0.35
      },
      pulse('quarter', 96)
    ),
    item(
      'Sonata in G, first movement',
      {
        composer: 'Lindqvarn',
        kind: 'solo',
        metre: '3/4',
        bars: 84,
        lines: '7 7 7 7 7 7 / 7 7 7 7 7 7',
        tested: 'style and ornaments',
        ease: 0.5,
        split: 50
      },
      pulse('quarter', 104),
      pulse('quarter', 92)
    ),
    item(
      'Weir Symphony, adagio',
      {
        composer: 'Varnholt',
        kind: 'excerpt',
        metre: '3/4',
        bars: 24,
        lines: '6 6 6 6',
        tested: 'cor anglais sound, long breath',
        ease: 0.8,
        from: 33
      },
      pulse('eighth', 76)
    ),
    item(
      'Harbour Overture',
      {
        composer: 'Aldane',
        kind: 'excerpt',
        metre: '2/2',
        bars: 38,
        lines: '7 7 8 8 8',
        tested: 'intonation in the tutti chords',
        ease: 0.55,
        from: 41
      },
      pulse('half', 76)
    ),
    item(
      'Scales: minor keys',
      {
        composer: 'three octaves',
        kind: 'scales',
        metre: '4/4',
        bars: 16,
        lines: '4 4 4 4',
        tested: 'evenness',
        ease: 0.6
      },
      pulse('quarter', 80)
    ),
    sightReading(1)
  ],
  diligence: 0.6,
  ticks: 4
};

const TEO: DemoCandidate = {
  name: 'Teo Marchetta-Lund',
  instruments: 'flute',
  login: 'teo',
  week: [
    [1, '18:00', 40],
    [2, '18:00', 40],
    [4, '18:00', 40],
    [6, '11:00', 60]
  ],
  exceptions: [],
  lesson: [2, '17:15', 30],
  audition: 'Tern Island summer orchestra',
  beganDaysAgo: 0,
  rounds: [{ name: 'audition', inDays: 150, time: '14:10' }],
  dates: [{ inDays: 40, name: 'excerpts published', kind: 'other' }],
  items: [
    item(
      'Étude 5, “Kites”',
      {
        composer: 'Quill',
        kind: 'etude',
        metre: '6/8',
        bars: 48,
        lines: '6 6 6 6 / 6 6 6 6',
        tested: 'light tongue',
        ease: 0.5
      },
      range('dotted-quarter', 72, 80)
    ),
    item(
      'Pavane for a Lighthouse',
      {
        composer: 'Osterrede',
        kind: 'solo',
        metre: '4/4',
        bars: 40,
        lines: '5 5 5 5 / 5 5 5 5',
        tested: 'tone',
        ease: 0.5
      },
      pulse('quarter', 60)
    ),
    item(
      'Scales: F, C, G',
      {
        composer: 'two octaves',
        kind: 'scales',
        metre: '4/4',
        bars: 12,
        lines: '4 4 4',
        tested: 'evenness',
        ease: 0.5
      },
      pulse('quarter', 72)
    )
  ],
  diligence: 1,
  ticks: 0
};

export const DEMO_TEACHER = { name: 'Marthe Oldenkott', login: 'marthe' };
export const DEMO_ZONE = 'Europe/Brussels';
export const DEMO_CANDIDATES: readonly DemoCandidate[] = [ILKA, NOOR, SANNE, TEO];
