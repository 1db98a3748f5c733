/** What was changed of a day by hand on this page, the latest last, each with what brings it back. */
import type { DeskBlock } from '$lib/core/practice';
import type { DeskEvent, RoadBlock } from '$lib/core/record';

export type BlockSet = Extract<DeskEvent, { kind: 'set' }>['set'];
type Back = { readonly block: string; readonly set: BlockSet };
type DayChange = { readonly says: string; readonly back: readonly Back[] };

export class DayChanges {
  #all = $state.raw<readonly DayChange[]>([]);
  #gathers: Back[] | null = null;
  /** What was changed last, in words; null where nothing was. */
  readonly last: string | null = $derived(this.#all.at(-1)?.says ?? null);

  /** `block` as it was before it was set. */
  remember(block: DeskBlock, set: BlockSet): void {
    this.#add(`${block.name} ${sayChange(set)}`, { block: block.id, set: before(block, set) });
  }

  rememberAdded({ id, name }: RoadBlock): void {
    this.#add(`${name} added`, { block: id, set: { isDropped: true } });
  }

  /** All that is changed within is taken back as one. */
  async together(says: string, act: () => Promise<void>): Promise<void> {
    const back: Back[] = (this.#gathers = []);
    await act();
    this.#gathers = null;
    if (back.length > 0) this.#all = [...this.#all, { says, back }];
  }

  /** What takes back the latest, which is forgotten. */
  takeLast(): readonly Back[] {
    const back = this.#all.at(-1)?.back ?? [];
    this.#all = this.#all.slice(0, -1);
    return back;
  }

  #add(says: string, back: Back): void {
    if (this.#gathers) this.#gathers.unshift(back);
    else this.#all = [...this.#all, { says, back: [back] }];
  }
}

function before({ minutes, place, isDropped }: DeskBlock, set: BlockSet): BlockSet {
  if ('minutes' in set) return { minutes };
  return 'place' in set ? { place } : { isDropped };
}

function sayChange(set: BlockSet): string {
  if ('minutes' in set) return `${set.minutes} min`;
  if ('place' in set) return 'moved';
  return set.isDropped ? 'dropped' : 'put back';
}
