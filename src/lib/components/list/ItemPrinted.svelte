<!-- What is printed of an item with bars: edition, key, pages and lines, errata, the cuts that were announced, what is tested. Folded away while nothing is said. -->
<script lang="ts">
  import type { Writable } from 'svelte/store';
  import Field from '$lib/components/ui/Field.svelte';
  import FieldGrid from '$lib/components/ui/FieldGrid.svelte';
  import type { ItemForm } from '$lib/schema/item-form';

  let { form, errors }: { form: Writable<ItemForm>; errors: Record<string, string[]> } = $props();

  const FIELDS = [
    'instrument',
    'edition',
    'key',
    'pages',
    'barsPerLine',
    'errata',
    'cuts',
    'tested'
  ] as const;
  /** Once open it stays so: what is emptied there is not folded away. */
  let isOpen = $state(false);
  $effect.pre(() => {
    if (FIELDS.some((field) => $form[field] !== '' || errors[field])) isOpen = true;
  });
</script>

<details bind:open={isOpen}>
  <summary>What is printed: edition, errata, cuts, another instrument, lines of the page</summary>
  <FieldGrid>
    <div class="wide">
      <Field
        id="edition"
        label="Required edition"
        errors={errors.edition}
        dir="auto"
        bind:value={$form.edition}
      />
    </div>
    <Field id="key" label="Key" errors={errors.key} placeholder="D minor" bind:value={$form.key} />
    <Field id="pages" label="Pages" errors={errors.pages} dir="auto" bind:value={$form.pages} />
    <div class="wide">
      <Field
        id="tested"
        label="What is being tested"
        errors={errors.tested}
        dir="auto"
        bind:value={$form.tested}
      />
    </div>
    <Field
      id="instrument"
      label="Instrument, if another"
      placeholder="cor anglais"
      errors={errors.instrument}
      dir="auto"
      bind:value={$form.instrument}
    />
    <Field
      id="barsPerLine"
      label="Bars in each line of the page"
      hint="A slash between pages: 5 4 4 5 / 4 4 6. May stay empty."
      errors={errors.barsPerLine}
      bind:value={$form.barsPerLine}
    />
    <div class="wide">
      <Field
        id="errata"
        label="Errata, one a line"
        hint="The bar, a colon, and what is right: 31: B flat"
        errors={errors.errata}
      >
        {#snippet control(w)}<textarea {...w} rows="3" dir="auto" bind:value={$form.errata}
          ></textarea>{/snippet}
      </Field>
    </div>
    <div class="wide">
      <Field
        id="cuts"
        label="Cuts announced"
        hint="The bars that will be heard: 17-33, 41-48. The plan narrows to them."
        errors={errors.cuts}
        bind:value={$form.cuts}
      />
    </div>
  </FieldGrid>
</details>

<style>
  details {
    margin-top: 20px;
  }
  summary {
    cursor: pointer;
  }
</style>
