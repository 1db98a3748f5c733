/** Three mocks behind, whose jurors do not agree, and two ahead. */
import type { DemoMock } from './shape';

export const NOORS_MOCKS: readonly DemoMock[] = [
  {
    ...{
      id: 'a6b1c7d2-0f3e-4a51-9c84-3e5d7f901a11',
      stage: 1,
      inDays: -9,
      time: '17:00',
      place: 'at home'
    },
    ...{ minutes: 20, count: 4 },
    jurors: [
      {
        name: 'the recording',
        says: { sound: ['uneven'], rhythm: ['uneven', 'not yet'], intonation: ['not yet', 'uneven'] },
        remarks: [{ item: 0, bar: 3, words: 'hurries into the rest' }]
      }
    ]
  },
  {
    ...{
      id: 'a6b1c7d2-0f3e-4a51-9c84-3e5d7f901a12',
      stage: 2,
      inDays: -5,
      time: '16:30',
      place: 'the shed'
    },
    ...{ minutes: 20, count: 4 },
    jurors: [{ name: 'Wout', says: { sound: ['carries'], rhythm: ['uneven'], tempo: ['carries', 'uneven'] } }]
  },
  {
    ...{ id: 'a6b1c7d2-0f3e-4a51-9c84-3e5d7f901a13', stage: 3, inDays: -2, time: '15:00', place: 'room 2' },
    ...{ minutes: 30, count: 5 },
    jurors: [
      {
        name: 'Marthe',
        says: {
          sound: ['carries'],
          intonation: ['uneven', 'carries'],
          rhythm: ['not yet', 'carries', 'uneven'],
          tempo: ['uneven', 'carries']
        },
        remarks: [
          { item: 0, bar: 2, words: 'rushes into the downbeat' },
          { item: 1, bar: 4, words: 'low after the leap' }
        ]
      },
      {
        name: 'Jan',
        says: {
          sound: ['carries', 'uneven'],
          intonation: ['carries'],
          rhythm: ['uneven'],
          tempo: ['carries']
        },
        remarks: [{ item: 0, bar: 2, words: 'late breath before it' }]
      }
    ]
  },
  {
    ...{
      id: 'a6b1c7d2-0f3e-4a51-9c84-3e5d7f901a14',
      stage: 4,
      inDays: 3,
      time: '14:30',
      place: 'parish hall'
    },
    ...{ minutes: 40, count: 5 },
    jurors: [
      { name: 'Jan', says: {} },
      { name: 'Lise', says: {} },
      { name: 'Marit', says: {} }
    ]
  },
  {
    ...{
      id: 'a6b1c7d2-0f3e-4a51-9c84-3e5d7f901a15',
      stage: 5,
      inDays: 7,
      time: '11:20',
      place: 'town theatre'
    },
    ...{ minutes: 60, count: 6, jurors: [] }
  }
];
