<!-- A recording from elsewhere: chosen, noted and sent in pieces. -->
<script lang="ts">
  import type { TakeListView } from '$lib/schema/view';
  import { sendTake } from '$lib/state/device/takes';
  import { readAnew } from '$lib/state/on-the-way';

  let { items, today }: { items: TakeListView['items']; today: string } = $props();

  const MOST_BYTES = 200e6;
  // what is chosen stays chosen
  // svelte-ignore state_referenced_locally
  let itemId = $state(items[0]?.id ?? '');
  let isOther = $state(false);
  let says = $state('');
  let share = $state<number | null>(null);
  let picked: HTMLInputElement;

  async function sendFile(event: SubmitEvent) {
    event.preventDefault();
    const file = picked.files?.[0];
    const item = items.find(({ id }) => id === itemId) ?? items[0];
    if (!file || !item) return void (says = 'Choose a file first.');
    if (file.size > MOST_BYTES)
      return void (says = 'A take has at most 200 MB: send it compressed (Opus, MP3 or M4A), or in parts.');
    [says, share] = ['', 0];
    const take = {
      id: crypto.randomUUID(),
      itemId: item.id,
      fromBar: item.fromBar,
      toBar: item.toBar,
      date: today,
      madeAtMs: file.lastModified,
      source: isOther ? ('other' as const) : ('file' as const),
      tempo: null,
      musicAtMs: 0
    };
    const sent = await sendTake(take, (done) => (share = done), file);
    share = null;
    says =
      sent === 'sent'
        ? 'It is here.'
        : sent.says || 'The line is gone: nothing was kept of it. Send it again.';
    if (sent === 'sent') picked.value = '';
    await readAnew();
  }
</script>

<h3>From elsewhere</h3>
<form onsubmit={sendFile}>
  <label
    >Of
    <select bind:value={itemId}>
      {#each items as item (item.id)}<option value={item.id}>{item.name}</option>{/each}
    </select></label
  >
  <label>the recording <input type="file" accept="audio/*" bind:this={picked} /></label>
  <label><input type="checkbox" bind:checked={isOther} /> somebody else plays: for its tempo</label>
  <button class="action" disabled={share !== null}>Send it</button>
  <span role="status">{share === null ? says : `${Math.round(100 * share)} % sent`}</span>
</form>
<p class="soft">WAV, FLAC, MP3, Ogg, WebM or M4A, at most 200 MB and an hour and a half.</p>

<style>
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 18px;
    align-items: center;
    margin-bottom: 4px;
  }
  label {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 8px;
    align-items: center;
  }
  h3 {
    margin: 28px 0 8px;
  }
</style>
