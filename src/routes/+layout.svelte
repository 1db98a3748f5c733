<script lang="ts">
  import '$lib/styles/app.css';
  import { type Snippet, onMount } from 'svelte';
  import { afterNavigate } from '$app/navigation';
  import { page } from '$app/state';
  import SignOut from '$lib/components/ui/SignOut.svelte';
  import AwayLine from '$lib/components/ui/AwayLine.svelte';
  import UndoLine from '$lib/components/ui/UndoLine.svelte';
  import { BY_DEVICE } from '$lib/schema/kept-pages';
  import { setDraftOwner } from '$lib/state/draft';
  import { keepFocus } from '$lib/state/focus';
  import { trouble } from '$lib/state/send';
  import type { LayoutData } from './$types';

  let { data, children }: { data: LayoutData; children: Snippet } = $props();
  /** Where one was led after saving: what can be taken back. */
  const undoToken = $derived(page.url.searchParams.get('undo'));
  /** Whom and what the page is about: the page of another is set up anew, so nothing typed for one stands at the other's. */
  const subject = $derived(Object.values(page.params).join(' '));
  /** The desk fills the screen, and so does listening. */
  const isWhole = $derived(
    [
      '/auditions/[audition]/desk',
      '/takes/[take]',
      '/listen/[token]',
      '/mocks/[mock]/panel',
      '/mocks/[mock]/stand',
      '/mocks/[mock]/alone',
      '/mocks/[mock]/paper',
      '/mocks/[mock]/write/[juror]',
      '/studio/evening/[evening]/paper',
      '/ballot/[token]'
    ].includes(page.route.id ?? '')
  );
  /** Of a season that is opened at its day, its desk or its lesson; a player's own are kept anyway. */
  async function keepDays(owner: string) {
    const isDay = /\/(today|desk|lesson)$/.test(page.route.id ?? '');
    const { keepPages } = await import('$lib/state/device/kept-pages');
    await keepPages(owner, (isDay && page.params.audition) || null).catch(() => {});
  }
  afterNavigate(({ from }) => {
    trouble.set('');
    const owner = data.who?.drafts.accountId;
    if (from && owner && page.params.audition && from.params?.audition !== page.params.audition)
      void keepDays(owner);
  });
  setDraftOwner(() => data.who?.drafts ?? null);
  /** Made by the device, where there was no line. */
  const isAway = $derived(page.data.answeredBy === BY_DEVICE);
  onMount(keepFocus);
  // from here on a tap is answered: by this the pointer shows it, and those who look over the page know
  onMount(() => {
    document.documentElement.dataset.alive = '';
  });
  // what was recorded on this device goes to the studio from whatever page is open; what is played next is kept on it
  onMount(async () => {
    const owner = data.who?.drafts.accountId;
    if (!owner) return;
    const { keepProgram } = await import('$lib/state/device/program');
    await keepProgram().catch(() => {});
    const { TakesOut } = await import('$lib/state/device/takes-out.svelte');
    await TakesOut.of(owner).open();
    await keepDays(owner);
  });
  /** There a session sends for itself, and hears what comes of it. */
  const isAtDesk = $derived(/\/(today|desk)$/.test(page.route.id ?? ''));
  // what was done at desks goes from every other page
  $effect(() => {
    const owner = data.who?.drafts.accountId;
    if (!owner || isAtDesk) return;
    let end: (() => void) | null = null;
    let isOver = false;
    void import('$lib/state/device/events-out').then(({ sendEvents }) => {
      if (!isOver) end = sendEvents(owner);
    });
    return () => {
      isOver = true;
      end?.();
    };
  });
</script>

<a class="skip" href="#main">To the page</a>
{#if data.who && !isWhole}
  <header class="site">
    <a class="home" href="/">Irvot</a>
    <span class="soft"
      ><a href="/account"><bdi>{data.who.name}</bdi></a>{#if data.isDemo}<span class="demo">
          · demo, made-up people and works</span
        >{/if}</span
    >
    <SignOut owner={data.who.drafts} />
  </header>
{/if}
<main id="main">
  {#if data.who?.isPutAway}
    <p class="saved put-away">
      Your teacher has put your place here away for now: all of it can be read, and nothing is changed.
    </p>
  {/if}
  {#if isAway}<div class="saved">
      <AwayLine isLaidHere={page.data.isLaidHere === true} isQuiet={isWhole} />
    </div>{/if}
  {#if data.who && undoToken}<div class="saved">
      {#key undoToken}<UndoLine token={undoToken} />{/key}
    </div>{/if}
  {#key subject}{@render children()}{/key}
</main>
{#if $trouble}
  <p class="trouble" role="alert">
    {$trouble} <button class="quiet" onclick={() => trouble.set('')}>Close</button>
  </p>
{/if}

<style>
  .trouble {
    position: fixed;
    inset: auto 0 0;
    z-index: 8;
    max-width: 720px;
    margin: 0 auto 12px;
    padding: 10px 16px;
    border-left: 4px solid var(--ink);
    background: var(--ground);
    box-shadow: 0 0 0 1px var(--rule);
    font-weight: 600;
  }
  .saved {
    max-width: 1280px;
    margin: 0 auto;
    padding: 0 var(--edge);
  }
  header {
    display: flex;
    align-items: baseline;
    gap: 12px;
    max-width: 1280px;
    margin: 0 auto;
    padding: 6px var(--edge);
    border-bottom: 1px solid var(--rule);
    font-size: 0.87rem;
  }
  header a {
    color: inherit;
  }
  .put-away {
    padding-top: 8px;
    font-weight: 600;
  }
  @media (max-width: 720px) {
    .demo {
      display: none;
    }
  }
  .demo {
    margin-left: 0.4em;
  }
  .home {
    color: inherit;
    font-weight: 700;
    font-stretch: 110%;
    text-decoration: none;
  }
  .skip {
    position: absolute;
    left: -999px;
  }
  .skip:focus {
    left: 8px;
    top: 8px;
    z-index: 9;
    padding: 8px;
    background: var(--paper);
  }
  @media print {
    header {
      display: none;
    }
  }
</style>
