/** What to lay ready for a day: the music of its items with its pages, the click where something is clicked. */
import { clickOf } from '$lib/core/tempo';
import { sayBpm } from '$lib/core/units';
import type { TodayView } from '$lib/schema/view';

export function layReady({ items, tomorrow }: Pick<TodayView, 'items' | 'tomorrow'>): string[] {
  const ids = new Set(tomorrow.roadMap.map((block) => block.itemId));
  const music = items
    .filter((item) => ids.has(item.id))
    .map(({ name, composer, pages }) => (pages ? `${composer || name}, pages ${pages}` : name));
  const first = tomorrow.roadMap.find((block) => block.work !== null);
  const click = first && clickOf({ bpm: first.work!.way[0]!, unit: first.work!.unit });
  return [...new Set(music), ...(click ? [`click at ${sayBpm(click.bpm)}`] : [])];
}
