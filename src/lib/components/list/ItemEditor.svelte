<!-- An item's facts: what it is, its bars, its sections with their tempos, and its schools. -->
<script lang="ts">
  import type { SuperValidated } from 'sveltekit-superforms';
  import DraftBack from '$lib/components/ui/DraftBack.svelte';
  import Field from '$lib/components/ui/Field.svelte';
  import FormFaults from '$lib/components/ui/FormFaults.svelte';
  import { keptForm } from '$lib/state/kept-form';
  import { type ItemForm, blankSection, carveSection } from '$lib/schema/item-form';
  import { parseCuts, parseErrata } from '$lib/schema/printed';
  import type { PlannedSection } from '$lib/core/season';
  import BarStrip from './BarStrip.svelte';
  import CallEffects from '$lib/components/call/CallEffects.svelte';
  import type { CallEffect, Taker } from '$lib/schema/view';
  import SharedBy from './SharedBy.svelte';
  import HowItClimbs from './HowItClimbs.svelte';
  import SectionFields from './SectionFields.svelte';
  import type { Touch } from '$lib/core/practice';

  let {
    title,
    form: initial,
    draftKey,
    back,
    canRemove = false,
    takers = [],
    planned = [],
    log = [],
    effects = null,
    today,
    auditionId = '',
    candidateName = '',
    instruments = ''
  }: {
    title: string;
    form: SuperValidated<ItemForm>;
    draftKey: string;
    back: string;
    canRemove?: boolean;
    /** Who takes the list. */
    takers?: readonly Taker[];
    /** Its sections as the plan knows them, with what holds. */
    planned?: readonly PlannedSection[];
    /** Its touches, for the ladder that a choice would make. */
    log?: readonly Touch[];
    /** What was looked at: what it would do to the plans of all who take the list. */
    effects?: readonly CallEffect[] | null;
    /** Where the candidate lives. */
    today: string;
    auditionId?: string;
    candidateName?: string;
    /** What the candidate plays. */
    instruments?: string;
  } = $props();

  // Read once, while it is set up: what comes later must not undo what is typed or opened.
  // svelte-ignore state_referenced_locally
  const { form, errors, enhance, submitting, trouble, isBack, forget } = keptForm(initial, draftKey);

  const isSightReading = $derived($form.kind === 'sight-reading');
  let added = 1;
  let picked = $state<{ fromBar: number; toBar: number } | null>(null);
  /** The bars as they are typed; none while they are not sound, or more than a page can show. */
  const strip = $derived.by(() => {
    const { fromBar, toBar, barsPerLine, name, sections } = $form;
    if (fromBar === null || toBar === null || toBar < fromBar || toBar - fromBar > 2000) return null;
    const [errata, cuts] = [parseErrata($form.errata, $form), parseCuts($form.cuts, $form)];
    return {
      item: { fromBar, toBar, barsPerLine, name: name || 'the item' },
      sections: sections.flatMap((s) =>
        s.fromBar === null || s.toBar === null
          ? []
          : [{ ...holding(s.id), fromBar: s.fromBar, toBar: s.toBar, isFree: s.tempoKind === 'free' }]
      ),
      errata: errata.ok ? errata.value : [],
      cuts: cuts.ok ? cuts.value : []
    };
  });

  function holding(id: string) {
    const section = planned.find((s) => s.id === id);
    return section ? { held: section.held, targetBpm: section.targetBpm, says: section.says } : {};
  }

  function carve() {
    if (!picked) return;
    $form.sections = carveSection($form.sections, picked.fromBar, picked.toBar, () => `new-${(added += 1)}`);
    picked = null;
  }

  /** Cuts are the list's; the plan of all who take it narrows to them once it is saved. */
  function addCut() {
    if (!picked) return;
    const { fromBar, toBar } = picked;
    const cut = fromBar === toBar ? `${fromBar}` : `${fromBar}-${toBar}`;
    $form.cuts = [$form.cuts.trim(), cut].filter(Boolean).join(', ');
    picked = null;
  }

  function addSection() {
    const last = $form.sections.at(-1);
    added += 1;
    const next = {
      ...blankSection(`new-${added}`),
      unit: last?.unit ?? 'quarter',
      tempoKind: last?.tempoKind ?? 'pulse',
      fromBar: last?.toBar ? last.toBar + 1 : $form.fromBar,
      toBar: $form.toBar
    };
    $form.sections = [...$form.sections, next];
  }

  /** One section alone follows the item's bars while they are typed. */
  function followBars() {
    const [only] = $form.sections;
    if ($form.sections.length === 1 && only)
      $form.sections = [{ ...only, fromBar: $form.fromBar, toBar: $form.toBar }];
  }
</script>

