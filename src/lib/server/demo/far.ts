/** Two candidates with time ahead: one with missed days and slow items, one quite new. All invented. */
import { type DemoCandidate, item, pulse, range, sightReading } from './shape';

export const SANNE: DemoCandidate = {
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
  recorded: [
    { item: 0, daysAgo: 6, share: 0.8, marks: [] },
    { item: 0, daysAgo: 3, share: 0.85, marks: [] }
  ],
  audition: 'Fenland Philharmonic academy',
  beganDaysAgo: 58,
  rounds: [
    { name: 'recorded pre-screening', inDays: 55, time: '12:00', hears: [0, 2], uploadInDays: 60 },
    { name: 'first round', inDays: 88, time: '09:50' }
  ],
  dates: [{ inDays: 20, name: 'application and résumé', kind: 'deadline' }],
  mocks: [],
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
        instrument: 'cor anglais',
        tested: 'its sound, long breath',
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

export const TEO: DemoCandidate = {
  name: 'Teo Marchetta-Lund',
  instruments: 'flute',
  login: 'teo',
  guardian: { name: '', consentDaysAgo: null },
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
  mocks: [],
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
