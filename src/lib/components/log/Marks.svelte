<!-- Attempts in the order played: a full square is clean, a hatched one not yet. -->
<script lang="ts">
  let { attempts }: { attempts: string } = $props();

  const says = $derived(
    [...attempts].map((mark) => (mark === 'c' ? 'clean' : 'not yet')).join(', ') || 'not counted'
  );
</script>

<span class="marks" role="img" aria-label={says}
  >{#each attempts as mark, m (m)}<i class={mark}></i>{/each}</span
>

<style>
  .marks {
    display: inline-flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 2px;
    min-height: 20px;
  }
  i {
    width: 9px;
    height: 9px;
    border: 1px solid var(--ink);
  }
  .c {
    background: var(--ink);
  }
  .n {
    background: repeating-linear-gradient(45deg, var(--ink) 0 1px, transparent 1px 3px);
  }
</style>
