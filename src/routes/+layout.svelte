<script lang="ts">
  import '$lib/styles/app.css';
  import type { Snippet } from 'svelte';
  import { forgetDrafts } from '$lib/state/draft';
  import { page } from '$app/state';
  import SavedLine from '$lib/components/ui/SavedLine.svelte';
  import type { LayoutData } from './$types';

  let { data, children }: { data: LayoutData; children: Snippet } = $props();
  /** Where one was led after saving: what can be taken back. */
  const undoToken = $derived(page.url.searchParams.get('undo'));
</script>

<a class="skip" href="#main">To the page</a>
{#if data.who}
  <header class="site">
    <a class="home" href="/">Irvot</a>
    <span class="soft"
      ><bdi>{data.who.name}</bdi>{#if data.isDemo}<span class="demo">
          · demo, made-up people and works</span
        >{/if}</span
    >
    <form method="POST" action="/sign-out" onsubmit={forgetDrafts}>
      <button class="quiet">Sign out</button>
    </form>
  </header>
{/if}
<main id="main">
  {#if data.who && undoToken}<div class="saved"><SavedLine {undoToken} /></div>{/if}
  {@render children()}
</main>

<style>
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
  header form {
    margin-left: auto;
  }
  header button {
    white-space: nowrap;
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
