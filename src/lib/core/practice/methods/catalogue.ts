/**
 * Ways to practise a few bars, always to the next downbeat. Source: the handbook, section 5, in our own words; what each is good for is
 * common practice, no published source. An attempt ends with the bars as written, so that it tells what holds.
 */
import type { InstrumentFamily } from '../../record/family';
import type { Element } from '../elements';

export type Method = {
  readonly id: string;
  /** Variants of one way. */
  readonly group: string;
  readonly name: string;
  /** What to do, in a sentence or two. */
  readonly says: string;
  readonly goodFor: readonly Element[];
  /** Instrument families it is for; missing: all. */
  readonly families?: readonly InstrumentFamily[];
  /** What it needs besides the instrument. */
  readonly needs?: string;
  /** How a beat or two of it look, written as `readPattern` has it. */
  readonly pattern?: string;
  /** Not offered while something hurts. */
  readonly isTiring?: true;
  readonly caution?: string;
};

const HEARING = 'Keep it softer than the instrument: what is turned up over it tires the ears.';
const TENSION = 'Stop at the first gripping or stiffness: speed that is tense is no speed.';

/** In the order in which they are offered where nothing else decides. */
export const METHODS: readonly Method[] = [
  {
    id: 'long-short',
    group: 'rhythms that fit',
    name: 'Long, short',
    says: 'Dot every first note of two and hurry the second. Then as written.',
    goodFor: ['rhythm', 'fingers', 'articulation'],
    pattern: '8.,16 8.,16 | 4'
  },
  {
    id: 'short-long',
    group: 'rhythms that fit',
    name: 'Short, long',
    says: 'Hurry every first note of two and rest on the second. Then as written.',
    goodFor: ['rhythm', 'fingers', 'articulation'],
    pattern: '16,8. 16,8. | 4'
  },
  {
    id: 'long-short-short',
    group: 'rhythms that fit',
    name: 'Long, short, short',
    says: 'One long note, then two quick ones, all the way through. Then as written.',
    goodFor: ['rhythm', 'fingers'],
    pattern: '8,16,16 8,16,16 | 4'
  },
  {
    id: 'short-short-long',
    group: 'rhythms that fit',
    name: 'Short, short, long',
    says: 'Two quick notes run into a long one. Then as written.',
    goodFor: ['rhythm', 'fingers'],
    pattern: '16,16,8 16,16,8 | 4'
  },
  {
    id: 'threes-over-fours',
    group: 'rhythms that cross',
    name: 'Threes over fours',
    says: 'Lean on every third note where four make a beat, until the accents come home to the downbeat. Then as written.',
    goodFor: ['rhythm', 'fingers', 'ease'],
    pattern: '16>,16,16,16> 16,16,16>,16 16,16>,16,16 | 4>'
  },
  {
    id: 'start-on-second',
    group: 'displacement',
    name: 'Start on the second note',
    says: 'Begin one note into the beat and stop on the same note a beat later; then on through the bars. Then as written.',
    goodFor: ['rhythm', 'fingers', 'intonation'],
    pattern: 'r16,16,16,16 16,16>'
  },
  {
    id: 'start-on-third',
    group: 'displacement',
    name: 'Start on the third note',
    says: 'Begin two notes into the beat and stop on the same note a beat later. Then as written.',
    goodFor: ['rhythm', 'fingers', 'intonation'],
    pattern: 'r8,16,16 16,16,16>'
  },
  {
    id: 'start-on-fourth',
    group: 'displacement',
    name: 'Start on the fourth note',
    says: 'Begin on the last note of the beat and stop on the same one a beat later. Then as written.',
    goodFor: ['rhythm', 'fingers', 'intonation'],
    pattern: 'r8.,16 16,16,16,16>'
  },
  {
    id: 'each-note-often',
    group: 'repeated notes',
    name: 'Four, three, two, one',
    says: 'Each note four times, then each three times, twice, once. Then as written.',
    goodFor: ['articulation', 'tone', 'intonation'],
    pattern: '16,16,16,16 16,16,16,16 | 8'
  },
  {
    id: 'sprint',
    group: 'sprints',
    name: 'Sprint to the downbeat',
    says: 'One beat as a short burst onto the next downbeat, then silence until it is easy again; then the next beat.',
    goodFor: ['fingers', 'articulation', 'rhythm'],
    pattern: '16,16,16,16 | 4>',
    isTiring: true,
    caution: TENSION
  },
  {
    id: 'bar-from-the-end',
    group: 'add a bar from the end',
    name: 'From the end, a bar more',
    says: 'The last bar to its downbeat, then the last two, until you begin where the spot begins.',
    goodFor: ['ease', 'air', 'dynamics', 'rhythm']
  },
  {
    id: 'chunk-from-the-front',
    group: 'add a chunk from the front',
    name: 'From the front, a chunk more',
    says: 'A few notes, stop; the same and the next few, stop; until it is whole.',
    goodFor: ['fingers', 'ease', 'rhythm']
  },
  {
    id: 'loop-a-beat',
    group: 'loop a beat',
    name: 'Loop, stop, think',
    says: 'Go round one beat, stop on the next strong beat, say what was not right, and go round again.',
    goodFor: ['intonation', 'tone', 'fingers', 'articulation']
  },
  {
    id: 'slurred-then-tongued',
    group: 'articulation in stages',
    name: 'Slurred, then lightly tongued',
    says: 'All slurred; then with the lightest tongue; then as written.',
    goodFor: ['articulation', 'air', 'tone'],
    families: ['winds', 'brass']
  },
  {
    id: 'separate-hooked-slurred',
    group: 'bowing in stages',
    name: 'Separate, hooked, slurred',
    says: 'Separate bows; then two hooked; then slurs by two, by four, by eight. Then as written.',
    goodFor: ['articulation', 'rhythm', 'tone'],
    families: ['strings']
  },
  {
    id: 'on-vowels',
    group: 'words in stages',
    name: 'Vowels, then words',
    says: 'On one vowel; on the vowels of the text; then with its consonants.',
    goodFor: ['articulation', 'tone', 'air'],
    families: ['voice']
  },
  {
    id: 'one-hand',
    group: 'one line at a time',
    name: 'One hand alone',
    says: 'Each hand, or each line, by itself until it could be listened to; then together.',
    goodFor: ['fingers', 'rhythm', 'dynamics'],
    families: ['keyboard', 'percussion', 'plucked'],
    needs: 'more than one line'
  },
  {
    id: 'both-down',
    group: 'both down, one sounding',
    name: 'Both down, one sounding',
    says: 'Set the fingers of both strings, and let the bow or hand sound one alone; then the other; then both.',
    goodFor: ['intonation', 'fingers'],
    families: ['strings', 'plucked'],
    needs: 'double stops'
  },
  {
    id: 'half-tempo',
    group: 'half tempo',
    name: 'Half as fast, with everything',
    says: 'Twice at half the tempo with dynamics, breath and character as in the end. Then once at the tempo of the click.',
    goodFor: ['dynamics', 'tone', 'intonation', 'ease']
  },
  {
    id: 'backwards',
    group: 'backwards',
    name: 'Backwards',
    says: 'The notes from the last to the first, evenly. Then as written.',
    goodFor: ['fingers', 'intonation']
  },
  {
    id: 'octave-moved',
    group: 'octave moved',
    name: 'An octave away',
    says: 'The same notes an octave lower or higher, where they lie easily; listen; then where they belong.',
    goodFor: ['intonation', 'tone', 'ease']
  },
  {
    id: 'other-keys',
    group: 'other keys',
    name: 'In other keys',
    says: 'The same shape a step up, a step down, and back home.',
    goodFor: ['fingers', 'intonation']
  },
  {
    id: 'sung',
    group: 'sung',
    name: 'Sung, then played',
    says: 'Sing the bars in time, in any octave; play what you sang.',
    goodFor: ['intonation', 'dynamics', 'tone', 'rhythm']
  },
  {
    id: 'counted',
    group: 'counted aloud',
    name: 'Counted aloud',
    says: 'Speak the count with its subdivision over the bars, fingers along; then play with the count in the head.',
    goodFor: ['rhythm']
  },
  {
    id: 'checkpoints',
    group: 'checkpoints held',
    name: 'Checkpoints held',
    says: 'Choose two or three notes and hold each longer than written until it rings and nothing grips. Then as written.',
    goodFor: ['intonation', 'ease', 'tone', 'air'],
    pattern: '16,16,16,16 2 | 4'
  },
  {
    id: 'harder',
    group: 'harder than needed',
    name: 'Harder than needed',
    says: 'In one breath or bow more than is asked, or softer, or longer slurred. Then as written, which is easier now.',
    goodFor: ['air', 'dynamics', 'articulation', 'ease'],
    isTiring: true,
    caution: TENSION
  },
  {
    id: 'drone',
    group: 'with a drone',
    name: 'Over a drone',
    says: 'The key’s first note sounds on; each note finds its place against it. Then without.',
    goodFor: ['intonation', 'tone'],
    needs: 'a drone',
    caution: HEARING
  },
  {
    id: 'along',
    group: 'along with a recording',
    name: 'Along with a recording',
    says: 'Play with one that you like, at its tempo or slowed; then alone, and hear what is gone.',
    goodFor: ['rhythm', 'dynamics', 'intonation'],
    needs: 'a recording',
    caution: HEARING
  },
  {
    id: 'silent',
    group: 'silent fingering',
    name: 'Silent, then sounding',
    says: 'Fingers, slide or sticks move in time without a sound; then it sounds.',
    goodFor: ['fingers', 'rhythm', 'ease'],
    families: ['winds', 'brass', 'strings', 'plucked', 'keyboard', 'percussion']
  },
  {
    id: 'imagined',
    group: 'imagined',
    name: 'Heard before it sounds',
    says: 'Put the instrument down, hear the bars as they should be, in time; then play them.',
    goodFor: ['ease', 'dynamics', 'tone', 'intonation']
  }
];
