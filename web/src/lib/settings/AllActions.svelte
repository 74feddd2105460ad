<script lang="ts">
  import Toggle from 'flowbite-svelte/Toggle.svelte';
  import { session } from '$lib/state/session.svelte';

  // What a young team leaves out, with one switch. The server decides which ages that are:
  // what is left out is known as soon as the settings are saved.
  let { team, on = $bindable() }: { team: string; on?: boolean } = $props();

  const out = $derived(session.leftOut(team));
</script>

<h2>Actions by age</h2>
<p class="soft">
  Ages 7 to 11 play player-to-player: plans and quizzes leave out ball screens, coverages that send two
  defenders at the ball, and zone drills. Your league's own rules come first.
</p>
<Toggle class="my-1 min-h-12 text-base" bind:checked={on} disabled={!session.head}
  >Use all actions at every age</Toggle
>
{#if out}
  <p>Left out now: {out.actions.map((id) => session.actionName(id)).join(', ')}.</p>
{/if}
