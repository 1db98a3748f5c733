<!-- What one link opens: the ballot of who plays, and of those who play after; or one that is written in by hand. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import type { BallotView, BallotsView } from '$lib/schema/mock-view';
  import { BallotPaper } from '$lib/state/ballot.svelte';
  import { ballotDevice, takeHere } from '$lib/state/ballot-device';
  import { watch } from '$lib/state/watch';
  import Ballot from './Ballot.svelte';

  let {
    view: known,
    place,
    write,
    now,
    here,
    home = null,
    soundOf
  }: {
    view: BallotsView;
    /** Under which this device keeps what is written. */
    place: string;
    /** Address to which it is sent. */
    write: string;
    /** Address that says how the run stands; null where nobody waits for it. */
    now: string | null;
    /** Address that is told on which device it is written; null where one has signed in. */
    here: string | null;
    home?: string | null;
    soundOf: (ballot: BallotView, item: number) => string | null;
  } = $props();

  let seen = $state.raw<BallotsView | null>(null);
  const { ballots } = $derived(seen ?? known);
  // whose they are stays while they are written
  // svelte-ignore state_referenced_locally
  const papers = new Map(known.ballots.map((one) => [one.id, new BallotPaper(place, write, one)]));
  /** Id of the one in hand. */
  // svelte-ignore state_referenced_locally
  let id = $state((known.ballots.find((one) => !one.isOver) ?? known.ballots.at(-1))?.id);
  const at = $derived(ballots.findIndex((one) => one.id === id));
  const ballot = $derived(ballots[at]);
  const paper = $derived(papers.get(ballot?.id ?? ''));
  const next = $derived(ballots.slice(at + 1).find((one) => papers.has(one.id)) ?? null);

  let device = '';
  /** It was open on another device before. */
  let isMoved = $state(false);
  const isElsewhere = $derived(seen?.isElsewhere ?? false);

  async function goOnHere() {
    const taken = here && (await takeHere(here, device));
    if (!taken) return [...papers.values()].forEach((one) => void one.send());
    seen = taken.view;
    isMoved ||= taken.wasElsewhere;
    for (const { id, ballot } of seen.ballots) papers.get(id)?.goOn(ballot);
  }

  onMount(() => {
    device = ballotDevice();
    const ends = [...papers.values()].map((one) => one.open(device));
    void goOnHere();
    if (now) ends.push(watch<BallotsView>(`${now}?device=${device}`, (answer) => (seen = answer)));
    return () => ends.forEach((end) => end());
  });
</script>

<div class="ballots">
  {#if ballots.length > 1}
    <nav aria-label="Candidates">
      {#each ballots.filter((one) => papers.has(one.id)) as one (one.id)}<button
          aria-current={one.id === id ? 'true' : undefined}
          onclick={() => (id = one.id)}
          ><b>{one.number}</b>{#if one.time}<span>{one.time}</span>{/if}</button
        >{/each}
    </nav>
  {/if}
  {#if ballot && paper}
    {#key ballot.id}
      <Ballot
        view={ballot}
        {paper}
        {next}
        {isMoved}
        {isElsewhere}
        isNamed={ballots.length === 1}
        {home}
        soundOf={(item) => soundOf(ballot, item)}
        onHere={goOnHere}
        onNext={() => (id = next?.id)}
      />
    {/key}
  {/if}
</div>

<style>
  .ballots {
    display: flex;
    flex-direction: column;
    max-width: 560px;
    height: 100dvh;
    margin: 0 auto;
  }
  nav {
    display: flex;
    flex: none;
    gap: 0 4px;
    padding: 6px 12px 0;
    overflow-x: auto;
    border-bottom: 1px solid var(--rule);
  }
  nav button {
    min-width: 52px;
    min-height: 48px;
    padding: 0 6px;
    border: 0;
    border-bottom: 4px solid transparent;
    background: none;
    line-height: 1.15;
  }
  nav [aria-current] {
    border-color: var(--ink);
  }
  nav b {
    display: block;
    font-size: 20px;
  }
  nav span {
    color: var(--soft);
    font-size: 13px;
  }
</style>
