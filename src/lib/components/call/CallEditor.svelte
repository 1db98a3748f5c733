<!-- The call: the audition's name, its rounds with their slots and what each hears, and other dates. -->
<script lang="ts">
  import type { SuperValidated } from 'sveltekit-superforms';
  import DraftBack from '$lib/components/ui/DraftBack.svelte';
  import Field from '$lib/components/ui/Field.svelte';
  import FormFaults from '$lib/components/ui/FormFaults.svelte';
  import { parseDate } from '$lib/core/units';
  import { type CallForm, blankRound } from '$lib/schema/call-form';
  import type { CallEffect } from '$lib/schema/view';
  import CallEffects from './CallEffects.svelte';
  import OwnPart from './OwnPart.svelte';
  import { keptForm } from '$lib/state/kept-form';

  let {
    form: initial,
    items,
    zones,
    zone,
    draftKey,
    saveLabel,
    canPreview = false,
    effects = null,
    ownOf = null
  }: {
    form: SuperValidated<CallForm>;
    items: readonly { id: string; name: string }[];
    zones: readonly string[];
    zone: string;
    draftKey: string;
    saveLabel: string;
    /** There are plans that a change would move. */
    canPreview?: boolean;
    effects?: readonly CallEffect[] | null;
    /** Name of the candidate whose own dates and slots are saved with it; null for a call nobody has taken yet. */
    ownOf?: string | null;
  } = $props();

  // Read once, while it is set up: what comes later must not undo what is typed or opened.
  // svelte-ignore state_referenced_locally
  const { form, errors, enhance, submitting, trouble, isBack, forget } = keptForm(initial, draftKey);

  function addRound() {
    const last = $form.rounds.at(-1);
    $form.rounds = [
      ...$form.rounds,
      blankRound($form.rounds.length === 0 ? 'first round' : 'final', last?.zone ?? zone)
    ];
  }
  /** Days in hand after the recording day, for another take and a slow connection. */
  function sayBuffer(date: string, uploadBy: string): string {
    const [from, to] = [parseDate(date), parseDate(uploadBy)];
    if (from === null || to === null || to < from)
      return 'Record some days before it, so that a take can be made again.';
    const days = to - from;
    return days < 2
      ? `${days === 0 ? 'No day' : 'One day'} in hand: an earlier recording day leaves room for another take.`
      : `${days} days in hand after the recording day.`;
  }
  const addDate = () => ($form.dates = [...$form.dates, { date: '', name: '', kind: 'other' }]);
</script>