<form method="POST" action="?/save" use:enhance>
  <h2>{title}</h2>
  <SharedBy {takers} {auditionId} what="Bars, edition, errata and cuts" />
  {#if $isBack}<DraftBack {forget} />{/if}
  <FormFaults errors={$trouble ? [$trouble] : $errors._errors} />
  <div class="facts">
    <div class="wide">
      <Field id="name" label="Name" errors={$errors.name} dir="auto" bind:value={$form.name} />
    </div>
    <Field
      id="composer"
      label="Composer, or what it is"
      errors={$errors.composer}
      dir="auto"
      bind:value={$form.composer}
    />
    <Field id="kind" label="Kind" errors={$errors.kind}>
      {#snippet control(w)}
        <select {...w} bind:value={$form.kind}>
          <option value="etude">etude</option><option value="excerpt">excerpt</option><option value="solo"
            >solo</option
          >
          <option value="scales">scales</option><option value="sight-reading">sight-reading</option>
        </select>
      {/snippet}
    </Field>
    {#if isSightReading}
      <Field
        id="minutesPerWeek"
        label="Minutes a week"
        errors={$errors.minutesPerWeek}
        type="number"
        bind:value={$form.minutesPerWeek}
      />
    {:else}
      <Field
        id="fromBar"
        label="First bar"
        errors={$errors.fromBar}
        type="number"
        bind:value={$form.fromBar}
        oninput={followBars}
      />
      <Field
        id="toBar"
        label="Last bar"
        errors={$errors.toBar}
        type="number"
        bind:value={$form.toBar}
        oninput={followBars}
      />
      <Field id="metre" label="Metre" errors={$errors.metre} bind:value={$form.metre} />
      <Field
        id="pickupBeats"
        label="Pickup, beats"
        errors={$errors.pickupBeats}
        type="number"
        step="any"
        bind:value={$form.pickupBeats}
      />
      <div class="wide">
        <Field
          id="barsPerLine"
          label="Bars in each line of the page"
          hint="A slash between pages: 5 4 4 5 / 4 4 6. May stay empty."
          errors={$errors.barsPerLine}
          bind:value={$form.barsPerLine}
        />
      </div>
    {/if}
    <div class="wide">
      <Field
        id="edition"
        label="Required edition"
        errors={$errors.edition}
        dir="auto"
        bind:value={$form.edition}
      />
    </div>
    <Field id="key" label="Key" errors={$errors.key} placeholder="D minor" bind:value={$form.key} />
    <Field id="pages" label="Pages" errors={$errors.pages} dir="auto" bind:value={$form.pages} />
    <div class="wide tested">
      <Field
        id="tested"
        label="What is being tested"
        errors={$errors.tested}
        dir="auto"
        bind:value={$form.tested}
      />
    </div>
  </div>

  {#if !isSightReading}
    <details open={$form.errata !== '' || $form.cuts !== ''}>
      <summary>Errata and cuts</summary>
      <div class="facts">
        <div class="wide">
          <Field
            id="errata"
            label="Errata, one a line"
            hint="The bar, a colon, and what is right: 31: B flat"
            errors={$errors.errata}
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
            errors={$errors.cuts}
            bind:value={$form.cuts}
          />
        </div>
      </div>
    </details>

    <h3>Sections and their tempos</h3>
    {#if takers.length > 1}
      <div class="whose" role="radiogroup" aria-label="Whose tempos">
        <label
          ><input type="radio" name="whose" bind:group={$form.hasOwnSections} value={false} /> the list’s, for all
          who take it</label
        >
        <label
          ><input type="radio" name="whose" bind:group={$form.hasOwnSections} value={true} />
          <bdi>{candidateName}</bdi>’s own</label
        >
      </div>
    {/if}
    <FormFaults errors={$errors.sections?._errors} />
    {#if strip}
      <BarStrip {...strip} canPick bind:selection={picked} />
      <p class="carve">
        <button type="button" class="action" disabled={!picked} onclick={carve}
          >{picked
            ? `Make bars ${picked.fromBar}–${picked.toBar} a section`
            : 'Pick bars to make them a section'}</button
        >
        {#if picked}
          <button type="button" class="action" onclick={addCut}
            >Bars {picked.fromBar}–{picked.toBar} will be heard</button
          >
        {/if}
        {#if planned.some((s) => s.held)}<span class="soft">Bars are filled as far as their tempo holds.</span
          >{/if}
      </p>
    {/if}
    {#each $form.sections as section, i (section.id)}
      <SectionFields
        {form}
        errors={$errors.sections?.[i]}
        index={i}
        {today}
        planned={planned.find((s) => s.id === section.id)}
        canRemove={$form.sections.length > 1}
        onRemove={() => ($form.sections = $form.sections.filter((s) => s.id !== section.id))}
      />
    {/each}
    <button type="button" class="action" onclick={addSection}>Add a section</button>

    <details>
      <summary>How it climbs</summary>
      <HowItClimbs {form} errors={$errors as Record<string, string[]>} {log} {today} {instruments} />
    </details>
  {/if}

  {#if effects}<CallEffects {effects} />{/if}
  <div class="ends">
    <button class="action main" disabled={$submitting}>Save</button>
    {#if canRemove}<button class="action" formaction="?/preview" disabled={$submitting}
        >Show first what it would change</button
      >{/if}
    <a href={back}>Back to the list</a>
    {#if canRemove}<button class="quiet remove" formaction="?/remove" formnovalidate
        >Take it off the list</button
      >{/if}
  </div>
</form>

<style>
  form {
    max-width: 1020px;
    margin-top: 20px;
  }
  .facts {
    display: grid;
    grid-template-columns: repeat(4, 1fr);
    gap: 14px 16px;
    margin-top: 10px;
  }
  .wide {
    grid-column: span 2;
  }
  h3 {
    margin: 24px 0 6px;
    padding-top: 10px;
    border-top: 1.5px solid var(--ink);
  }
  .carve {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 14px;
    align-items: center;
    margin: 6px 0 10px;
  }
  .whose {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 24px;
    padding-bottom: 6px;
  }
  form > .action {
    margin-top: 12px;
  }
  details {
    margin-top: 20px;
  }
  summary {
    cursor: pointer;
  }
  .ends {
    display: flex;
    gap: 20px;
    align-items: center;
    margin-top: 24px;
  }
  .remove {
    margin-left: auto;
  }
  @media (max-width: 720px) {
    .facts {
      grid-template-columns: 1fr 1fr;
    }
  }
</style>
