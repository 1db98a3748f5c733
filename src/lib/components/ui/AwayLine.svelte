<!-- Said over a page that the device has made, because there was no line; it looks for one, and asks the studio when there is. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { readClock } from '$lib/state/device/clock';
  import { askStudio } from '$lib/state/device/line';
  import { sayWhen } from '$lib/state/device/say-when';
  import { readAnew } from '$lib/state/on-the-way';

  let { isLaidHere, isQuiet }: { isLaidHere: boolean; /** Looks without a word. */ isQuiet: boolean } =
    $props();
  const LOOKS_EVERY_MS = 15_000;
  let heard = $state('');

  onMount(() => {
    void readClock().then((clock) => (heard = clock ? sayWhen(clock.heardAtMs, Date.now()) : ''));
    const look = () =>
      void askStudio().then(
        (here) => here && readAnew(),
        () => {}
      );
    const again = setInterval(look, LOOKS_EVERY_MS);
    window.addEventListener('online', look);
    return () => {
      clearInterval(again);
      window.removeEventListener('online', look);
    };
  });
</script>

{#if !isQuiet}
  <p class="soft" role="status">
    <strong>No line to the studio.</strong> This day is as your device has it{isLaidHere
      ? ', laid here again from what you played'
      : ''}{heard ? `; the studio was last heard at ${heard}` : ''}.
  </p>
{/if}

<style>
  p {
    padding-top: 8px;
  }
  strong {
    color: var(--ink);
  }
</style>
