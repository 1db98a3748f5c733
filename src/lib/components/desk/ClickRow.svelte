<!-- The click, on or off, and its beat for who does not hear it over the instrument. -->
<script lang="ts">
  import type { Clicking } from './clicking.svelte';

  let {
    clicking,
    perBar,
    onToggle,
    onThinner,
    onSettings
  }: {
    clicking: Clicking;
    perBar: number;
    onToggle: () => void;
    /** Null where what is in hand does not hold yet. */
    onThinner: (() => void) | null;
    onSettings: () => void;
  } = $props();

  /** Where there are no bars one cell is filled every other time, so that a beat is seen. */
  const isLit = (cell: number) => {
    const { beat } = clicking;
    if (beat === null) return false;
    return perBar > 0 ? beat.index % perBar === cell : beat.index % 2 === 0;
  };
</script>

<div class="click">
  <button class="toggle" aria-pressed={clicking.isOn} onclick={onToggle}>click</button>
  <span class="beats" aria-hidden="true"
    >{#each { length: perBar || 1 } as _, i (i)}<i class:on={isLit(i)}></i>{/each}</span
  >
  {#if clicking.beat?.isCountOff}<span class="count">count</span>{/if}
  {#if onThinner}<button class="more" onclick={onThinner}
      >thinner{clicking.thinned ? `: ${clicking.thinned}` : ''}</button
    >{/if}
  <button class="more" onclick={onSettings}>settings</button>
  {#if clicking.silence}<span class="soft">{clicking.silence}</span>{/if}
</div>

<style>
  .click {
    display: flex;
    align-items: center;
    gap: 16px;
    padding: 8px 24px 0;
  }
  .toggle {
    min-height: 48px;
    padding: 0 22px;
    border: 2px solid var(--ink);
    background: none;
    font-size: 22px;
    font-weight: 600;
  }
  .toggle[aria-pressed='true'] {
    background: var(--ink);
    color: var(--paper);
  }
  .more {
    min-height: 48px;
    padding: 0 10px;
    border: 0;
    background: none;
    color: var(--soft);
    font-size: 18px;
    font-stretch: 84%;
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  .count {
    font-size: 22px;
    font-weight: 650;
  }
  .beats {
    display: flex;
    gap: 8px;
  }
  .beats i {
    width: 26px;
    height: 26px;
    border: 2px solid var(--soft);
  }
  .beats i:first-child {
    width: 34px;
  }
  .beats .on {
    border-color: var(--ink);
    background: var(--ink);
  }
  @media (max-width: 720px) {
    .click {
      gap: 10px;
      padding-right: 16px;
      padding-left: 16px;
    }
    .toggle {
      padding: 0 16px;
    }
    .beats {
      flex: 0 1 170px;
      gap: 5px;
    }
    .beats i,
    .beats i:first-child {
      flex: 0 1 24px;
      width: auto;
      min-width: 6px;
    }
    .more {
      margin-left: auto;
    }
  }
</style>
