<!-- A mock evening is prepared: its day and jurors, who plays in which order, and the hours that follow. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { eveningHours } from '$lib/core/mock';
  import { STAGE_NAMES } from '$lib/core/record/words';
  import { dayOf, randomFrom, sayDate, shuffled } from '$lib/core/units';
  import type { EveningPlayer } from '$lib/schema/evening-view';
  import { send } from '$lib/state/send';
  import Limits from './Limits.svelte';

  let {
    players,
    today,
    newId,
    fault
  }: { players: readonly EveningPlayer[]; today: string; newId: string; fault: string } = $props();

  type Plays = { readonly auditionId: string; stage: number; count: number };
  let plays = $state<Plays[]>([]);
  let start = $state('18:30');
  let each = $state('20');
  let pause = $state('5');
  let isAlive = $state(false);
  onMount(() => void (isAlive = true));

  const byId = $derived(new Map(players.map((one) => [one.auditionId, one])));
  const left = $derived(
    players.filter(({ auditionId }) => !plays.some((one) => one.auditionId === auditionId))
  );
  const hours = $derived(
    /^\d\d:\d\d$/.test(start)
      ? eveningHours(start, plays.length, { eachMin: Number(each) || 0, pauseMin: Number(pause) || 0 })
      : null
  );
  const take = ({ auditionId, stage, items }: EveningPlayer) =>
    plays.push({ auditionId, stage, count: Math.min(items, 4) });
  const drop = (at: number) => plays.splice(at, 1);
  function earlier(at: number) {
    const [one] = plays.splice(at, 1);
    plays.splice(at - 1, 0, one!);
  }
  const drawOrder = () => (plays = shuffled(plays, randomFrom(Date.now() % 4_294_967_296)));
  /** Somebody with two auditions is named with the one it is for. */
  const isTwice = ({ candidate }: EveningPlayer) =>
    players.filter((one) => one.candidate === candidate).length > 1;
  const isBooked = ({ auditionId, stage }: Plays) =>
    byId.get(auditionId)?.booked.find((one) => one.stage === stage);
</script>

