<script lang="ts">
  import NotLoaded from '$lib/parts/NotLoaded.svelte';
</script>

<NotLoaded />
