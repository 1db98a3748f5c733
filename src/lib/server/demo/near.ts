/** Two candidates whose auditions are near: one plan that does not fit, one nearly done. All invented. */
import { NOORS_MOCKS } from './noors-mocks';
import { type DemoCandidate, type DemoTaker, item, pulse, range, sightReading } from './shape';

export const ILKA: DemoCandidate = {
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
  guardian: { name: 'Joke Verbeeck, 0400 11 22 33', consentDaysAgo: 43 },
  note: 'Shy of the first entry; begin lessons with something loud.',
  wish: 'May “Spindrift” wait until after the concert?',
  home: 'Tidal: tongue on the off-beats first, then both. Millrace from bar 31 on, slurred.',
  equipment: [
    { daysAgo: 16, says: 'reed 2 is soft' },
    { daysAgo: 6, says: 'new reed, number 3' }
  ],
  heard: { item: 0, fromBar: 31, toBar: 32, issue: 'B flat, and air to the end of the line' },
  recorded: [
    { item: 0, daysAgo: 16, share: 0.55, isKept: true, marks: [] },
    { item: 1, daysAgo: 2, share: 0.7, marks: [] },
    { item: 0, daysAgo: 2, share: 0.62, marks: [{ bar: 4, element: 'rhythm', says: 'late after the tie' }] },
    { item: 0, daysAgo: 1, share: 0.63, marks: [{ bar: 9, element: 'tone', says: '' }] }
  ],
  audition: 'Saltmarsh Youth Winds',
  checkedDaysAgo: 9,
  beganDaysAgo: 44,
  rounds: [
    { name: 'first round', inDays: 46, time: '10:40' },
    { name: 'final', inDays: 60, time: '15:00', hears: [0, 1, 5] }
  ],
  dates: [
    { inDays: 8, name: 'application closes', kind: 'deadline' },
    { inDays: 25, name: 'cuts announced', kind: 'cuts' }
  ],
  mocks: [
    { inDays: 33, name: 'mock, alone', minutes: 20 },
    { inDays: 40, name: 'mock, for Marit', minutes: 25 }
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
        pages: '22-23',
        key: 'G',
        errata: [{ bar: 31, says: 'B flat, not B' }],
        tested: 'even fingers, air to the end of the line',
        ease: 0.46
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
        ease: 0.45,
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
        ease: 0.73,
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
        key: 'D minor',
        tested: 'sound and slurs over the break',
        ease: 0.54
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
        ease: 0.54,
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
        ease: 0.56
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
        ease: 0.68,
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
          ease: 0.38
        },
        pulse('quarter', 100)
      ),
      addedDaysAgo: 5
    }
  ],
  diligence: 0.8,
  ticks: 3
};

export const NOOR: DemoCandidate = {
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
  dates: [],
  mocks: [],
  roundDay: {
    travelMin: 48,
    minutes: { silent: 18 },
    notes: {
      eat: 'bread, tea',
      leave: 'train 9:02',
      register: 'bring the one-page résumé',
      'warm-up': 'room 2'
    },
    place: 'Harbour School, hall 1',
    thoughts: [
      'two characters; breathe late',
      'light, it sits in the wrist',
      'air to the end of the line',
      'even, as one breath',
      'the pulse first'
    ]
  },
  stages: NOORS_MOCKS,
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
  also: {
    audition: 'Quayside Youth Orchestra',
    round: { name: 'seating audition', inDays: 40, time: '17:30' },
    items: [
      item(
        'Night Ferry, solo',
        {
          composer: 'Aldane',
          kind: 'excerpt',
          metre: '4/4',
          bars: 22,
          lines: '5 5 6 6',
          tested: 'colour in the low octave',
          ease: 1,
          from: 80
        },
        pulse('quarter', 56)
      ),
      item(
        'Étude 3, “Swifts”',
        {
          composer: 'Quill',
          kind: 'etude',
          metre: '3/8',
          bars: 64,
          lines: '9 9 9 9 / 9 9 10',
          tested: 'speed',
          ease: 1
        },
        pulse('dotted-quarter', 69)
      ),
      item(
        'Breakwater March',
        {
          composer: 'Varnholt',
          kind: 'excerpt',
          metre: '2/4',
          bars: 32,
          split: 16,
          lines: '8 8 8 8',
          tested: 'rhythm at the head of each phrase',
          ease: 1
        },
        pulse('quarter', 104),
        // the trio
        pulse('quarter', 88)
      )
    ]
  },
  diligence: 0.93,
  ticks: 8
};

/** Takes the same list as Ilka, later, with less time. */
export const JORRE: DemoTaker = {
  name: 'Jorre Paelinck',
  instruments: 'oboe',
  login: 'jorre',
  takes: 'Ilka Verbeeck',
  easeTimes: 0.9,
  mocks: [{ inDays: 36, name: 'mock, alone', minutes: 20 }],
  week: [
    [1, '18:00', 60],
    [3, '15:00', 90],
    [5, '17:30', 60],
    [6, '09:30', 120],
    [7, '10:00', 90]
  ],
  exceptions: [],
  lesson: [2, '17:30', 45],
  beganDaysAgo: 25,
  diligence: 0.72,
  ticks: 3
};
