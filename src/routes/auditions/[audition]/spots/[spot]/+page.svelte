<script lang="ts">
  import Marks from '$lib/components/log/Marks.svelte';
  import Tempo from '$lib/components/note/Tempo.svelte';
  import HeardAgain from '$lib/components/spots/HeardAgain.svelte';
  import SpotLine from '$lib/components/spots/SpotLine.svelte';
  import { wayOf } from '$lib/core/practice';
  import { dayOf, sayBars, sayDate } from '$lib/core/units';
  import { send } from '$lib/state/send';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  const { spot, item, audition, candidate } = $derived(data.view);
  const spots = $derived(`/auditions/${audition.id}/spots`);
  const offers = $derived(spot.offers.flatMap((id) => wayOf(id, data.view.ways) ?? []));
  const tries = $derived([...spot.tries].reverse());
  const faultOf = (what: string) => (form?.what === what ? form.fault : '');
  const places = $derived(
    spot.elsewhere
      .map((bars) =>
        sayBars(bars)
          .replace(/^bars? /, '')
          .replace('–', '-')
      )
      .join(', ')
  );
</script>

{#snippet one(what: string, word: string)}
  <form method="POST" action="?/set" use:send>
    <input type="hidden" name="what" value={what} /><button class="action">{word}</button>
  </form>
{/snippet}
{#snippet field(what: string, label: string, value: string, hint: string, word: string)}
  <form class="field" method="POST" action="?/set" use:send={{ reset: false }}>
    <input type="hidden" name="what" value={what} />
    <label for={what}>{label}</label>
    <input
      id={what}
      name="value"
      dir="auto"
      {value}
      placeholder={hint}
      aria-invalid={faultOf(what) ? 'true' : undefined}
      aria-describedby={faultOf(what) ? `${what}-fault` : undefined}
    />
    <button class="action">{word}</button>
    {#if faultOf(what)}<p id="{what}-fault" class="fault" role="alert">{faultOf(what)}</p>{/if}
  </form>
{/snippet}

<svelte:head><title>{sayBars(spot)} of {item.name} · {candidate.name} · Irvot</title></svelte:head>
<p class="back"><a href={spots}>All spots</a></p>
<h2><bdi>{item.name}</bdi></h2>
<p class="soft">Found on {sayDate(dayOf(spot.foundOn))}.</p>
<div class="state"><SpotLine {spot} href="{spots}/{spot.id}" today={data.view.today} isNext={false} /></div>

{#if data.view.then}
  <HeardAgain
    bars={spot}
    then={data.view.then}
    again={data.view.again}
    ideas={offers.map(({ name }) => name)}
    fault={faultOf('again')}
  />
{/if}
<div class="columns">
  <section>
    <h3>What was tried</h3>
    {#if tries.length > 0}
      <table>
        <thead>
          <tr
            ><th scope="col">date</th><th scope="col">way</th><th scope="col">tempo</th><th scope="col"
              >attempts</th
            ></tr
          >
        </thead>
        <tbody>
          {#each tries as one, i (i)}
            <tr>
              <td class="date">{sayDate(dayOf(one.date))}</td>
              <td
                >{#if one.take}<a href="/takes/{one.take}">heard in a take</a>{#if one.idea}; next
                    <bdi>{one.idea}</bdi>{/if}{:else}{wayOf(one.method, data.view.ways)?.name ??
                    'as written'}{/if}{#if one.fromBar !== spot.fromBar || one.toBar !== spot.toBar}<span
                    class="soft">, {sayBars({ fromBar: one.fromBar ?? 0, toBar: one.toBar ?? 0 })}</span
                  >{/if}</td
              >
              <td
                >{#if one.tempoBpm !== undefined && one.unit}<Tempo
                    bpm={one.tempoBpm}
                    unit={one.unit}
                    height={14}
                  />{/if}</td
              >
              <td><Marks attempts={one.marks} /></td>
            </tr>
          {/each}
        </tbody>
      </table>
    {:else}<p class="soft">Nothing yet: it comes at the desk, before the rung of its bars.</p>{/if}
  </section>
  <section>
    <h3>What comes next</h3>
    <div class="acts">
      {#if spot.state === 'open'}
        {#if spot.isFirst}{@render one('not-first', 'In its own turn')}{:else}{@render one(
            'first',
            'Lay it first tomorrow'
          )}{/if}
        {@render one('rest', 'Lay it to rest')}
      {:else}{@render one('open', 'Work it again')}{/if}
    </div>
    <form class="field" method="POST" action="?/set" use:send={{ reset: false }}>
      <input type="hidden" name="what" value="method" />
      <label for="method"
        >The way it is practised{#if !spot.method && offers[0]}; next “{offers[0].name}”{/if}</label
      >
      <select id="method" name="value" value={spot.method ?? ''}>
        <option value="">chosen each day</option>
        {#if spot.method && !spot.offers.includes(spot.method)}<option value={spot.method}
            >{wayOf(spot.method, data.view.ways)?.name}</option
          >{/if}
        {#each offers as { id, name } (id)}<option value={id}>{name}</option>{/each}
      </select>
      <button class="action">Set</button>
    </form>
    {@render field('elsewhere', 'The same passage elsewhere', places, '61-62, 85', 'Set')}
    {@render field('issue', 'What is wrong there', spot.issue, 'flat after the leap', 'Change')}
    <form method="POST" action="{spots}?/remove" class="out">
      <input type="hidden" name="id" value={spot.id} />
      <button class="quiet">Entered by mistake: take it out</button>
    </form>
  </section>
</div>

<style>
  .back {
    margin-top: 16px;
  }
  h2 {
    margin-top: 4px;
    font-size: 1.4rem;
  }
  .state {
    margin-top: 12px;
    border-bottom: 1px solid var(--rule);
  }
  .columns {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 400px;
    gap: 24px 48px;
    margin-top: 20px;
  }
  td {
    padding: 5px 14px 5px 0;
  }
  .date {
    white-space: nowrap;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    margin-top: 8px;
  }
  .field {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 4px 8px;
    margin-top: 16px;
  }
  .field label,
  .field .fault {
    grid-column: 1 / -1;
  }
  .field label {
    color: var(--soft);
    font-size: 0.87rem;
  }
  .out {
    margin-top: 20px;
  }
  @media (max-width: 900px) {
    .columns {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
