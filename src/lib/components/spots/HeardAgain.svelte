<!-- The loop: a spot as it was when it was found, then as it is in a later take; solved, or with an idea for the next. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { sayMs } from '$lib/components/take/systems';
  import { dayOf, sayBars, sayDate } from '$lib/core/units';
  import type { BarRange } from '$lib/core/units';
  import type { SpotPlace } from '$lib/schema/view';
  import { Player } from '$lib/state/player.svelte';
  import { send } from '$lib/state/send';

  let {
    bars,
    then,
    again,
    ideas,
    fault
  }: {
    bars: BarRange;
    then: SpotPlace;
    /** Newest first. */
    again: readonly SpotPlace[];
    /** Names of ways to practise it. */
    ideas: readonly string[];
    fault: string;
  } = $props();

  const players = [new Player(), new Player()] as const;
  const sounds: HTMLAudioElement[] = $state([]);
  // svelte-ignore state_referenced_locally
  let picked = $state(again[0]?.takeId ?? '');
  const now = $derived(again.find(({ takeId }) => takeId === picked) ?? again[0]);
  const places = $derived([then, now] as const);
  const sounding = $derived(players.findIndex(({ isPlaying }) => isPlaying));
  const trouble = $derived(players.map((one) => one.fault).find(Boolean) ?? '');

  onMount(() => {
    const ends = players.map((player, i) => sounds[i] && player.attach(sounds[i]));
    return () => ends.forEach((end) => end?.());
  });

  async function hear(...which: (0 | 1)[]) {
    players.forEach((player) => player.stop());
    for (const one of which) {
      const place = places[one];
      if (place) await players[one].playPart(place);
    }
  }
</script>

<section aria-labelledby="loop">
  <h3 id="loop">Then, and now</h3>
  <div class="two">
    {#each places as place, i (i)}
      {#if place}
        <audio bind:this={sounds[i]} src="/takes/{place.takeId}/sound" preload="none"></audio>
        <button class:sounds={sounding === i} onclick={() => hear(i as 0 | 1)}>
          <strong>{i === 0 ? 'then' : 'now'}</strong>
          <span>{sayDate(dayOf(place.date))}, {sayBars(bars)}</span>
        </button>
      {/if}
    {/each}
    {#if now}<button class="both" class:sounds={sounding >= 0} onclick={() => hear(0, 1)}
        ><strong>one after the other</strong></button
      >{/if}
  </div>
  <p class="soft">
    Heard in <a href="/takes/{then.takeId}">the take of {sayDate(dayOf(then.date))}</a>, at {sayMs(
      then.fromMs
    )}.
    {#if !now}Recorded again at the desk (key r while its bars are in hand), both are heard here one after the
      other.{/if}
  </p>
  {#if trouble}<p role="alert">{trouble}</p>{/if}
  {#if now}
    {#if again.length > 1}
      <label class="which"
        >now is
        <select bind:value={picked}>
          {#each again as one (one.takeId)}<option value={one.takeId}
              >{sayDate(dayOf(one.date))}, {new Date(one.madeAtMs).toLocaleTimeString('en-GB', {
                hour: '2-digit',
                minute: '2-digit'
              })}</option
            >{/each}
        </select></label
      >
    {/if}
    <div class="answers">
      <form method="POST" action="?/again" use:send>
        <input type="hidden" name="take" value={now.takeId} />
        <input type="hidden" name="isSolved" value="1" />
        <button class="action">Solved in this take</button>
      </form>
      <form method="POST" action="?/again" use:send>
        <input type="hidden" name="take" value={now.takeId} />
        <label for="idea">or the next idea</label>
        <input id="idea" name="idea" list="ideas" maxlength="200" dir="auto" autocomplete="off" />
        <datalist id="ideas"
          >{#each ideas as idea (idea)}<option value={idea}></option>{/each}</datalist
        >
        <button class="action">Not yet</button>
        {#if fault}<span role="alert">{fault}</span>{/if}
      </form>
    </div>
  {/if}
</section>

<style>
  section {
    margin-top: 20px;
    padding-bottom: 6px;
    border-bottom: 1px solid var(--rule);
  }
  .two {
    display: flex;
    flex-wrap: wrap;
    gap: 12px;
    margin: 10px 0;
  }
  .two button {
    display: grid;
    flex: 1 1 150px;
    max-width: 250px;
    align-content: center;
    min-height: 72px;
    padding: 8px 16px;
    border: 1px solid var(--soft);
    background: none;
    text-align: left;
  }
  .two strong {
    font-size: 1.25rem;
  }
  .two .both {
    background: var(--ink);
    color: var(--paper);
  }
  .two .sounds {
    box-shadow: inset 0 -6px var(--plan);
  }
  .which {
    display: block;
    margin: 8px 0;
  }
  .answers,
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 14px;
    align-items: center;
  }
  .answers {
    gap: 10px 32px;
    margin: 12px 0;
  }
  .answers form:last-child {
    flex: 1 1 330px;
  }
  #idea {
    flex: 1 1 200px;
    max-width: 380px;
    min-height: 40px;
  }
</style>
