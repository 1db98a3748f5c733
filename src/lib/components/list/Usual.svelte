<!-- How new items climb in this studio, where nothing else is said with them. -->
<script lang="ts">
  import { RAMP_SHAPES, STRATEGIES } from '$lib/core/record/words';
  import { STEP_NAMES, STEP_SCHOOLS, STRATEGY_NAMES } from '$lib/schema/steps';
  import type { UsualForm } from '$lib/schema/usual-form';
  import { send } from '$lib/state/send';

  let { usual, isSaved, fault }: { usual: UsualForm; isSaved: boolean; fault: string | null } = $props();
  const SHAPE_NAMES = {
    'equal-percent': 'equal percentage',
    'equal-bpm': 'equal bpm',
    'smaller-near-top': 'smaller steps near the top'
  } as const;
</script>

<section>
  <h2>How a new item climbs</h2>
  <p class="soft">It can be set otherwise with each item; those that are there stay as they are.</p>
  <form method="POST" action="?/usual" use:send={{ reset: false }}>
    <label
      >strategy <select name="strategy" value={usual.strategy}
        >{#each STRATEGIES as one (one)}<option value={one}>{STRATEGY_NAMES[one]}</option>{/each}</select
      ></label
    >
    <label
      >step of the click <select name="step" value={usual.step}
        >{#each STEP_SCHOOLS as one (one)}<option value={one}>{STEP_NAMES[one]}</option>{/each}</select
      ></label
    >
    <label
      >shape of the ramp <select name="shape" value={usual.shape}
        >{#each RAMP_SHAPES as one (one)}<option value={one}>{SHAPE_NAMES[one]}</option>{/each}</select
      ></label
    >
    <button class="action">Save</button>
    <span role="status">{fault ?? (isSaved ? 'Saved.' : '')}</span>
  </form>
</section>

<style>
  section {
    margin-top: 40px;
  }
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 10px 20px;
    align-items: end;
    margin-top: 8px;
  }
  label {
    display: grid;
    color: var(--soft);
    font-size: 0.87rem;
  }
  select {
    color: var(--ink);
    font-size: 1rem;
  }
</style>
