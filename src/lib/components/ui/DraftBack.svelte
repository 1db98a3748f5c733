<!-- Says that an unsaved draft was put back into a form, and lets it go. -->
<script lang="ts">
  let { forget }: { forget: () => void } = $props();

  function useSaved() {
    forget();
    location.reload();
  }
</script>

<p class="notice" role="status">
  What you had typed here before is back, not saved yet.
  <button type="button" class="quiet" onclick={useSaved}>Use what is saved instead</button>
</p>