<form method="POST" action="?/save" use:enhance>
  {#if $isBack}<DraftBack {forget} />{/if}
  <FormFaults errors={$trouble ? [$trouble] : $errors._errors} />
  <div class="name">
    <Field id="name" label="Audition" errors={$errors.name} dir="auto" bind:value={$form.name} />
    <Field
      id="webAddress"
      label="Where it is published, if it is"
      placeholder="https://"
      errors={$errors.webAddress}
      bind:value={$form.webAddress}
    />
  </div>

  <h3>Rounds</h3>
  <FormFaults errors={$errors.rounds?._errors} />
  {#each $form.rounds as round, i (i)}
    {@const faults = $errors.rounds?.[i]}
    <fieldset>
      <legend class="hidden">Round {i + 1}</legend>
      <Field id="round-{i}-name" label="Round" errors={faults?.name} dir="auto" bind:value={round.name} />
      <Field
        id="round-{i}-date"
        label={round.isRecorded ? 'Recording day' : round.isWeek ? 'First day of the week' : 'Date'}
        errors={faults?.date}
        type="date"
        bind:value={round.date}
      />
      {#if round.isWeek}
        <p class="week soft">The plan counts back from this first day until the slot is known.</p>
      {:else}
        <Field
          id="round-{i}-time"
          label="Local time"
          hint="If it is known."
          errors={faults?.time}
          type="time"
          bind:value={round.time}
        />
      {/if}
      <Field
        id="round-{i}-zone"
        label="Time zone of the venue"
        errors={faults?.zone}
        list="zones"
        bind:value={round.zone}
      />
      <div class="hears">
        <label><input type="checkbox" bind:checked={round.hearsAll} /> hears the whole list</label>
        {#if !round.hearsAll}
          {#each items as item (item.id)}
            <label
              ><input type="checkbox" bind:group={round.itemIds} value={item.id} />
              <bdi>{item.name}</bdi></label
            >
          {:else}<p class="soft">The list is empty so far.</p>{/each}
        {/if}
        {#if faults?.hearsAll}<p class="fault">{faults.hearsAll[0]}</p>{/if}
        <label><input type="checkbox" bind:checked={round.isWeek} /> only the week is known so far</label>
        <label><input type="checkbox" bind:checked={round.isRecorded} /> recorded and uploaded</label>
        {#if round.isRecorded}
          <div class="upload">
            <Field
              id="round-{i}-uploadBy"
              label="Upload by"
              hint={sayBuffer(round.date, round.uploadBy)}
              errors={faults?.uploadBy}
              type="date"
              bind:value={round.uploadBy}
            />
          </div>
        {/if}
        <label
          ><input type="checkbox" bind:checked={round.isHistory} /> has taken place; kept as history</label
        >
        {#if $form.rounds.length > 1}
          <button
            type="button"
            class="quiet"
            onclick={() => ($form.rounds = $form.rounds.filter((_, j) => j !== i))}>Remove this round</button
          >
        {/if}
      </div>
    </fieldset>
  {/each}
  <button type="button" class="action" onclick={addRound}>Add a round</button>

  <h3>Other dates</h3>
  {#each $form.dates as date, i (i)}
    {@const faults = $errors.dates?.[i]}
    <fieldset class="date">
      <legend class="hidden">Date {i + 1}</legend>
      <Field id="date-{i}-name" label="What" errors={faults?.name} dir="auto" bind:value={date.name} />
      <Field id="date-{i}-date" label="Date" errors={faults?.date} type="date" bind:value={date.date} />
      <Field id="date-{i}-kind" label="Kind" errors={faults?.kind}>
        {#snippet control(w)}
          <select {...w} bind:value={date.kind}>
            <option value="deadline">deadline</option><option value="cuts">cuts announced</option><option
              value="other">other</option
            >
          </select>
        {/snippet}
      </Field>
      <button
        type="button"
        class="quiet"
        onclick={() => ($form.dates = $form.dates.filter((_, j) => j !== i))}>Remove</button
      >
    </fieldset>
  {/each}
  <button type="button" class="action" onclick={addDate}>Add a date</button>
  {#if ownOf !== null}
    <OwnPart
      bind:form={$form}
      dateFaults={(i) => $errors.ownDates?.[i]}
      slotFaults={(i) => $errors.slots?.[i]}
      name={ownOf}
    />
  {/if}
  <datalist id="zones"
    >{#each zones as name (name)}<option value={name}></option>{/each}</datalist
  >

  {#if effects}<CallEffects {effects} />{/if}
  <div class="ends">
    <button class="action main" disabled={$submitting}>{saveLabel}</button>
    {#if canPreview}<button class="action" formaction="?/preview" disabled={$submitting}
        >Show first what it would change</button
      >{/if}
  </div>
</form>

<style>
  form {
    max-width: 960px;
    margin-top: 16px;
  }
  .name {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 10px 16px;
  }
  h3 {
    margin: 28px 0 4px;
    padding-top: 10px;
    border-top: 1.5px solid var(--ink);
  }
  fieldset {
    display: grid;
    grid-template-columns: 1.2fr 160px 150px 1fr;
    gap: 10px 16px;
    align-items: start;
    padding: 10px 0 14px;
    border: 0;
    border-bottom: 1px solid var(--rule);
  }
  .date {
    grid-template-columns: 1.2fr 160px 150px 130px auto;
  }
  .date button {
    align-self: end;
    min-height: 36px;
  }
  .hears {
    display: flex;
    flex-wrap: wrap;
    grid-column: 1 / -1;
    gap: 4px 20px;
    align-items: center;
  }
  .hears label {
    display: flex;
    gap: 6px;
    align-items: center;
    min-height: 28px;
  }
  form > button.action {
    margin-top: 12px;
  }
  .week {
    align-self: center;
    font-size: 0.87rem;
  }
  .upload {
    max-width: 280px;
    margin: 2px 0 6px 24px;
  }
  /* one Save for all of it, in sight wherever one is */
  .ends {
    position: sticky;
    bottom: 0;
    display: flex;
    flex-wrap: wrap;
    gap: 12px;
    margin-top: 28px;
    padding: 12px 0;
    border-top: 1px solid var(--rule);
    background: var(--paper);
  }
  @media (max-width: 720px) {
    .name,
    fieldset,
    .date {
      grid-template-columns: 1fr 1fr;
    }
  }
</style>
