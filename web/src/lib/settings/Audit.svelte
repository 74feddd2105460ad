<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import { holds } from '$lib/state/asked';
  import { dayOf, hourOf, longDayOf } from '$lib/state/teamclock';
  import Button from '$lib/ui/Button.svelte';

  // Who changed what, newest first.
  let log = $state.raw<Schemas['AuditEntry'][] | null>(null);
  const first = 8;
  let all = $state(false);
  let wanted = $state('');
  const shown = $derived(
    (log ?? []).filter((e) => holds(`${longDayOf(e.at)} ${e.who} ${e.what} ${e.team ?? ''}`, wanted))
  );

  onMount(async () => {
    log = await ask(api.GET('/api/program/audit'));
  });
</script>

<section class="sheet grid gap-2 p-4 justify-items-start" aria-label="Who changed what">
  <h2>Who changed what</h2>
  {#if !log}<p role="status" class="soft">Loading changes…</p>
  {:else}
    {#if all}
      <Label class="w-full max-w-md">
        <span>Search changes</span>
        <Input type="search" placeholder="a name, a day, what was done" maxlength={80} bind:value={wanted} />
      </Label>
    {/if}
    <ul class="quiet-list w-full max-h-104 overflow-y-auto">
      {#each all ? shown : shown.slice(0, first) as e, i (i)}
        <li
          class="grid grid-cols-[10.5rem_minmax(0,_1fr)] gap-3 py-1 px-0 border-t border-t-seam max-sm:grid-cols-[minmax(0,_1fr)] max-sm:gap-0"
        >
          <span class="soft">{dayOf(e.at)} <span class="numeral">{hourOf(e.at)}</span></span>
          <span
            ><b>{e.who}</b>
            {e.what}{#if e.team}<span class="soft">, {e.team}</span>{/if}</span
          >
        </li>
      {:else}<li
          class="soft grid grid-cols-[10.5rem_minmax(0,_1fr)] gap-3 py-1 px-0 border-t border-t-seam max-sm:grid-cols-[minmax(0,_1fr)] max-sm:gap-0"
        >
          {wanted ? `Nothing has “${wanted}”.` : 'Nothing yet.'}
        </li>{/each}
    </ul>
    {#if log.length > first && !all}
      <Button onclick={() => (all = true)}>All {log.length}</Button>
    {/if}
  {/if}
</section>
