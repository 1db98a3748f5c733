<!-- What is wrong with a form as a whole, above it. -->
<script lang="ts">
  let { errors }: { errors?: readonly string[] | undefined } = $props();
</script>

{#if errors?.length}
  <p class="faults" role="alert">{errors[0]}</p>
{/if}

<style>
  .faults {
    margin-bottom: 16px;
    padding: 8px 12px;
    border: 1.5px solid var(--ink);
    border-left-width: 6px;
    font-weight: 600;
  }
</style>
