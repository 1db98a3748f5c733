/** Where a block that was dragged has come to stand. */
import type { DeskBlock } from '$lib/core/practice';

/** Ids of those before and after it, null where there is none; null where nothing has changed, or where what is played would move. */
export function neighboursOf(
  was: readonly DeskBlock[],
  now: readonly DeskBlock[],
  id: string
): [string | null, string | null] | null {
  const at = now.findIndex((block) => block.id === id);
  const block = was.find((one) => one.id === id);
  const isSame = now.every((one, i) => one.id === was[i]?.id);
  if (!block || at < 0 || isSame || block.run !== null) return null;
  return [now[at - 1]?.id ?? null, now[at + 1]?.id ?? null];
}
