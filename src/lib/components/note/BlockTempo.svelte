<!-- What a block climbs: from the tempo it begins at to the one it leads to, or that one alone; in the item's own beat unit. -->
<script lang="ts">
  import { type PlannedBlock, type PlannedItem, rungOfBlock, unitOfRung } from '$lib/core/season';
  import { tempoIn } from '$lib/core/units';
  import Tempo from './Tempo.svelte';

  let { item, block, height }: { item: PlannedItem; block: PlannedBlock; height: number } = $props();
  const rung = $derived(rungOfBlock(item, block));
  const unit = $derived(rung && unitOfRung(item, rung));
  const bpm = $derived(rung && unit ? tempoIn(rung.click, unit) : null);
  const begins = $derived(block.fromClick && unit ? tempoIn(block.fromClick, unit) : null);
</script>

{#if bpm !== null && unit}
  <Tempo {bpm} {unit} from={begins !== null && begins < bpm ? begins : null} {height} />
{/if}
