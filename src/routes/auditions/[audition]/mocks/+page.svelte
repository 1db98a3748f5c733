<script lang="ts">
  import BookStage from '$lib/components/mock/BookStage.svelte';
  import HeardMock from '$lib/components/mock/HeardMock.svelte';
  import ItemRows from '$lib/components/mock/ItemRows.svelte';
  import Ladder from '$lib/components/mock/Ladder.svelte';
  import NextMock from '$lib/components/mock/NextMock.svelte';
  import UndoLine from '$lib/components/ui/UndoLine.svelte';
  import { dayOf, sayBars, sayDate } from '$lib/core/units';
  import type { MockView } from '$lib/schema/mock-view';
  import type { Undo, SharedLink } from '$lib/schema/view';
  import { send } from '$lib/state/send';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  const view = $derived(data.view);
  const isTeaching = $derived(data.who?.kind === 'teacher');
  type Answered = { undo?: Undo; link?: SharedLink; of?: string; what?: string; fault?: string };
  const answered = $derived((form ?? {}) as Answered);
  const faultOf = (what: string) => (answered.what === what ? (answered.fault ?? '') : '');
  const linkOf = (id: string) => (answered.of === id ? (answered.link ?? null) : null);
  /** The one to be booked: the first that is not, and has a day. */
  const toBook = $derived(view.stages.find(({ mockId, date }) => mockId === null && date !== null) ?? null);
  const stageOf = (stage: number) => view.stages[stage - 1]!;
  const nameOf = (id: string) => view.items.find((item) => item.id === id)?.name ?? '';
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
      link={linkOf(view.next.id)}
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
  <ItemRows {view} />
  {#each view.unheard as bars (`${bars.itemId} ${bars.fromBar}`)}
    <form class="unheard" method="POST" action="?/hear" use:send>
      <input type="hidden" name="item" value={bars.itemId} />
      <input type="hidden" name="fromBar" value={bars.fromBar} />
      <input type="hidden" name="toBar" value={bars.toBar} />
      <bdi>{nameOf(bars.itemId)}</bdi>, {sayBars(bars)}, {bars.fromBar === bars.toBar ? 'is' : 'are'} hard, and
      no mock hears {bars.fromBar === bars.toBar ? 'it' : 'them'}.
      {#if view.next && view.next.at === null}<button class="quiet" name="mock" value={view.next.id}
          >hear {bars.fromBar === bars.toBar ? 'it' : 'them'} on {sayDate(dayOf(view.next.date))}</button
        >{/if}
    </form>
  {/each}
  {#if faultOf('hear')}<p class="fault" role="alert">{faultOf('hear')}</p>{/if}
{/if}
<p class="by-hand">
  <a href="/auditions/{view.audition.id}/mocks/write-in">Write in a mock from paper</a>
</p>
{#snippet heard(mock: MockView)}
  <HeardMock {mock} mayOpen={isTeaching || mock.stage <= 2} link={linkOf(mock.id)} {faultOf} />
{/snippet}
{#each newestFirst as mock, i (mock.id)}
  {#if i === 0 || !mock.isOpened}{@render heard(mock)}{:else}
    <details class="before">
      <summary>{mock.name}, {sayDate(dayOf(mock.date))}</summary>
      {@render heard(mock)}
    </details>
  {/if}
{/each}

<style>
  h2 {
    margin: 18px 0 4px;
    font-size: 1.7rem;
  }
  /* the rows of the items stand under it, at the same dates */
  .ladder {
    margin: 22px 120px 10px 280px;
  }
  @media (max-width: 900px) {
    .ladder {
      margin-inline: 0;
    }
  }
  .unheard,
  .by-hand {
    margin-top: 10px;
  }
  .before {
    margin-top: 10px;
  }
  summary {
    cursor: pointer;
  }
</style>
