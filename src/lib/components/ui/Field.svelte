<!-- One labelled field with its hint and its fault, wired for assistive technology: an input with what else is said of it, or the
  caller's own control. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import { WEEKDAY_NAMES, parseDate, sayLongDate, weekdayOf } from '$lib/core/units';
  import type { HTMLInputAttributes } from 'svelte/elements';

  type Wiring = { id: string; 'aria-invalid': true | undefined; 'aria-describedby': string | undefined };
  let {
    id,
    label,
    hint = '',
    errors,
    isLabelHidden = false,
    value = $bindable(),
    control,
    ...input
  }: Omit<HTMLInputAttributes, 'value'> & {
    id: string;
    label: string;
    hint?: string;
    errors?: readonly string[] | undefined;
    isLabelHidden?: boolean;
    value?: string | number | null | undefined;
    control?: Snippet<[Wiring]>;
  } = $props();

  const said = $derived(errors?.[0] ?? '');
  /** A date as it is typed, in words. */
  const day = $derived(input.type === 'date' ? parseDate(String(value ?? '')) : null);
  const described = $derived(
    [day !== null && `${id}-day`, hint && `${id}-hint`, said && `${id}-fault`].filter(Boolean).join(' ') ||
      undefined
  );
  const wiring = $derived<Wiring>({
    id,
    'aria-invalid': said ? true : undefined,
    'aria-describedby': described
  });
</script>

<div class="field">
  <label for={id} class:hidden={isLabelHidden}>{label}</label>
  {#if control}{@render control(wiring)}{:else}<input {...wiring} {...input} bind:value />{/if}
  {#if day !== null}<p class="hint" id="{id}-day">
      {WEEKDAY_NAMES[weekdayOf(day) - 1]}, {sayLongDate(day)}
    </p>{/if}
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
    font-size: 0.93rem;
  }
  .field :global(input),
  .field :global(select),
  .field :global(textarea) {
    width: 100%;
  }
</style>
