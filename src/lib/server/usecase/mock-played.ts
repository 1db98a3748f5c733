/** How what was drawn was played: at which tempo, against the one that is asked, and in which take. */
import type { Mock, SectionTempo } from '../../core/record';
import { measuredTempo } from '../../core/take';
import { targetOf, tempoAgainst } from '../../core/tempo';
import type { Tempo } from '../../core/units';
import type { MockView } from '../../schema/mock-view';
import type { App } from '../app';
import type { ListItem } from '../store/item';
import { type KnownTake, findTake } from '../store/take';

/** The tempo that is asked where a cut begins; undefined where the bar is in no section. */
export const askedAt = ({ sections }: Pick<ListItem, 'sections'>, bar: number): SectionTempo | undefined =>
  sections.find(({ fromBar, toBar }) => fromBar <= bar && bar <= toBar)?.tempo;

/** The take of a place in the draw, when its sound has come; a take of somebody else's is none. */
export function takeIn(app: App, mock: Mock, item: number, candidateId: string): KnownTake | null {
  const id = mock.played.find((one) => one.item === item)?.takeId;
  const take = id === undefined ? undefined : findTake(app.db, id);
  return take?.sound && take.candidateId === candidateId ? take : null;
}

export function playedOf(
  app: App,
  mock: Mock,
  items: readonly ListItem[],
  candidateId: string
): MockView['played'] {
  return mock.draw.flatMap(({ itemId, fromBar }, place) => {
    const known = mock.played.find(({ item }) => item === place);
    const item = items.find(({ id }) => id === itemId);
    if (!known || !item) return [];
    const asked = askedAt(item, fromBar);
    const take = takeIn(app, mock, place, candidateId);
    const tempo = known.tempo ?? (asked && take && tempoOfTake(take, item.metre, asked));
    return [
      { item: place, takeId: take?.id ?? null, tempo: (asked && tempo && tempoAgainst(tempo, asked)) ?? null }
    ];
  });
}

/** By the bars that were set in it. */
function tempoOfTake(take: KnownTake, metre: string, asked: SectionTempo): Tempo | null {
  const target = targetOf(asked);
  const measured = target && measuredTempo(take, metre, target.unit);
  return measured && { bpm: measured.bpm, unit: target.unit };
}
