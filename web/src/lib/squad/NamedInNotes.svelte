<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { dayOf } from '$lib/state/teamclock';
  import Button from '$lib/ui/Button.svelte';

  // Notes of coaches that still hold the name of a player who was erased.
  let { name, notes, onclose }: { name: string; notes: Schemas['NameInNote'][]; onclose: () => void } =
    $props();
</script>

<div role="status" class="mb-4 grid justify-items-start gap-2 border-l-[6px] border-[var(--mark)] pl-3">
  <p>
    {name} is erased. Only you can tell whether these notes mean the same player. Open them and take the name out:
  </p>
  <ul class="list-disc pl-5">
    {#each notes as n (n.id + n.text)}
      <li>
        <a href={`/${n.team}/${n.kind === 'game' ? 'games' : 'plan'}/${n.id}`}>{dayOf(n.at)}</a>: {n.text}
      </li>
    {/each}
  </ul>
  <Button onclick={onclose}>Done</Button>
</div>
