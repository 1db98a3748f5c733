<!-- A block is over: the face inverts, a final barline divides what was from what comes, and next is the one light field. -->
<script lang="ts">
  import { type DeskBlock, type DeskDay, barsOfPart, keysNow, spotsOf, standingOf } from '$lib/core/practice';
  import { clickOf } from '$lib/core/tempo';
  import { sayBars } from '$lib/core/units';
  import NoteValue from '$lib/components/note/NoteValue.svelte';
  import { sayClock } from './minutes';
  import { sayAt } from './tempo-words';

  let {
    day,
    block,
    next,
    seconds,
    isTimeUp,
    isHurt,
    take,
    onNext,
    onMore,
    onShorter
  }: {
    day: DeskDay;
    block: DeskBlock;
    next: DeskBlock | null;
    /** It has been at work. */
    seconds: number;
    isTimeUp: boolean;
    /** Then nothing that urges on is offered. */
    isHurt: boolean;
    /** What was recorded of it: whether its sound is still on this device, and what the studio says against it. */
    take: { readonly id: string; readonly isHere: boolean; readonly refusal: string } | null;
    onNext: () => void;
    onMore: () => void;
    onShorter: () => void;
  } = $props();

  const planned = $derived(block.minutes + (block.run?.moreMin ?? 0));
  /** Of the bars worked at last; a spot's are said by themselves. */
  const part = $derived(block.run?.task.part ?? 0);
  const standing = $derived(standingOf(day, block, { part }));
  const bars = $derived(barsOfPart(block, part));
  const spots = $derived(
    spotsOf(day, block).flatMap((spot) => {
      const isPlayed = block.run?.answers.some((answer) => answer.spot === spot.id);
      const of = isPlayed ? standingOf(day, block, { part: 0, spot: spot.id }) : null;
      return of ? [{ spot, heldBpm: of.heldBpm }] : [];
    })
  );
  const keys = $derived(block.run?.keys ?? []);
  /** What a probe or the microscope has turned up. */
  const found = $derived(
    day.found.filter(({ itemId, foundBy }) => itemId === block.itemId && foundBy === block.kind)
  );
  const pages = $derived(block.run?.pages ?? []);
  const starts = $derived(block.run?.starts ?? []);
  const ran = $derived(block.run?.ran ?? null);
  const unit = $derived(block.work?.unit ?? 'quarter');
  const held = $derived(standing?.heldBpm ?? null);
  const click = $derived(held === null ? null : (clickOf({ bpm: held, unit }) ?? { bpm: held, unit }));
  const isGoal = $derived(standing !== null && held !== null && held >= standing.goalBpm);
  const isNew = $derived(held !== null && held > (block.work?.heldBpm ?? 0));
  const minutes = (n: number) => `${n} ${n === 1 ? 'minute' : 'minutes'}`;
</script>

