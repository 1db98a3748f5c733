<!-- An item's facts: what it is, its bars, its sections with their tempos, and its schools. -->
<script lang="ts">
  import type { SuperValidated } from 'sveltekit-superforms';
  import DraftBack from '$lib/components/ui/DraftBack.svelte';
  import FormFaults from '$lib/components/ui/FormFaults.svelte';
  import { keptForm } from '$lib/state/kept-form';
  import { type ItemForm, blankSection, carveSection } from '$lib/schema/item-form';
  import { askedOf } from '$lib/schema/list/row';
  import { parseCuts, parseErrata } from '$lib/schema/printed';
  import type { PlannedSection } from '$lib/core/season';
  import BarStrip from './BarStrip.svelte';
  import CallEffects from '$lib/components/call/CallEffects.svelte';
  import type { CallEffect, Taker } from '$lib/schema/view';
  import SharedBy from './SharedBy.svelte';
  import HowItClimbs from './HowItClimbs.svelte';
  import ItemFacts from './ItemFacts.svelte';
  import ItemPrinted from './ItemPrinted.svelte';
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
    instruments = '',
    isUntaken = false
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
    /** Nobody takes the list yet: there is nothing that is a candidate's own. */
    isUntaken?: boolean;
  } = $props();

  // Read once, while it is set up: what comes later must not undo what is typed or opened.
  // svelte-ignore state_referenced_locally
  const { form, errors, enhance, submitting, trouble, isBack, forget } = keptForm(initial, draftKey);

  const asked = $derived(askedOf($form.kind));
  const isSightReading = $derived(asked === 'minutes');
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
</script>

<form method="POST" action="?/save" use:enhance>
  <h2>{title}</h2>
  <SharedBy {takers} {auditionId} what="Bars, edition, errata and cuts" />
  {#if $isBack}<DraftBack {forget} />{/if}
  <FormFaults errors={$trouble ? [$trouble] : $errors._errors} />
  <ItemFacts {form} errors={$errors as Record<string, string[]>} />

  {#if !isSightReading}
    <h3>{asked === 'keys' ? 'Tempo' : 'Sections and their tempos'}</h3>
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
    {#each $form.sections as section, i (section.id)}
      <SectionFields
        {form}
        errors={$errors.sections?.[i]}
        index={i}
        {today}
        planned={planned.find((s) => s.id === section.id)}
        {isUntaken}
        hasBars={asked === 'bars' || $form.sections.length > 1}
        canRemove={$form.sections.length > 1}
        onRemove={() => ($form.sections = $form.sections.filter((s) => s.id !== section.id))}
      />
    {/each}
    {#if asked === 'bars'}<button type="button" class="action" onclick={addSection}>Add a section</button
      >{/if}
    {#if strip && asked === 'bars'}
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

    {#if asked === 'bars'}<ItemPrinted {form} errors={$errors as Record<string, string[]>} />{/if}
    {#if !isUntaken}<details>
        <summary>How it climbs</summary>
        <HowItClimbs {form} errors={$errors as Record<string, string[]>} {log} {today} {instruments} />
      </details>{/if}
  {/if}

  {#if effects}<CallEffects {effects} />{/if}
  <div class="ends">
    <button class="action main" disabled={$submitting}>Save</button>
    {#if canRemove && !isUntaken}<button class="action" formaction="?/preview" disabled={$submitting}
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
    position: sticky;
    bottom: 0;
    display: flex;
    flex-wrap: wrap;
    gap: 8px 20px;
    align-items: center;
    margin-top: 24px;
    padding: 12px 0;
    border-top: 1px solid var(--rule);
    background: var(--paper);
  }
  .remove {
    margin-left: auto;
  }
</style>
