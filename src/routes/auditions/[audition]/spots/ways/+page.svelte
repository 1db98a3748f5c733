<script lang="ts">
  import Field from '$lib/components/ui/Field.svelte';
  import { type Method, elementsFor, METHODS, wayOf } from '$lib/core/practice';
  import { send } from '$lib/state/send';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  const view = $derived(data.view);
  const elements = $derived(elementsFor(view.family));
  const usual = $derived(
    METHODS.filter(({ families }) => !families || view.family === null || families.includes(view.family))
  );
  const own = $derived(
    view.ways.own.map(({ id, isGone }) => ({ method: wayOf(id, view.ways)!, isOffered: !isGone }))
  );
  const rows = $derived([
    ...own.map((one) => ({ ...one, isOwn: true })),
    ...usual.map((method) => ({ method, isOffered: !view.ways.hidden.includes(method.id), isOwn: false }))
  ]);
  const offered = $derived(rows.filter(({ isOffered }) => isOffered).length);
  const fault = $derived(form && 'fault' in form ? form.fault : '');
  const typed = $derived(form && 'typed' in form ? form.typed : undefined);
  const sayGoodFor = ({ goodFor }: Method) =>
    goodFor.length >= elements.length ? 'anything' : goodFor.filter((e) => elements.includes(e)).join(', ');
</script>

<svelte:head><title>Ways to practise · {view.candidate.name} · Irvot</title></svelte:head>
<div class="top">
  <h2>Ways to practise</h2>
  <p>
    <b>{offered}</b> of {rows.length} are offered for the spots of {view.candidate.name}, six at a time, by
    turns.
    <a href="/auditions/{view.audition.id}/spots">To the spots</a>
  </p>
</div>
{#if data.isTeacher}
  {#key data.newId}
    <form class="add" method="POST" action="?/add" use:send>
      <input type="hidden" name="id" value={data.newId} />
      <h3>One of your own</h3>
      <div class="words">
        <Field id="way-name" label="Name" name="name" dir="auto" value={typed?.name ?? ''} maxlength={120} />
        <Field
          id="way-says"
          label="What to do, in a sentence or two"
          name="says"
          dir="auto"
          value={typed?.says ?? ''}
          maxlength={400}
        />
      </div>
      <fieldset>
        <legend>Good for (none: anything)</legend>
        {#each elements as element (element)}
          <label
            ><input
              type="checkbox"
              name="goodFor"
              value={element}
              checked={typed?.goodFor.includes(element)}
            />
            {element}</label
          >
        {/each}
      </fieldset>
      {#if view.players > 1}<label
          ><input type="checkbox" name="isForAll" /> for all {view.players} candidates</label
        >{/if}
      {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
      <button class="action">Add it</button>
    </form>
  {/key}
{/if}
<ul>
  {#each rows as { method, isOffered, isOwn } (method.id)}
    <li class:off={!isOffered}>
      <div>
        <h4>
          <bdi>{method.name}</bdi>{#if isOwn}<span class="soft own">your teacher’s own</span>{/if}
        </h4>
        <p dir="auto">{method.says}</p>
        <p class="soft">
          Good for {sayGoodFor(method)}.{method.needs ? ` It needs ${method.needs}.` : ''}
          {method.caution ?? ''}
        </p>
      </div>
      {#if data.isTeacher}
        <form method="POST" action="?/offer" use:send>
          <input type="hidden" name="id" value={method.id} />
          <input type="hidden" name="isOffered" value={isOffered ? '' : '1'} />
          <button
            class="quiet"
            aria-label="{isOffered ? (isOwn ? 'Take out' : 'Hide') : 'Offer again'}: {method.name}"
            >{isOffered ? (isOwn ? 'Take out' : 'Hide') : 'Offer again'}</button
          >
        </form>
      {:else if !isOffered}<span class="soft">not offered</span>{/if}
    </li>
  {/each}
</ul>

<style>
  .top {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 20px;
    align-items: baseline;
    margin-top: 18px;
  }
  .add {
    display: grid;
    gap: 10px;
    justify-items: start;
    margin-top: 14px;
    padding: 12px 0 16px;
    border-top: 1.5px solid var(--ink);
  }
  .words {
    display: grid;
    grid-template-columns: minmax(180px, 1fr) 3fr;
    gap: 8px 16px;
    width: 100%;
  }
  fieldset {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 18px;
    padding: 0;
    border: 0;
  }
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(100%, 520px), 1fr));
    gap: 0 40px;
    margin-top: 8px;
    padding: 0;
    border-top: 1.5px solid var(--ink);
    list-style: none;
  }
  li h4,
  li p {
    margin: 0;
  }
  li {
    display: flex;
    gap: 16px;
    justify-content: space-between;
    align-items: start;
    padding: 8px 0;
    border-bottom: 1px solid var(--rule);
  }
  .own {
    margin-left: 0.5em;
  }
  .off h4,
  .off p:first-of-type {
    color: var(--soft);
    text-decoration: line-through;
  }
  @media (max-width: 720px) {
    .words {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
