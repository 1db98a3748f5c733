/** What is said of a day before it is played, for the body's sake. Source: handbook, section 10; the limit is judgement. */
import type { InstrumentFamily } from '../record';
import type { Minutes } from '../units';
import type { DeskBlock } from './desk';

/** From so much play a session is heavy (judgement). */
const HEAVY_MIN: Minutes = 90;

const TIRES: Readonly<Record<InstrumentFamily, string>> = {
  winds: 'lips and hands',
  brass: 'lips',
  strings: 'hands and shoulders',
  plucked: 'hands',
  keyboard: 'hands',
  percussion: 'hands',
  voice: 'the voice'
};
/** Those who play or sing on their breath. */
const ON_BREATH: readonly (InstrumentFamily | null)[] = ['winds', 'brass', 'voice'];

export const isOnBreath = (family: InstrumentFamily | null): boolean => ON_BREATH.includes(family);

type Day = {
  readonly blocks: readonly Pick<DeskBlock, 'kind' | 'minutes'>[];
  readonly family: InstrumentFamily | null;
  /** This week asks more than a fifth above the two before. */
  readonly isJump: boolean;
};

/** As sentences, none where nothing is to be said. */
export function cautionsOf({ blocks, family, isJump }: Day): string[] {
  const play = blocks
    .filter(({ kind }) => kind !== 'rest' && kind !== 'quiet')
    .reduce((sum, { minutes }) => sum + minutes, 0);
  const says: string[] = [];
  if (isJump)
    says.push(
      'This week has more than 20 % above the two before it: a body follows more slowly. Take the rests, and stop when tired.'
    );
  if (play >= HEAVY_MIN)
    says.push(`${play} minutes of play: for ${family ? TIRES[family] : 'the body'} as much rest as playing.`);
  return says;
}
