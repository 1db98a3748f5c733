<!-- An address to hand over: to copy, to scan, and whether it can be reached from elsewhere at all. -->
<script lang="ts">
  import type { QrCodeGenerateResult } from 'uqr';
  import type { SharedLink } from '$lib/schema/view';

  let { id, label, link }: { id: string; label: string; link: SharedLink } = $props();

  let input = $state<HTMLInputElement>();
  let says = $state('');
  const pathOf = ({ data }: QrCodeGenerateResult) =>
    data.flatMap((row, y) => row.flatMap((isDark, x) => (isDark ? [`M${x} ${y}h1v1h-1z`] : []))).join('');

  async function copy() {
    input?.select();
    // over plain http browsers copy only what is selected, by the keys
    const isCopied = await navigator.clipboard?.writeText(link.address).then(
      () => true,
      () => false
    );
    says = isCopied ? 'Copied.' : 'It is selected: copy it with the keys of your machine.';
  }
</script>

<div class="link">
  <div class="words">
    <label for={id}>{label}</label>
    <p class="row">
      <input {id} bind:this={input} readonly value={link.address} onfocus={(e) => e.currentTarget.select()} />
      <button type="button" class="action" onclick={copy}>Copy</button>
    </p>
    <p class="says" role="status">{says}</p>
    {#if link.isHereOnly}<p>
        <strong>It opens on this machine alone.</strong> To let others in, start the studio with
        <code>--host 0.0.0.0</code> and make the link again.
      </p>{/if}
  </div>
  {#if !link.isHereOnly}{#await import('uqr') then { encode }}
      {@const code = encode(link.address, { border: 2 })}
      <svg
        viewBox="0 0 {code.size} {code.size}"
        role="img"
        aria-label="The same address as a code to scan"
        shape-rendering="crispEdges"><path d={pathOf(code)} /></svg
      >
    {/await}{/if}
</div>

<style>
  .link {
    display: flex;
    flex-wrap: wrap;
    gap: 12px 20px;
    margin: 10px 0;
  }
  .words {
    flex: 1 1 260px;
    min-width: 0;
  }
  label {
    color: var(--soft);
    font-size: 0.87rem;
  }
  .row {
    display: flex;
    gap: 10px;
    margin-top: 4px;
  }
  input {
    flex: 1 1 0;
    min-width: 0;
  }
  .says {
    min-height: 22px;
    color: var(--soft);
    font-size: 0.87rem;
  }
  /* a code is read on white, whatever the page's colours */
  svg {
    width: 132px;
    height: 132px;
    background: #fff;
  }
  path {
    fill: #000;
  }
</style>
