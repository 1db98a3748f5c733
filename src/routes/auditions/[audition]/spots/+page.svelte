<script lang="ts">
  import BarStrip from '$lib/components/list/BarStrip.svelte';
  import SpotEntry from '$lib/components/spots/SpotEntry.svelte';
  import SpotLine from '$lib/components/spots/SpotLine.svelte';
  import { send } from '$lib/state/send';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  const view = $derived(data.view);
  const base = $derived(`/auditions/${view.audition.id}/spots`);
  const STATES = ['open', 'resting', 'at-rest'] as const;
  const rows = $derived(
    view.items.flatMap((item) => {
      const own = view.spots.filter(({ itemId }) => itemId === item.id);
      const spots = STATES.flatMap((state) => own.filter((spot) => spot.state === state));
      return spots.length > 0 ? [{ item, spots }] : [];
    })
  );
  const count = (state: string) => view.spots.filter((spot) => spot.state === state).length;
  const removed = $derived(form && 'removed' in form ? form.removed : null);
</script>

<svelte:head><title>Spots · {view.candidate.name} · Irvot</title></svelte:head>
{#if view.items.length === 0}
  <p class="first">The list is empty, so there is nothing to find yet.</p>
{:else}
  <div class="top">
    <h2>Spots</h2>
    <p>
      {#if view.spots.length > 0}<b>{count('open')}</b> open, <b>{count('resting')}</b> rest and are asked
        again,
        <b>{count('at-rest')}</b> laid to rest.{:else}None yet. A spot is a few bars and what is wrong there:
        it is worked each day before the rung, until it ended clean on three days.{/if}
      <a href="{base}/ways">Ways to practise</a>
    </p>
  </div>
  {#key view.audition.id}<SpotEntry
      items={view.items}
      newId={data.newId}
      auditionId={view.audition.id}
      fault={(form && 'spotFault' in form ? form.spotFault : '') ?? ''}
    />{/key}
  {#if removed}
    <form class="notice" method="POST" action="?/remove" use:send>
      <input type="hidden" name="id" value={removed} /><input type="hidden" name="back" value="1" />
      The spot is taken out. <button class="quiet">Put it back</button>
    </form>
  {/if}
  {#each rows as { item, spots } (item.id)}
    {@const next = spots.find(({ state }) => state === 'open')?.id}
    <section>
      <div>
        <h3><bdi>{item.name}</bdi></h3>
        <BarStrip
          {item}
          sections={item.sections.map((one) => ({ ...one, isFree: one.unit === null }))}
          spots={spots.filter(({ state }) => state !== 'at-rest')}
        />
      </div>
      <div>
        {#each spots as spot (spot.id)}<SpotLine
            {spot}
            href="{base}/{spot.id}"
            today={view.today}
            isNext={spot.id === next}
          />{/each}
      </div>
    </section>
  {/each}
{/if}

<style>
  .top {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 20px;
    align-items: baseline;
    margin-top: 18px;
  }
  .first {
    margin-top: 24px;
    font-size: 1.07rem;
  }
  section {
    display: grid;
    grid-template-columns: var(--names) minmax(0, 1fr);
    gap: 8px 14px;
    margin-top: 24px;
  }
  section h3 {
    margin-bottom: 6px;
  }
  .notice {
    margin-top: 16px;
  }
  @media (max-width: 720px) {
    section {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
