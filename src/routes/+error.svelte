<script lang="ts">
  import { page } from '$app/state';
</script>

<svelte:head><title>{page.status} · Irvot</title></svelte:head>
<div class="narrow">
  <h1>{page.error?.message ?? 'Something went wrong here.'}</h1>
  {#if page.error?.id}<p class="soft">
      If it stays so, tell whoever looks after this studio the id {page.error.id}.
    </p>{/if}
  <p><a href="/">To the first page</a></p>
</div>