<div class="end">
  <section>
    <h1>{block.name}</h1>
    <p class="soft">
      {isTimeUp ? `${minutes(planned)} are over` : `${Math.round(seconds / 60)} of ${minutes(planned)}`}
    </p>
    {#if click && held !== null}
      <p class="tempo"><NoteValue unit={click.unit} height={90} />{sayAt(held, unit)}</p>
      <i class="tread"></i>
      <p class="holds">
        {isGoal ? 'holds, today’s plan' : isNew ? 'holds now' : 'holds, as before'}
        {#if bars}<span class="soft">{sayBars(bars)}</span>{/if}
      </p>
    {:else if standing}
      <p class="holds">Nothing holds yet: the plan goes on from here.</p>
    {/if}
    {#if ran}<p class="holds ran">
        {ran.isStraight ? 'straight through' : 'not quite straight through'}, {ran.isClean
          ? 'clean'
          : 'not yet clean'}
        {#if ran.broke.length > 0}<span class="soft">{ran.broke.map(sayBars).join(', ')}: spots</span>{/if}
      </p>{/if}
    {#if block.scales && keys.length > 0}
      <p class="holds">{keys.length} {keys.length === 1 ? 'key' : 'keys'} in {sayClock(seconds)}</p>
      <ul class="keys">
        {#each keysNow(block.scales, keys).filter( ({ key }) => keys.some((one) => one.key === key) ) as { key, bpm, stage } (key)}
          <li><b>{key}</b> {sayAt(bpm, block.scales.unit)} <span class="soft">{stage}</span></li>
        {/each}
      </ul>
    {/if}
    {#each found as spot (spot.id)}
      <p class="spot"><b>{sayBars(spot)}</b> {spot.issue}</p>
    {/each}
    {#if pages.length > 0}
      <p class="holds">
        {pages.length}
        {pages.length === 1 ? 'page' : 'pages'}, kept going in {pages.filter(({ mark }) => mark === 'c')
          .length}
      </p>
    {/if}
    {#if starts.length > 0}
      <p class="holds">
        from {starts.filter(({ mark }) => mark === 'c').length} of {starts.length}
        {starts.length === 1 ? 'bar' : 'bars'} it was there at once
      </p>
    {/if}
    {#each spots as { spot, heldBpm } (spot.id)}
      <p class="spot">
        <b>{sayBars(spot)}</b>
        {heldBpm === null ? 'not yet' : `clean at ${sayAt(heldBpm, unit, click ?? undefined)}`}
        <span class="soft">{spot.issue}</span>
      </p>
    {/each}
  </section>
  <div class="ways">
    <button class="next" onclick={onNext}>
      <strong>{next ? 'next' : 'done'}</strong>
      {#if next}<b>{next.name}</b><span
          >{minutes(next.minutes)}{#if next.bars}, {sayBars(next.bars)}{/if}</span
        >{:else}<b>that was the last block</b>{/if}
    </button>
    {#if take?.refusal}<p role="alert">{take.refusal} It stays on this device.</p>
    {:else if take?.isHere}<p role="status">The sound is on its way to the studio …</p>
    {:else if take}<a href="/takes/{take.id}?from=desk" data-sveltekit-reload
        ><strong>hear it</strong><span>for one thing at a time</span></a
      >{/if}
    {#if !isHurt && !ran}<button onclick={onMore}
        ><strong>3 more minutes</strong><span>the rest of the day 3 min later</span></button
      >{/if}
    {#if !ran}<button onclick={onShorter}
        ><strong>shorter</strong><span>the mind wandered: it ends here</span></button
      >{/if}
  </div>
</div>

<style>
  .end {
    display: grid;
    grid-template-columns: 1.55fr 1fr;
    flex: 1;
    min-height: 0;
    background: var(--ink);
    color: var(--paper);
  }
  section {
    position: relative;
    display: grid;
    align-content: start;
    padding: 36px 36px 24px 24px;
    border-right: 16px double var(--paper);
  }
  h1 {
    font-size: clamp(24px, 3.4vw, 34px);
  }
  .soft,
  .ways span {
    color: inherit;
    font-size: clamp(17px, 2.4vw, 24px);
    font-stretch: 84%;
    opacity: 0.8;
  }
  .tempo :global(svg) {
    margin-right: 14px;
    vertical-align: 0;
  }
  .tempo {
    margin-top: 9vh;
    font-size: clamp(96px, 19vw, 220px);
    font-weight: 700;
    line-height: 0.9;
  }
  .tread {
    height: 16px;
    background: var(--paper);
  }
  .holds {
    display: grid;
    margin-top: 16px;
    font-size: clamp(22px, 3.2vw, 32px);
    font-weight: 600;
  }
  .ran {
    margin-top: 5vh;
    font-size: clamp(34px, 6vw, 64px);
    line-height: 1.1;
  }
  .keys {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
    gap: 4px 20px;
    margin-top: 14px;
    padding: 0;
    font-size: clamp(18px, 2.2vw, 22px);
    list-style: none;
  }
  .keys .soft {
    font-size: 17px;
  }
  .spot {
    margin-top: 10px;
    font-size: clamp(18px, 2.4vw, 24px);
  }
  .ways {
    display: grid;
    grid-auto-rows: 1fr;
    grid-template-rows: 2fr;
  }
  .ways > p {
    align-self: center;
    padding: 0 28px;
    font-size: 20px;
  }
  .ways a,
  .ways button {
    display: grid;
    align-content: center;
    gap: 6px;
    padding: 16px 28px;
    border: 0;
    border-top: 2px solid var(--paper);
    background: none;
    color: inherit;
    line-height: 1.15;
    text-align: left;
    text-decoration: none;
  }
  .ways strong {
    font-size: clamp(28px, 4vw, 44px);
  }
  .ways .next {
    background: var(--paper);
    color: var(--ink);
  }
  .next strong {
    font-size: clamp(56px, 10vw, 108px);
    line-height: 0.9;
  }
  .next b {
    font-size: clamp(20px, 2.8vw, 28px);
    font-weight: 650;
  }
  .ways button:focus-visible {
    outline: 3px solid currentColor;
    outline-offset: -8px;
  }
  @media (max-width: 720px) {
    .end {
      grid-template: auto 1fr / 1fr;
    }
    section {
      padding: 20px 16px;
      border-right: 0;
      border-bottom: 12px double var(--paper);
    }
    .tempo {
      margin-top: 14px;
      font-size: 96px;
    }
  }
</style>