<div class="page">
  <p><a href="/studio">Studio</a></p>
  <h1>A mock evening</h1>
  <p class="soft">
    Several play to one jury, one after the other, each under a number. Jurors hear all of it by one link.
  </p>
  <form method="POST" use:send={{ reset: false }}>
    <input type="hidden" name="id" value={newId} />
    <input type="hidden" name="players" value={JSON.stringify(plays)} />
    <div class="fields">
      <label><span>Day</span><input type="date" name="date" required min={today} /></label>
      <label><span>Begins</span><input type="time" name="start" required bind:value={start} /></label>
      <label class="wide"><span>Place</span><input name="place" maxlength="200" dir="auto" /></label>
      <label
        ><span>Minutes each</span><input
          name="eachMin"
          inputmode="numeric"
          size="4"
          bind:value={each}
        /></label
      >
      <label
        ><span>Between two</span><input
          name="pauseMin"
          inputmode="numeric"
          size="4"
          bind:value={pause}
        /></label
      >
      <Limits before={null} />
      <label class="jurors"
        ><span>Jurors, between commas</span><input
          name="jurors"
          maxlength="1000"
          dir="auto"
          autocomplete="off"
          placeholder="Marit, Jan, Lise"
        /></label
      >
    </div>

    <div class="halves">
      <section aria-labelledby="order">
        <h2 id="order">In this order</h2>
        {#if plays.length === 0}
          <p class="soft">Nobody yet: take them in from the other side, in the order in which they play.</p>
        {:else}
          <ol>
            {#each plays as one, i (one.auditionId)}
              {@const who = byId.get(one.auditionId)!}
              {@const booked = isBooked(one)}
              <li>
                <b class="nr">{i + 1}</b>
                <span class="time">{hours?.[i] ?? ''}</span>
                <span class="who"
                  ><bdi>{who.candidate}</bdi>{#if isTwice(who)}<span class="soft"
                      >, <bdi>{who.audition}</bdi></span
                    >{/if}</span
                >
                <select bind:value={one.stage} aria-label="Stage of {who.candidate}">
                  {#each STAGE_NAMES as name, stage (name)}{#if stage > 0}<option value={stage + 1}
                        >{stage + 1} {name}</option
                      >{/if}{/each}
                </select>
                {#if booked}<span class="soft">moves here from {sayDate(dayOf(booked.date))}</span
                  >{:else}<label class="count"
                    ><input
                      type="number"
                      min="1"
                      max={who.items}
                      bind:value={one.count}
                      aria-label="Items of {who.candidate}"
                    />
                    of {who.items}</label
                  >{/if}
                <span class="acts"
                  >{#if i > 0}<button type="button" class="quiet" onclick={() => earlier(i)}>earlier</button
                    >{/if}
                  <button type="button" class="quiet" onclick={() => drop(i)}>out</button></span
                >
              </li>
            {/each}
          </ol>
          {#if plays.length > 1}<button type="button" class="quiet" onclick={drawOrder}>draw the order</button
            >{/if}
          {#if hours === null}<p class="fault" role="alert">
              The last of them would begin after midnight.
            </p>{/if}
        {/if}
        <p class="do">
          <button class="action main" disabled={!isAlive || plays.length === 0}
            >{plays.length < 2 ? 'Book it, and draw' : `Book all ${plays.length}, and draw`}</button
          >
        </p>
        {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
      </section>
      <section aria-labelledby="who">
        <h2 id="who">Who could play</h2>
        {#if players.length === 0}<p class="soft">
            Nobody has a round ahead and something on the list. Stages are counted back from a round.
          </p>{/if}
        {#if players.length > 0 && left.length === 0}<p class="soft">All are in.</p>{/if}
        <ul>
          {#each left as one (one.auditionId)}
            <li>
              <button type="button" class="quiet" disabled={!isAlive} onclick={() => take(one)}
                ><bdi>{one.candidate}</bdi></button
              >
              <span class="soft"
                ><bdi>{one.audition}</bdi>, {one.days === 1 ? '1 day' : `${one.days} days`} to go; stage {one.stage}</span
              >
            </li>
          {/each}
        </ul>
      </section>
    </div>
  </form>
</div>

<style>
  .page {
    max-width: 1280px;
    margin: 0 auto;
    padding: 14px var(--edge) 48px;
  }
  .fields {
    display: flex;
    flex-wrap: wrap;
    gap: 10px 16px;
    align-items: end;
    margin: 16px 0 22px;
  }
  .fields span {
    display: block;
    color: var(--soft);
    font-size: 0.87rem;
  }
  .fields input {
    min-height: 40px;
  }
  .wide {
    flex: 1 1 180px;
  }
  .jurors {
    flex: 1 1 100%;
  }
  .wide input,
  .jurors input {
    width: 100%;
  }
  .halves {
    display: grid;
    grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
    gap: 24px 48px;
  }
  ol,
  ul {
    margin: 8px 0;
    padding: 0;
    list-style: none;
  }
  ol li {
    display: grid;
    grid-template-columns: 1.6em 3.2em minmax(0, 1fr) auto 8.5em 6.6em;
    gap: 4px 14px;
    align-items: center;
    padding: 7px 0;
    border-top: 1px solid var(--rule);
  }
  .nr {
    font-size: 1.5rem;
  }
  .time {
    font-variant-numeric: tabular-nums;
  }
  .who {
    font-weight: 600;
    overflow-wrap: anywhere;
  }
  .who .soft {
    font-weight: 400;
  }
  .acts {
    display: flex;
    gap: 14px;
    justify-content: flex-end;
  }
  .count input {
    width: 3.6em;
  }
  ul li {
    padding: 4px 0;
    border-top: 1px solid var(--rule);
  }
  ul button {
    min-height: 32px;
    font-weight: 600;
  }
  .do {
    margin-top: 16px;
  }
  @media (max-width: 1100px) {
    .halves {
      grid-template-columns: minmax(0, 1fr);
    }
    .halves section:last-child {
      order: -1;
    }
  }
  @media (max-width: 720px) {
    ol li {
      grid-template-columns: 1.6em 3.2em minmax(0, 1fr);
    }
    ol select,
    .count,
    ol li > .soft,
    .acts {
      grid-column: 3;
      justify-self: start;
    }
  }
</style>
