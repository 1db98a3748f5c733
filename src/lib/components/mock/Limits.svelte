<!-- Minutes of warming up and of waiting before the hour; fields of a form about a mock. -->
<script lang="ts">
  let { before }: { before: { readonly warmUpMin: number; readonly waitingMin: number } | null } = $props();
</script>

<label
  ><span>Warm-up, minutes</span>
  <input name="warmUpMin" inputmode="numeric" size="4" value={before?.warmUpMin ?? ''} /></label
>
<label
  ><span>Waiting, minutes</span>
  <input name="waitingMin" inputmode="numeric" size="4" value={before?.waitingMin ?? ''} /></label
>

<style>
  span {
    display: block;
    color: var(--soft);
    font-size: 0.87rem;
  }
  input {
    min-height: 40px;
  }
</style>
