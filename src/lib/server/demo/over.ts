/** One whose audition is behind, and told. */
import { type DemoCandidate, item, pulse, range } from './shape';

export const WIES: DemoCandidate = {
  name: 'Wies Brandaris',
  instruments: 'clarinet',
  login: 'wies',
  week: [
    [1, '17:00', 45],
    [3, '17:00', 45],
    [5, '17:00', 45],
    [6, '10:00', 60]
  ],
  exceptions: [],
  lesson: [3, '18:00', 45],
  audition: 'Causeway Wind Ensemble',
  beganDaysAgo: 38,
  rounds: [{ name: 'audition', inDays: -4, time: '15:20' }],
  dates: [],
  mocks: [],
  stages: [
    {
      ...{
        id: 'a6b1c7d2-0f3e-4a51-9c84-3e5d7f901a21',
        stage: 3,
        inDays: -12,
        time: '17:00',
        place: 'room 2'
      },
      ...{ minutes: 20, count: 3 },
      jurors: [
        {
          name: 'Marthe',
          says: { sound: ['carries'], rhythm: ['uneven', 'carries'], tempo: ['carries'] },
          remarks: [{ item: 0, bar: 2, words: 'the last eighth comes early' }]
        }
      ]
    },
    {
      ...{
        id: 'a6b1c7d2-0f3e-4a51-9c84-3e5d7f901a22',
        stage: 5,
        inDays: -7,
        time: '15:20',
        place: 'town theatre'
      },
      ...{ minutes: 30, count: 3 },
      jurors: [
        { name: 'Lise', says: { sound: ['carries'], rhythm: ['carries'], tempo: ['uneven', 'carries'] } }
      ]
    }
  ],
  told: {
    result:
      'Second clarinet, from January on. “A sound that was there from the first note; the march a little in front of the beat.”',
    keep: 'The quarter of an hour alone before it. Next time the march first thing every day.',
    words: ['carries', 'uneven', '']
  },
  items: [
    item(
      'Étude 12, “Gulls”',
      {
        composer: 'Quill',
        kind: 'etude',
        metre: '3/4',
        bars: 32,
        lines: '8 8 8 8',
        tested: 'legato over the break',
        ease: 0.9
      },
      range('quarter', 84, 92)
    ),
    item(
      'March of the Ferrymen',
      {
        composer: 'Aldane',
        kind: 'excerpt',
        metre: '4/4',
        bars: 24,
        lines: '6 6 6 6',
        tested: 'pulse',
        ease: 0.85
      },
      pulse('quarter', 112)
    ),
    item(
      'Scales: F, B flat',
      {
        composer: 'two octaves',
        kind: 'scales',
        metre: '4/4',
        bars: 8,
        lines: '4 4',
        tested: 'evenness',
        ease: 0.9
      },
      pulse('quarter', 84)
    )
  ],
  diligence: 0.9,
  ticks: 6
};
