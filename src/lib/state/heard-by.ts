/** Who can have heard a touch: who prepares alone has no teacher to choose. */
import { page } from '$app/state';
import { EVIDENCE, type Evidence } from '$lib/core/record/words';

export const isAlone = (): boolean => page.data.who?.isAlone === true;
export const heardBy = (): readonly Evidence[] =>
  isAlone() ? EVIDENCE.filter((by) => by !== 'teacher') : EVIDENCE;
