/**
 * The checks of readiness: what each asks, how long evidence of it counts, what answers it, and how much it counts for which items. Source: the
 * mock model, section 6, and handbook section 8 (common practice, no published source).
 */
import type { CheckLevels } from '../record';
import type { AskedBlock, CheckKind, CheckLevel, ItemKind } from '../record/words';

export type Check = {
  readonly kind: CheckKind;
  readonly asks: string;
  /** Evidence counts for so many days; null: until it is said otherwise. */
  readonly shelfDays: number | null;
  /** The block that answers it; null where it is a task. */
  readonly block: AskedBlock | null;
  /** What to do, where it is a task. */
  readonly does: string;
};

const task = (kind: CheckKind, asks: string, shelfDays: number | null, does: string): Check => ({
  kind,
  asks,
  shelfDays,
  block: null,
  does
});
const block = (kind: CheckKind, asks: string, shelfDays: number, by: AskedBlock): Check => ({
  kind,
  asks,
  shelfDays,
  block: by,
  does: ''
});

/** In the order of the chain. */
export const CHECKS: readonly Check[] = [
  task('edition', 'edition right', null, 'Compare the edition with the call and write it down.'),
  task('bars', 'bars numbered', null, 'Number the bars in the part.'),
  task(
    'decisions',
    'decisions locked',
    null,
    'Settle breaths, fingerings and articulation, and write them in.'
  ),
  task('errata', 'errata entered', 28, 'Look at the call again for errata and enter them.'),
  task(
    'page',
    'call’s page looked at',
    7,
    'Look at the call’s page for news, and say so on the page of the call.'
  ),
  block('tempo', 'tempo holds', 14, 'work'),
  block('elements', 'every element holds', 14, 'work'),
  block('straight', 'straight through', 14, 'run'),
  block('cold', 'cold, first attempt', 14, 'run'),
  block('anywhere', 'from any bar', 21, 'any-bar'),
  task('context', 'in context', 28, 'Play it with what sounds a minute before and after, or listen to that.'),
  block('probe', 'faster, clean', 21, 'probe'),
  task(
    'take',
    'take, nothing new',
    21,
    'Record all of it, listen to the whole take, and say here when nothing new was found.'
  ),
  task('mock', 'mock as practice', 21, 'Let a mock before the teacher or a jury hear it.'),
  task('memory', 'by memory', 14, 'Run it twice by memory.'),
  task(
    'accompanist',
    'with accompanist',
    28,
    'Rehearse it with the accompanist, or with a recording of the part.'
  ),
  task('keys', 'all keys', 14, 'Play every key at the pattern that is asked, the weakest first.'),
  block('fresh', 'fresh pages', 14, 'work')
];

const everything = (required: readonly CheckKind[], optional: readonly CheckKind[] = []) =>
  new Map<CheckKind, CheckLevel>([
    ...required.map((kind) => [kind, 'required'] as const),
    ...optional.map((kind) => [kind, 'optional'] as const)
  ]);
const GROUND = ['edition', 'bars', 'decisions', 'errata', 'page'] as const;
const PLAYED = ['tempo', 'elements', 'straight', 'cold'] as const;

/** Memory and an accompanist are asked where somebody says so. */
const PIECE = everything([...GROUND, ...PLAYED, 'anywhere', 'context', 'probe', 'take', 'mock']);
const USUAL: Readonly<Record<ItemKind, ReadonlyMap<CheckKind, CheckLevel>>> = {
  etude: PIECE,
  excerpt: PIECE,
  // long: a probe of all of it tells little
  solo: everything([...GROUND, ...PLAYED, 'anywhere', 'context', 'take', 'mock'], ['probe']),
  scales: everything([...GROUND, ...PLAYED, 'mock', 'keys'], ['anywhere']),
  // no page is known before: only going on, and doing so at once
  'sight-reading': everything(['fresh'])
};
const OF_A_TEMPO: readonly CheckKind[] = ['tempo', 'elements', 'probe'];

type Asked = { readonly kind: ItemKind; readonly hasTempo: boolean; readonly levels: CheckLevels };

export function levelOf(check: CheckKind, { kind, hasTempo, levels }: Asked): CheckLevel {
  if (!hasTempo && OF_A_TEMPO.includes(check)) return 'off';
  return levels[check] ?? USUAL[kind].get(check) ?? 'off';
}
