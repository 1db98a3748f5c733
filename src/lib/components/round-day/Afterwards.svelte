<!-- Afterwards: what was asked and how it went, in three words; the result in the panel's own, and what to keep. -->
<script lang="ts">
  import { MOCK_WORDS } from '$lib/core/record/words';
  import { keepFields } from '$lib/state/kept-fields';
  import type { RoundDayView } from '$lib/schema/round-day-view';

  let { view, faults }: { view: RoundDayView; faults: Readonly<Record<string, string>> } = $props();

  // whose it is stays: another round is set up anew
  // svelte-ignore state_referenced_locally
  const kept = keepFields(`after round ${view.audition.id} ${view.round.id}`);
  const { trouble } = kept;
  const told = $derived(view.day.after);
  const wordOf = (id: string) => told?.heard.find(({ itemId }) => itemId === id)?.word ?? '';
</script>

<form method="POST" action="?/tell&round={view.round.id}" use:kept.action>
  <h2>How it went</h2>
  <p class="soft">As it was for you. Nobody is compared, and nothing is added up.</p>
  {#each view.items as { id, name } (id)}
    <label class="item"
      ><span><bdi>{name}</bdi></span>
      <select name="heard-{id}" value={wordOf(id)}>
        <option value="">not asked</option>
        {#each MOCK_WORDS as word (word)}<option value={word}>{word}</option>{/each}
      </select></label
    >
  {/each}
  <label
    ><span>The result, in the panel’s own words</span><textarea name="result" rows="3" dir="auto"
      >{told?.result ?? ''}</textarea
    >{#if faults.result}<span class="fault" role="alert">{faults.result}</span>{/if}</label
  >
  <label
    ><span>What to keep for the next one</span><textarea name="keep" rows="3" dir="auto"
      >{told?.keep ?? ''}</textarea
    >{#if faults.keep}<span class="fault" role="alert">{faults.keep}</span>{/if}</label
  >
  <button class="action main">Save how it went</button>
  {#if $trouble}<p class="fault" role="alert">{$trouble}</p>{/if}
</form>

<style>
  form {
    margin-bottom: 36px;
  }
  label {
    display: block;
    margin: 12px 0;
  }
  label > span:first-child {
    color: var(--soft);
    font-size: 0.93rem;
  }
  .item {
    display: grid;
    grid-template-columns: minmax(90px, 1fr) minmax(120px, 200px);
    gap: 8px;
    align-items: center;
    margin: 4px 0;
  }
  .item > span:first-child {
    color: var(--ink);
    font-size: 1rem;
  }
  select {
    min-height: 40px;
  }
  textarea {
    display: block;
    width: 100%;
  }
</style>
