/** What nobody should type, by field, value and shape. */
import { stringify } from 'devalue';
import fc from 'fast-check';

/** Names that our forms have, and some that none has. */
const NAMES = [
  ...[
    'name',
    'rounds',
    'dates',
    'slots',
    'ownDates',
    'itemId',
    'sectionId',
    'bpm',
    'date',
    'minutes',
    'from',
    'to',
    'why',
    'line'
  ],
  ...[
    'login',
    'password',
    'present',
    'undo',
    'as',
    'ids',
    'id',
    'back',
    'audition',
    'call',
    'typed',
    'says',
    'wishId',
    'mock',
    'juror',
    'stage',
    'count',
    'ballot',
    'answer',
    'reply',
    'note',
    'until',
    'section',
    'days',
    'strategy',
    'shape'
  ],
  ...[
    'was',
    'kind',
    'isHeld',
    'isWanted',
    'level',
    'check',
    'travelMin',
    'dueOn',
    'pattern',
    'rules',
    'who',
    'isDone',
    'players',
    'heard',
    'jurors',
    'seat',
    'start',
    'eachMin',
    'warmUpMin',
    'bpm',
    'take',
    'keep',
    'step',
    'changes',
    'session',
    'text',
    'rows',
    'week',
    'exceptions',
    'lessons',
    'version',
    'zone',
    'what',
    'value',
    'rotation'
  ],
  ...[
    'instruments',
    'isMinor',
    'consentOn',
    'privateNote',
    'attempts',
    'notHeld',
    'unit',
    'tempoBpm',
    'sections',
    'cuts',
    'errata'
  ],
  ...['__proto__', 'constructor', '__superform_id', '__superform_json', '__superform_file_name', '']
];
/** Values that somebody thought would do harm. */
export const ODD = [
  ...[
    '',
    ' ',
    '0',
    '-1',
    '1e309',
    'NaN',
    'null',
    '[]',
    '{}',
    '[object Object]',
    "' OR 1=1 --",
    '<script>alert(1)</script>',
    '../../etc/passwd'
  ],
  ...[
    '2026-02-30',
    '2199-12-31',
    '1900-01-01',
    '0000-00-00',
    '9'.repeat(400),
    'é'.repeat(300),
    '\u0000',
    '\u202e abc',
    '🎵',
    'half' + ' '.repeat(5000)
  ],
  ...[
    '25:61',
    'Nowhere/Else',
    'Europe/Brussels',
    '%00',
    '%0a',
    '\r\nset-cookie: x=y',
    'a'.repeat(20_000),
    '{"a":',
    '[{"a":0}]',
    '-9007199254740993'
  ]
];

/** Bad inputs: any field with any value, plain, as parts, or as the text of a form; and bodies that are nothing of the kind. */
export function badInputs(ids: readonly string[]) {
  const text = fc.oneof(
    { weight: 4, arbitrary: fc.constantFrom(...ODD) },
    { weight: 3, arbitrary: fc.constantFrom(...ids) },
    { weight: 2, arbitrary: fc.string({ maxLength: 40 }) },
    { weight: 1, arbitrary: fc.integer().map(String) }
  );
  const fields = fc.array(fc.tuple(fc.constantFrom(...NAMES), text), { maxLength: 12 });
  const leaf = fc.oneof(
    text,
    fc.double(),
    fc.integer(),
    fc.boolean(),
    fc.constant(null),
    fc.constant(undefined)
  );
  const { tree } = fc.letrec<{ tree: unknown; part: unknown }>((tie) => ({
    part: fc.oneof({ depthSize: 'small' }, leaf, fc.array(tie('part'), { maxLength: 6 }), tie('tree')),
    tree: fc.dictionary(fc.constantFrom(...NAMES.filter((n) => n !== '__proto__')), tie('part'), {
      maxKeys: 10,
      noNullPrototype: true
    })
  }));
  const places = fc.array(fc.oneof(fc.integer({ min: -5, max: 30 }), leaf), { maxLength: 8 });
  const flat = fc.array(
    fc.oneof(leaf, places, fc.dictionary(fc.constantFrom('name', 'rounds', 'rows', 'week'), fc.nat(30))),
    { maxLength: 30 }
  );
  const state = (written: string) => new URLSearchParams({ __superform_json: written });
  return fc.oneof(
    {
      weight: 4,
      arbitrary: fields.map((all) => ({ body: new URLSearchParams(all as [string, string][]), kind: '' }))
    },
    { weight: 6, arbitrary: tree.map((value) => ({ body: state(stringify(value)), kind: '' })) },
    { weight: 3, arbitrary: flat.map((value) => ({ body: state(JSON.stringify(value)), kind: '' })) },
    { weight: 1, arbitrary: fields.map((all) => ({ body: JSON.stringify(all), kind: 'application/json' })) },
    {
      weight: 2,
      arbitrary: fields.map((all) => {
        const body = new FormData();
        for (const [name, value] of all) body.append(name, value.length > 6 ? new Blob([value]) : value);
        return { body, kind: '' };
      })
    },
    {
      weight: 1,
      arbitrary: fc
        .tuple(text, fc.constantFrom('text/plain', 'multipart/form-data; boundary=x', 'application/zip', 'x'))
        .map(([body, kind]) => ({ body, kind }))
    }
  );
}
