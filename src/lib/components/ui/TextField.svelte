<!-- A field of one line of text that posts under its own name. -->
<script lang="ts">
  import type { FullAutoFill } from 'svelte/elements';
  import Field from './Field.svelte';

  let {
    name,
    label,
    hint = '',
    errors,
    type = 'text',
    autocomplete = 'off',
    list,
    value = $bindable()
  }: {
    name: string;
    label: string;
    hint?: string;
    errors?: readonly string[] | undefined;
    type?: 'text' | 'password';
    autocomplete?: FullAutoFill;
    list?: string;
    value: string;
  } = $props();
</script>

<Field id={name} {label} {hint} {errors}>
  {#snippet control(wiring)}<input {...wiring} {name} {type} {autocomplete} {list} bind:value />{/snippet}
</Field>
