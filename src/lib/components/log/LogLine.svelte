<!-- The quick line: one row of typing for a touch. -->
<script lang="ts">
  import type { SuperValidated } from 'sveltekit-superforms';
  import Field from '$lib/components/ui/Field.svelte';
  import { keptForm } from '$lib/state/kept-form';

  let {
    form: initial,
    items,
    auditionId
  }: {
    form: SuperValidated<{ touchId: string; line: string }>;
    items: readonly { name: string }[];
    auditionId: string;
  } = $props();

  // Read once, while it is set up: what comes later must not undo what is typed or opened.
  // svelte-ignore state_referenced_locally
  const { form, errors, enhance, submitting, trouble } = keptForm(initial, `log line ${auditionId}`);
</script>

<form method="POST" action="?/line" use:enhance>
  <input type="hidden" name="touchId" value={$form.touchId} />
  <Field
    id="line"
    label="One line: item, bars, minutes, tempo, attempts, what did not hold, a note"
    hint="{items.length > 2
      ? '3'
      : '1'} 37-41 15m @92 ccncc -rhythm breath comes late. Item by number or name; c is clean, n not yet; without bars it is the whole item."
    errors={$trouble ? [$trouble] : $errors.line}
  >
    {#snippet control(w)}<input
        {...w}
        name="line"
        autocomplete="off"
        spellcheck="false"
        dir="auto"
        bind:value={$form.line}
      />{/snippet}
  </Field>
  <button class="action main" disabled={$submitting}>Log</button>
</form>

<style>
  form {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 10px;
    align-items: start;
    margin-top: 8px;
  }
  button {
    margin-top: 22px;
  }
  form :global(.field input) {
    font-size: 1.13rem;
    min-height: 44px;
  }
  button {
    min-height: 44px;
  }
</style>
