<!-- A take laid out as the page is, a line a line, as far as it was heard. -->
<script lang="ts">
  import { barAt } from '$lib/core/take';
  import type { Milliseconds } from '$lib/core/units';
  import type { TakeView } from '$lib/schema/view';
  import type { Player } from '$lib/state/player.svelte';
  import TakeSystem from './TakeSystem.svelte';
  import { systemsOf } from './systems';

  let {
    take,
    item,
    peaks,
    marks,
    player
  }: {
    take: Omit<TakeView['take'], 'goesOn'>;
    item: TakeView['item'];
    peaks: readonly number[];
    marks: readonly { readonly id: string; readonly atMs: number; readonly spotId: string | null }[];
    player: Player;
  } = $props();

  let heardToMs = $state<Milliseconds>(0);
  const systems = $derived(systemsOf(take, item));
  const widestMs = $derived(Math.max(...systems.map(({ fromMs, toMs }) => toMs - fromMs), 1));
  $effect(() => {
    if (player.nowMs > heardToMs) heardToMs = player.nowMs;
  });
</script>

{#each systems as system (system.fromMs)}
  <TakeSystem
    {system}
    {widestMs}
    lengthMs={take.lengthMs ?? 0}
    {peaks}
    nowMs={player.nowMs}
    {heardToMs}
    bar={barAt(take, item.metre, player.nowMs)}
    {marks}
    onGo={(atMs) => player.goTo(atMs)}
  />
{/each}
