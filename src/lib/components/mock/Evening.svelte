<!-- An evening as it is prepared: who plays when, how far each is, who hears it, and their links. -->
<script lang="ts">
  import ShareLink from '$lib/components/ui/ShareLink.svelte';
  import { dayOf, sayLongDate } from '$lib/core/units';
  import type { EveningView } from '$lib/schema/evening-view';
  import type { SharedLink } from '$lib/schema/view';
  import { send } from '$lib/state/send';

  let {
    view,
    links,
    fault
  }: {
    view: EveningView;
    /** Made just now, one for each juror; shown this once. */
    links: readonly { readonly name: string; readonly link: SharedLink }[];
    fault: string;
  } = $props();

  type Player = EveningView['players'][number];
  /** Whose run is in hand, or comes next. */
  const now = $derived(view.players.find((one) => !one.isOver) ?? null);
  const hasBegun = $derived(view.players.some(({ at }) => at !== null));
  function standing({ at, isOver, isOpened, count, written, jurors }: Player): string {
    if (isOpened) return 'played, the ballots are read';
    if (isOver) return jurors === 0 ? 'played' : `played, ${written} of ${jurors} ballots have come`;
    return at === null ? `${count === 1 ? 'one item' : `${count} items`} drawn` : 'plays now';
  }
</script>

<header>
  <div>
    <h1>Mock evening</h1>
    <p class="when">{sayLongDate(dayOf(view.date))}{view.place ? `, ${view.place}` : ''}</p>
  </div>
  {#if now}<a class="action main" href="/mocks/{now.mockId}/panel"
      >{now.at === null ? `To the run of candidate ${now.number}` : `Go on with candidate ${now.number}`}</a
    >{/if}
</header>

<ol>
  {#each view.players as one, i (one.mockId)}
    <li class={{ over: one.isOver, now: one === now }}>
      <span class="time">{one.time ?? ''}</span>
      <b class="nr">{one.number}</b>
      <span class="who"
        ><a href="/auditions/{one.auditionId}/mocks"><bdi>{one.candidate}</bdi></a>, {one.stage}</span
      >
      <span class="soft stands">{standing(one)}</span>
      <div class="acts">
        {#if one.at === null && i > 0 && view.players[i - 1]!.at === null}
          <form method="POST" action="?/earlier" use:send>
            <input type="hidden" name="mock" value={one.mockId} /><button class="quiet">earlier</button>
          </form>
        {/if}
      </div>
    </li>
  {/each}
</ol>
{#if now?.before}<p class="soft">
    Each warms up for {now.before.warmUpMin} minutes and waits for {now.before.waitingMin} before the hour; it counts
    down on the player’s own screen, under Mocks.
  </p>{/if}

<section aria-labelledby="hears">
  <h2 id="hears">Who hears it</h2>
  {#each view.jurors as one (one.seat)}
    <form class="juror" method="POST" action="?/endSeat" use:send>
      <input type="hidden" name="seat" value={one.seat} />
      <bdi>{one.name}</bdi>
      <span class="soft"
        >{one.written > 0
          ? `has written of ${one.written}`
          : one.hasLink
            ? 'has a link'
            : 'has no link yet'}</span
      >
      {#if one.hasLink}<button class="quiet">end the link</button>{/if}
    </form>
  {/each}
  <div class="ways">
    {#if view.jurors.length > 0}
      <form method="POST" action="?/links" use:send>
        <button class="action"
          >{view.jurors.some(({ hasLink }) => hasLink) ? 'Make all links anew' : 'Make the links'}</button
        >
      </form>
      <a href="/studio/evening/{view.id}/paper">ballots on paper</a>
    {/if}
    {#if !hasBegun}
      <form class="ways" method="POST" action="?/seat" use:send>
        <label>Juror <input name="name" maxlength="120" required dir="auto" autocomplete="off" /></label>
        <button class="action">Add</button>
      </form>
    {/if}
  </div>
  {#if links.length > 0}
    <p class="soft given">
      Each opens the ballots of this evening alone, until two days after it, and says nothing of who plays.
      They are shown only now.
    </p>
    {#each links as { name, link }, i (i)}<ShareLink id="seat-{i}" label="For {name}" {link} />{/each}
  {/if}
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
</section>

{#if view.players.some(({ at }) => at === null)}
  <form method="POST" action="?/drop" use:send>
    <button class="quiet">{hasBegun ? 'give up what has not begun' : 'give the evening up'}</button>
  </form>
{/if}

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    gap: 10px 32px;
    align-items: center;
    justify-content: space-between;
  }
  .when {
    font-size: 1.15rem;
  }
  ol {
    margin: 18px 0 10px;
    padding: 0;
    border-bottom: 1px solid var(--rule);
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: 4.2em 2.2em minmax(0, 1fr) minmax(0, 1fr) 5em;
    gap: 0 12px;
    align-items: baseline;
    padding: 7px 0;
    border-top: 1px solid var(--rule);
  }
  .now {
    border-top: 4px solid var(--ink);
  }
  .time {
    font-variant-numeric: tabular-nums;
  }
  .nr {
    font-size: 1.5rem;
    line-height: 1;
  }
  .over .nr {
    color: var(--soft);
  }
  section {
    margin: 26px 0;
  }
  .juror,
  .ways {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 18px;
    align-items: center;
    margin-top: 8px;
  }
  .given {
    margin: 14px 0 6px;
  }
  @media (max-width: 720px) {
    li {
      grid-template-columns: 3.6em 2em minmax(0, 1fr);
    }
    .stands {
      grid-column: 3;
    }
    .acts {
      grid-column: 3;
    }
  }
</style>
