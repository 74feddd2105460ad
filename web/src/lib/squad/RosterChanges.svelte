<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import Note from '$lib/ui/Note.svelte';

  // What a list would do to the roster: who is new, who changes and how, and which lines do not fit.
  let { preview }: { preview: Schemas['RosterPreview'] } = $props();

  type Change = Schemas['RosterChange'];
  const roles = ['handler', 'wing', 'big', 'shooter'] as const;
  const rolesOf = (p: Change['player']) => roles.filter((r) => p[r]).join(', ');
  const does = (c: Change) => {
    if (!c.was) return 'new';
    const parts = [];
    if (c.was.jersey !== c.player.jersey) parts.push(`number ${c.was.jersey} → ${c.player.jersey}`);
    if (c.was.name !== c.player.name) parts.push(`was ${c.was.name}`);
    if (rolesOf(c.was) !== rolesOf(c.player)) parts.push(`was ${rolesOf(c.was) || 'without a role'}`);
    return parts.join(', ') || 'no change';
  };
</script>

{#if preview.errors.length}
  <Note warn role="alert">
    <ul class="m-0 list-none p-0">
      {#each preview.errors as e (e.row + e.message)}
        <li>
          {#if e.row > 0}<b class="numeral">Line {e.row}.</b>{/if}
          {e.message}
        </li>
      {/each}
    </ul>
  </Note>
{/if}
{#if preview.changes.length}
  <ul class="m-0 grid list-none gap-x-8 p-0 sm:grid-cols-2 md:grid-cols-3" aria-label="What changes">
    {#each preview.changes as c (c.player.jersey + c.player.name)}
      <li class={['flex items-baseline gap-3 border-b border-seam py-2', c.kind === 'same' && 'text-soft']}>
        <b class="numeral w-8 text-lg">{c.player.jersey}</b>
        <span class="grow"><b>{c.player.name}</b> <span class="text-soft">{rolesOf(c.player)}</span></span>
        <span class={c.kind === 'same' ? 'text-sm' : 'border-l-6 border-mark pl-2 text-sm'}>{does(c)}</span>
      </li>
    {/each}
  </ul>
{/if}
