<!-- What the studio keeps of a candidate: name, instruments, home zone, guardian and consent of a minor, a private note. -->
<script lang="ts">
  import type { SuperValidated } from 'sveltekit-superforms';
  import type { z } from 'zod';
  import DraftBack from '$lib/components/ui/DraftBack.svelte';
  import Field from '$lib/components/ui/Field.svelte';
  import FormFaults from '$lib/components/ui/FormFaults.svelte';
  import type { factsForm } from '$lib/schema/forms';
  import UndoLine from '$lib/components/ui/UndoLine.svelte';
  import { keptForm } from '$lib/state/kept-form';

  let {
    form: initial,
    zones,
    draftKey,
    hasPrivateNote,
    saved
  }: {
    form: SuperValidated<z.infer<typeof factsForm>>;
    zones: readonly string[];
    draftKey: string;
    /** A teacher has one of each candidate. */
    hasPrivateNote: boolean;
    /** The secret by which what was just saved can be taken back. */
    saved: string | null;
  } = $props();

  // Read once, while it is set up: what comes later must not undo what is typed or opened.
  // svelte-ignore state_referenced_locally
  const { form, errors, enhance, submitting, trouble, isBack, forget } = keptForm(initial, draftKey, {
    isPrivate: true
  });
</script>

<form method="POST" action="?/facts" use:enhance>
  {#if $isBack}<DraftBack {forget} />{/if}
  <FormFaults errors={$trouble ? [$trouble] : $errors._errors} />
  <div class="facts">
    <Field id="name" label="Name" errors={$errors.name} dir="auto" bind:value={$form.name} />
    <Field
      id="instruments"
      label="Instruments"
      errors={$errors.instruments}
      dir="auto"
      bind:value={$form.instruments}
    />
    <Field id="zone" label="Time zone at home" errors={$errors.zone} list="zones" bind:value={$form.zone} />
    <datalist id="zones"
      >{#each zones as zone (zone)}<option value={zone}></option>{/each}</datalist
    >
    <label class="minor"><input type="checkbox" bind:checked={$form.isMinor} /> is a minor</label>
    {#if $form.isMinor}
      <Field
        id="guardian"
        label="Guardian, and how to reach them"
        errors={$errors.guardian}
        dir="auto"
        bind:value={$form.guardian}
      />
      <Field
        id="consentOn"
        label="Guardian’s consent given on"
        hint="To keep notes and recordings. Without it nobody records. Local law comes first."
        errors={$errors.consentOn}
        type="date"
        bind:value={$form.consentOn}
      />
      <Field
        id="sharingOn"
        label="Consent to sharing a take by link, given on"
        hint="Another consent than the first. Taken away, every such link ends at once."
        errors={$errors.sharingOn}
        type="date"
        bind:value={$form.sharingOn}
      />
    {/if}
    {#if hasPrivateNote}
      <div class="wide">
        <Field
          id="privateNote"
          label="Private note"
          hint="Yours alone: the candidate does not see it, and it is left out when they take their work along."
          errors={$errors.privateNote}
        >
          {#snippet control(w)}<textarea {...w} rows="3" dir="auto" bind:value={$form.privateNote}
            ></textarea>{/snippet}
        </Field>
      </div>
    {/if}
  </div>
  <p class="ends">
    <button class="action" disabled={$submitting}>Save</button>
  </p>
</form>
{#if saved}{#key saved}<UndoLine token={saved} />{/key}{/if}

<style>
  .facts {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 12px 16px;
    align-items: start;
  }
  .minor {
    align-self: center;
    padding-top: 16px;
  }
  .wide {
    grid-column: 1 / -1;
  }
  .ends {
    display: flex;
    gap: 16px;
    align-items: center;
    margin-top: 12px;
  }
  @media (max-width: 720px) {
    .facts {
      grid-template-columns: 1fr;
    }
  }
</style>
