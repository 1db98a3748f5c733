/**
 * Sets of fundamentals to begin with, by instrument family, in our own words. What belongs into them is common practice, no published source;
 * a teacher changes them.
 */
import type { InstrumentFamily, Often, Scales } from '../record';
import type { Minutes } from '../units';
import { readKeys } from './scales';

export type SetEntry = {
  readonly name: string;
  readonly minutes: Minutes;
  readonly often: Often;
  readonly tires?: string;
  readonly scales?: Scales;
};

const daily: Often = { kind: 'every', days: 1 };
const everyOther: Often = { kind: 'every', days: 2 };
const aWeek = (times: number): Often => ({ kind: 'a-week', times });

/** From a click that helps much to one that helps little (handbook section 5). */
const scales = (keys: string, pattern: string): Scales => ({
  keys: readKeys(keys),
  octaves: 2,
  pattern,
  unit: 'quarter',
  fromBpm: 60,
  toBpm: 120,
  stage: 'subdivisions'
});

const ALL: readonly SetEntry[] = [
  {
    name: 'Major scales',
    minutes: 3,
    often: everyOther,
    tires: 'fingers',
    scales: scales('all major', 'by memory, up and down')
  },
  {
    name: 'Minor scales',
    minutes: 3,
    often: aWeek(2),
    tires: 'fingers',
    scales: scales('all minor', 'by memory, harmonic, then melodic')
  }
];

const SETS: Readonly<Record<InstrumentFamily, readonly SetEntry[]>> = {
  winds: [
    { name: 'Breath, then long tones from the middle', minutes: 4, often: everyOther, tires: 'lips' },
    { name: 'Slow slurs over the break', minutes: 3, often: aWeek(3), tires: 'lips' },
    { name: 'Single tongue on one note, four tempos', minutes: 3, often: aWeek(3), tires: 'tongue' },
    { name: 'Chords broken through three octaves', minutes: 3, often: aWeek(2), tires: 'fingers' },
    { name: 'Swell and fade on one breath', minutes: 3, often: aWeek(1), tires: 'air' }
  ],
  brass: [
    { name: 'Breath, then buzzing and long tones', minutes: 4, often: everyOther, tires: 'lips' },
    { name: 'Lip slurs, low to high and back', minutes: 3, often: aWeek(3), tires: 'lips' },
    { name: 'Single tongue, then double, on one note', minutes: 3, often: aWeek(3), tires: 'tongue' },
    { name: 'Low register, wide and quiet', minutes: 3, often: aWeek(2), tires: 'air' },
    { name: 'Range up by half steps, stop while it is easy', minutes: 3, often: aWeek(1), tires: 'lips' }
  ],
  strings: [
    { name: 'Open strings: whole bows, even sound', minutes: 3, often: daily, tires: 'bow arm' },
    { name: 'Shifts on one finger, silent arrival', minutes: 3, often: aWeek(3), tires: 'left hand' },
    {
      name: 'Strokes on a scale: on the string, off the string',
      minutes: 3,
      often: aWeek(2),
      tires: 'bow arm'
    },
    { name: 'Thirds and sixths, slowly', minutes: 3, often: aWeek(1), tires: 'left hand' },
    { name: 'Vibrato from slow to fast', minutes: 3, often: aWeek(1), tires: 'left hand' }
  ],
  plucked: [
    { name: 'Plant and release, each finger', minutes: 3, often: daily, tires: 'right hand' },
    { name: 'Slurs up and down on one string', minutes: 3, often: aWeek(3), tires: 'left hand' },
    { name: 'Broken chords, even and quiet', minutes: 3, often: aWeek(3), tires: 'right hand' },
    { name: 'Shifts along one string', minutes: 3, often: aWeek(2), tires: 'left hand' }
  ],
  keyboard: [
    { name: 'Five fingers, each with its own weight', minutes: 3, often: daily, tires: 'wrists' },
    { name: 'Broken chords, hands apart, then together', minutes: 3, often: aWeek(3), tires: 'wrists' },
    { name: 'Voicing: one finger sings in a chord', minutes: 3, often: aWeek(2), tires: 'fingers' },
    { name: 'Octaves from a loose wrist', minutes: 3, often: aWeek(2), tires: 'wrists' }
  ],
  percussion: [
    { name: 'Even strokes, each hand, then by turns', minutes: 4, often: daily, tires: 'wrists' },
    { name: 'Rolls from open to closed', minutes: 4, often: aWeek(3), tires: 'grip' },
    { name: 'Accents and taps at two heights', minutes: 3, often: aWeek(3), tires: 'wrists' },
    { name: 'Four mallets: one at a time, then in pairs', minutes: 4, often: aWeek(2), tires: 'grip' }
  ],
  voice: [
    { name: 'Breath low and quiet, then a hum', minutes: 3, often: daily, tires: 'air' },
    { name: 'Five notes on vowels, up by half steps', minutes: 4, often: daily, tires: 'voice' },
    { name: 'Text spoken in rhythm', minutes: 3, often: aWeek(2), tires: 'tongue' },
    { name: 'Swell and fade on one note', minutes: 3, often: aWeek(2), tires: 'voice' }
  ]
};

/** For a family that is not known scales alone; for voice and percussion what they have instead. */
export const startingSet = (family: InstrumentFamily | null): readonly SetEntry[] => [
  ...(family === null ? [] : SETS[family]),
  ...(family === 'voice' || family === 'percussion' ? [] : ALL)
];
