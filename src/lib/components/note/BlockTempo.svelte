<!-- What a block climbs: from the click it begins at to the one it leads to, or that one alone. -->
<script lang="ts">
  import type { PlannedBlock } from '$lib/core/season';
  import type { Tempo as Click } from '$lib/core/units';
  import Tempo from './Tempo.svelte';

  let { block, click, height }: { block: PlannedBlock; click: Click; height: number } = $props();
  const from = $derived(
    block.fromClick && block.fromClick.unit === click.unit && block.fromClick.bpm < click.bpm
      ? block.fromClick.bpm
      : null
  );
</script>

<Tempo bpm={click.bpm} unit={click.unit} {from} {height} />
