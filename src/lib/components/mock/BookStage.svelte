<!-- Books the next stage: its day and place, how much is heard, and whether by chance. -->
<script lang="ts">
  import type { MocksView, StageView } from '$lib/schema/mock-view';
  import { send } from '$lib/state/send';
  import Limits from './Limits.svelte';

  let { view, stage, fault }: { view: MocksView; stage: StageView; fault: string } = $props();

  /** As long as a call usually gives (common practice, no published source). */
  const FULL_DRESS = { warmUpMin: 20, waitingMin: 10 };
  const most = $derived(view.items.length);
</script>

<form method="POST" action="?/book" use:send={{ reset: false }}>
  <input type="hidden" name="id" value={view.newId} />
  <label
    ><span>Stage</span>
    <select name="stage">
      {#each view.stages.filter(({ mockId }) => mockId === null) as one (one.stage)}<option
          value={one.stage}
          selected={one.stage === stage.stage}>{one.stage} {one.name}</option
        >{/each}
    </select></label
  >
  <label><span>Day</span><input type="date" name="date" required value={stage.date ?? view.today} /></label>
  <label><span>Hour</span><input type="time" name="time" /></label>
  <label class="wide"><span>Place</span><input name="place" maxlength="200" dir="auto" /></label>
  <label
    ><span>Minutes</span><input name="minutes" inputmode="numeric" size="4" value={stage.minutes} /></label
  >
  <Limits before={stage.stage === 5 ? FULL_DRESS : null} />
  <label
    ><span>Items heard</span><input
      name="count"
      inputmode="numeric"
      size="3"
      value={Math.min(most, stage.stage >= 4 ? most : 4)}
    /></label
  >
  <label class="check"><input type="checkbox" name="isInOrder" /> in the list’s order</label>
  <button class="action main">Book it, and draw</button>
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
</form>

<style>
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 10px 14px;
    align-items: end;
    margin-top: 12px;
  }
  label span {
    display: block;
    color: var(--soft);
    font-size: 0.87rem;
  }
  input,
  select {
    min-height: 40px;
  }
  .wide {
    flex: 1 1 160px;
    max-width: 300px;
  }
  .wide input {
    width: 100%;
  }
  .check {
    display: flex;
    gap: 8px;
    align-items: center;
  }
  .fault {
    flex-basis: 100%;
  }
</style>
