<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { lastTeam, session } from '$lib/state/session.svelte';

  onMount(() => {
    const id = lastTeam(session.view?.teams ?? []);
    if (id) goto(`/${id}/now`, { replaceState: true });
  });
</script>
