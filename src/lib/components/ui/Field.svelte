<!-- One labelled field with its hint and its fault, wired for assistive technology. The control is the caller's. -->
<script lang="ts">
  import type { Snippet } from 'svelte';

  type Wiring = { id: string; 'aria-invalid': true | undefined; 'aria-describedby': string | undefined };
  let {
    id,
    label,
    hint = '',
    errors,
    isLabelHidden = false,
    control
  }: {
    id: string;
    label: string;
    hint?: string;
    errors?: readonly string[] | undefined;
    isLabelHidden?: boolean;
    control: Snippet<[Wiring]>;
  } = $props();

  const said = $derived(errors?.[0] ?? '');
  const described = $derived(
    [hint && `${id}-hint`, said && `${id}-fault`].filter(Boolean).join(' ') || undefined
  );
</script>

<div class="field">
  <label for={id} class:hidden={isLabelHidden}>{label}</label>
  {@render control({ id, 'aria-invalid': said ? true : undefined, 'aria-describedby': described })}
  {#if hint}<p class="hint" id="{id}-hint">{hint}</p>{/if}
  {#if said}<p class="fault" id="{id}-fault">{said}</p>{/if}
</div>

<style>
  .field {
    display: flex;
    flex-direction: column;
    gap: 3px;
    min-width: 0;
  }
  label {
    font-size: 0.87rem;
    color: var(--soft);
  }
  .hint {
    font-size: 0.87rem;
    color: var(--soft);
  }
  .fault {
    padding-left: 8px;
    border-left: 3px solid var(--ink);
    font-size: 0.93rem;
    font-weight: 600;
  }
  .field :global(input),
  .field :global(select),
  .field :global(textarea) {
    width: 100%;
    min-height: 36px;
    padding: 5px 8px;
    border: 1px solid var(--soft);
    border-radius: 0;
    background: var(--paper);
  }
  .field :global([aria-invalid='true']) {
    border: 2px solid var(--ink);
  }
</style>
