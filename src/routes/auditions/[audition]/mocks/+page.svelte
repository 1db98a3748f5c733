<script lang="ts">
  import BookStage from '$lib/components/mock/BookStage.svelte';
  import HeardMock from '$lib/components/mock/HeardMock.svelte';
  import ItemRows from '$lib/components/mock/ItemRows.svelte';
  import Ladder from '$lib/components/mock/Ladder.svelte';
  import NextMock from '$lib/components/mock/NextMock.svelte';
  import UndoLine from '$lib/components/ui/UndoLine.svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { Undo, SharedLink } from '$lib/schema/view';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  const view = $derived(data.view);
  const isTeaching = $derived(data.who?.kind === 'teacher');
  type Answered = { undo?: Undo; link?: SharedLink; what?: string; fault?: string };
  const answered = $derived((form ?? {}) as Answered);
  const faultOf = (what: string) => (answered.what === what ? (answered.fault ?? '') : '');
  /** The one to be booked: the first that is not, and has a day. */
  const toBook = $derived(view.stages.find(({ mockId, date }) => mockId === null && date !== null) ?? null);
  const stageOf = (stage: number) => view.stages[stage - 1]!;
  const newestFirst = $derived([...view.mocks].reverse());
</script>

<svelte:head><title>Mocks · {view.candidate.name} · Irvot</title></svelte:head>
{#if answered.undo}<UndoLine token={answered.undo.token} says={answered.undo.says} />{/if}
{#if view.items.length === 0}
  <h2>Mocks</h2>
  <p>There is nothing on the list yet: what is on it is heard here, from the run alone to the full dress.</p>
{:else if view.roundOn === null}
  <h2>Mocks</h2>
  <p>No round is ahead: stages are counted back from one. The call has its dates.</p>
{:else}
  {#if view.next}
    <NextMock
      mock={view.next}
      stage={stageOf(view.next.stage)}
      {isTeaching}
      cover={view.cover}
      link={answered.link ?? null}
      {faultOf}
    />
  {:else if toBook}
    <h2>
      Next: {toBook.name}, about {sayDate(dayOf(toBook.date!))}
    </h2>
    <p class="soft">
      {toBook.expects ? `Expected by then: ${toBook.expects}. ` : ''}The first ones usually fall below
      practice; later ones return to it.
    </p>
    <BookStage {view} stage={toBook} fault={faultOf('book')} />
  {/if}
  <div class="ladder"><Ladder {view} /></div>
  {#if view.next && toBook}
    <details open={faultOf('book') !== ''}>
      <summary>Book another stage</summary>
      <BookStage {view} stage={toBook} fault={faultOf('book')} />
    </details>
  {/if}
  <ItemRows items={view.items} />
{/if}
{#each newestFirst as mock (mock.id)}
  <HeardMock {mock} mayOpen={isTeaching || mock.stage <= 2} fault={faultOf('open')} />
{/each}

<style>
  h2 {
    margin: 18px 0 4px;
    font-size: 1.7rem;
  }
  .ladder {
    margin: 22px 0 10px;
  }
  summary {
    cursor: pointer;
  }
</style>
