/** Forms as a page fills them, sound but for one thing or two: what a slip, an old window or somebody with bad intent would send. */
import { stringify } from 'devalue';
import { type Roll, spoil } from '../fixtures/spoil';

const section = (more: object) => ({
  ...{ id: 'new-1', name: '', fromBar: 1, toBar: 16, unit: 'quarter', use: 'mean', dueOn: '' },
  ...{
    targetBpm: 96,
    lowBpm: 80,
    highBpm: 92,
    stretchBpm: null,
    fromBpm: 60,
    toBpm: 80,
    recordings: '88 92 96',
    minutesPerWeek: 20
  },
  ...more
});
const item = {
  ...{
    version: 1,
    name: 'Study in slips',
    composer: 'Quill',
    kind: 'etude',
    edition: '',
    pages: '3',
    key: 'D minor',
    tested: ''
  },
  ...{
    errata: '3: tie',
    cuts: '2-9',
    hasOwnSections: false,
    barsPerLine: '4 4 4 4',
    metre: '4/4',
    fromBar: 1,
    toBar: 16,
    pickupBeats: null
  },
  ...{
    minutesPerWeek: null,
    mostPerDayMin: 30,
    strategy: 'ramp',
    notesPerBeat: 4,
    tires: 'lips',
    step: 'auto',
    shape: 'equal-percent',
    inARow: 3
  },
  sections: ['pulse', 'range', 'recordings', 'change', 'free']
    .slice(0, 1)
    .map((tempoKind) => section({ tempoKind }))
};
const call = {
  version: 1,
  name: 'Slipway Winds',
  rounds: [
    {
      id: '',
      name: 'first round',
      date: '2027-01-09',
      time: '10:40',
      zone: 'Europe/Brussels',
      isHistory: false,
      isWeek: false,
      isRecorded: false,
      uploadBy: '',
      hearsAll: true,
      itemIds: []
    },
    {
      id: '',
      name: 'final',
      date: '2027-02-09',
      time: '',
      zone: 'Europe/Brussels',
      isHistory: false,
      isWeek: true,
      isRecorded: true,
      uploadBy: '2027-02-12',
      hearsAll: false,
      itemIds: ['none']
    }
  ],
  dates: [{ date: '2026-12-12', name: 'closes', kind: 'deadline' }],
  ownVersion: 1,
  ownDates: [{ date: '2026-12-20', name: 'mock', kind: 'mock', minutes: 20 }],
  slots: [{ roundId: 'none', date: '2027-01-10', time: '' }]
};
const time = {
  ...{ version: 1, warmUpMin: 10, fundamentalsMin: 10 },
  week: [{ weekday: 1, start: '17:00', minutes: 60 }],
  lessons: [{ weekday: 2, start: '', minutes: 45, isInside: true }],
  exceptions: [{ date: '2026-12-01', until: '2026-12-14', minutes: 0, why: 'away' }]
};
const touch = {
  itemId: 'none',
  date: '2026-11-24',
  fromBar: 1,
  toBar: 4,
  minutes: 10,
  tempoBpm: 60,
  unit: 'quarter',
  attempts: 'ccncc',
  notHeld: ['rhythm'],
  isRecorded: false,
  note: ''
};
const row = {
  name: 'Study',
  composer: 'Quill',
  kind: 'etude',
  edition: '',
  pages: '',
  tested: '',
  metre: '4/4',
  fromBar: 1,
  toBar: 16,
  unit: 'quarter',
  lowBpm: 60,
  highBpm: 72,
  recordings: '',
  minutesPerWeek: null,
  key: '',
  place: 'letter A',
  holdsBpm: 48,
  holdsBy: 'teacher',
  errata: '3: B flat',
  cuts: '2-4',
  leftOver: 'with repeats',
  presumed: ['unit']
};
const facts = {
  name: 'Ada',
  instruments: 'oboe',
  zone: 'Europe/Brussels',
  isMinor: true,
  version: 1,
  guardian: 'x',
  consentOn: '2026-01-01',
  privateNote: 'y'
};

/** By the form's route and action. */
export const SOUND: Record<string, object> = {
  '/candidates/[candidate]/auditions/new?/save': call,
  '/auditions/[audition]/call?/save': call,
  '/auditions/[audition]/call?/preview': call,
  '/lists/new?/save': call,
  '/lists/[call]/call?/save': call,
  '/lists/[call]/new?/save': item,
  '/lists/[call]/[item]?/save': item,
  '/lists/[call]/import?/save': { rows: [row, { ...row, name: 'Another' }] },
  '/auditions/[audition]/list/new?/save': item,
  '/auditions/[audition]/list/[item]?/save': item,
  '/auditions/[audition]/list/[item]?/preview': item,
  '/auditions/[audition]/list/import?/save': { rows: [row, { ...row, name: 'Another' }] },
  '/auditions/[audition]/list/holds?/save': {
    heardBy: 'teacher',
    rows: [{ itemId: 'x', sectionId: 'y', bpm: 60 }]
  },
  '/candidates/[candidate]/time?/save': time,
  '/auditions/[audition]/log?/touch': touch,
  '/auditions/[audition]/log?/line': { line: '1 3-4 10m @60 ccncc -rhythm late' },
  '/auditions/[audition]/lesson?/line': { line: '1 3-4 10m @60 ccc heard today' },
  '/candidates/[candidate]?/facts': facts,
  '/account?/password': { present: 'guess', password: 'three quiet herons' },
  '/sign-in?/default': { login: 'marthe', password: 'three quiet herons' },
  '/studio?/add': { name: 'Bo', instruments: 'flute', zone: 'Europe/Brussels', isMinor: false }
};

/** Forms that are sent field by field. */
const PLAIN: Record<string, Record<string, unknown>> = {
  '/studio/evening?/default': {
    ...{ id: '6f1c0f7e-9a51-4a0b-8b1e-0d1f3c9a7e31', date: '2026-12-02', start: '18:30', place: 'hall' },
    ...{ eachMin: '20', pauseMin: '5', warmUpMin: '15', waitingMin: '5', jurors: 'Marit, Jan' },
    players: [{ auditionId: 'x', stage: 2, count: 3 }]
  },
  '/auditions/[audition]/mocks/write-in?/default': {
    ...{ id: '6f1c0f7e-9a51-4a0b-8b1e-0d1f3c9a7e32', stage: '3', date: '2026-11-20', place: 'room 2' },
    ...{ minutes: '30', jurors: 'Marit', heard: [{ itemId: 'x', bars: '5-12' }] }
  }
};

export const NEARLY = [...Object.keys(SOUND), ...Object.keys(PLAIN)];

/** The form with one to three of its values made something else. */
export function nearlySound(form: string, roll: Roll, odd: readonly unknown[]): URLSearchParams {
  const plain = PLAIN[form];
  let value: unknown = structuredClone(plain ?? SOUND[form]!);
  for (let n = 0; n < 1 + roll(3); n += 1) value = spoil(value, roll, odd);
  if (!plain) return new URLSearchParams({ __superform_json: stringify(value) });
  const text = (one: unknown) => (typeof one === 'string' ? one : (JSON.stringify(one) ?? ''));
  const fields = Object.entries(Object(value) as Record<string, unknown>);
  return new URLSearchParams(fields.map(([name, one]) => [name, text(one)]));
}
