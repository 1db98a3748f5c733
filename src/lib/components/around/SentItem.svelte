<!-- An item of a recorded round: its takes under letters, heard without knowing which is which, and the one that is sent. -->
<script lang="ts">
  import { dayOf, sayBars, sayDate } from '$lib/core/units';
  import SoundLine from '$lib/components/mock/SoundLine.svelte';
  import type { PrescreenView } from '$lib/schema/prescreen';
  import { send } from '$lib/state/send';

  let { item, round, audition }: { item: PrescreenView['items'][number]; round: string; audition: string } =
    $props();

  let isFilm = $state(false);
</script>

<section class={{ open: !item.chosen && !item.film }}>
  <h3>
    <bdi>{item.name}</bdi>{#if item.cuts.length > 0}<span class="soft"
        >, {item.cuts.map(sayBars).join(', ')}</span
      >{/if}
  </h3>
  {#if item.chosen}
    <p>
      Take {item.chosen.letter}, of {sayDate(dayOf(item.chosen.date))}:
      <a href="/takes/{item.chosen.id}/sound" download={item.chosen.file}>{item.chosen.file}</a>
    </p>
    <form method="POST" action="?/choose" use:send>
      <input type="hidden" name="round" value={round} /><input type="hidden" name="item" value={item.id} />
      <button class="quiet">choose again</button>
    </form>
  {:else if item.film}
    <p>A film: {item.film}</p>
  {:else if item.takes.length === 0}
    <p class="soft">
      No take yet. <a href="/auditions/{audition}/takes">Record one, or put one in</a>.
    </p>
  {:else}
    {#each item.takes as take (take.id)}
      <div class="take">
        <b>{take.letter}</b>
        <SoundLine src="/takes/{take.id}/sound" label="Take {take.letter} of {item.name}" />
        <form method="POST" action="?/choose" use:send>
          <input type="hidden" name="round" value={round} /><input
            type="hidden"
            name="item"
            value={item.id}
          />
          <button class="action" name="take" value={take.id}>this one</button>
        </form>
      </div>
    {/each}
  {/if}
  {#if !item.chosen}
    <button class="quiet" aria-expanded={isFilm} onclick={() => (isFilm = !isFilm)}>it is a film</button>
    {#if isFilm}
      <form class="film" method="POST" action="?/film" use:send={{ onSend: () => () => (isFilm = false) }}>
        <input type="hidden" name="round" value={round} /><input type="hidden" name="item" value={item.id} />
        <label>Name of its file <input name="name" maxlength="200" value={item.film} /></label>
        <button class="action">Note it</button>
        <span class="soft">Films stay outside Irvot.</span>
      </form>
    {/if}
  {/if}
</section>

<style>
  section {
    padding: 10px 0 12px;
    border-top: 1px solid var(--rule);
  }
  .open {
    border-left: 5px solid var(--ink);
    padding-left: 12px;
  }
  h3 {
    margin: 0 0 4px;
  }
  h3 span {
    font-weight: 400;
  }
  .take {
    display: grid;
    grid-template-columns: 1.6em minmax(0, 420px) auto;
    gap: 0 14px;
    align-items: center;
  }
  .take b {
    font-size: 1.4rem;
  }
  .film {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 14px;
    align-items: center;
    margin-top: 8px;
  }
  @media (max-width: 720px) {
    .take {
      grid-template-columns: 1.6em minmax(0, 1fr);
      padding-bottom: 8px;
    }
    .take form {
      grid-column: 2;
    }
  }
</style>
