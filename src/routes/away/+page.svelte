<!-- Where there is no line: what is missing, since when, and what can be played all the same. -->
<script lang="ts">
  import { sayWhen } from '$lib/state/device/say-when';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>No line to the studio · Irvot</title></svelte:head>
<div class="page away">
  <h1>No line to the studio</h1>
  <p>
    The page you asked for is not kept on this device.
    {#if data.heardAtMs !== null}The studio was last heard at {sayWhen(data.heardAtMs, Date.now())}.{/if}
  </p>
  {#if data.kits.length > 0}
    <h2>Kept here, to be played without a line</h2>
    <ul>
      {#each data.kits as { auditionId, audition, candidate, keptAtMs } (auditionId)}
        <li>
          <a class="action main" href="/auditions/{auditionId}/today">Today</a>
          <span
            ><strong><bdi>{audition}</bdi></strong>, <bdi>{candidate}</bdi>
            <span class="soft">as it was at {sayWhen(keptAtMs, Date.now())}</span></span
          >
        </li>
      {/each}
    </ul>
    <p class="soft">What you play is kept on this device and sent when there is a line again.</p>
  {:else}
    <p>
      Nothing is kept here yet: a device keeps the days of whoever is signed in on it, each time they open
      Irvot with a line.
    </p>
  {/if}
  <p><a href={data.from} data-sveltekit-reload>Try again</a></p>
</div>

<style>
  .away > * + * {
    margin-top: 16px;
  }
  h2 {
    margin-top: 28px;
  }
  ul {
    padding: 0;
    list-style: none;
  }
  li {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 16px;
    padding: 10px 0;
    border-top: 1px solid var(--rule);
  }
  li .soft {
    display: block;
  }
  @media (max-width: 480px) {
    li > span {
      order: -1;
    }
  }
</style>
