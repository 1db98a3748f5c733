<!-- Where what was played stands: on this device, sent, or refused and why. -->
<script lang="ts">
  import type { QueueState } from '$lib/state/device/queue';

  let { state }: { state: QueueState } = $props();
  const time = (ms: number) =>
    new Date(ms).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
</script>

<span class="queue" role="status"
  >{#if state.kind === 'sent'}{state.atMs === null
      ? 'all sent'
      : `all sent ${time(state.atMs)}`}{:else if state.kind === 'sending'}&nbsp;{:else if state.kind === 'waiting'}kept
    on this device, {state.count} to send{:else if state.kind === 'asking'}kept on this device: on which day
    was it played? Today asks{:else}{state.says}{/if}</span
>

<style>
  .queue {
    color: var(--soft);
    font-size: 16px;
    font-stretch: 84%;
  }
</style>
