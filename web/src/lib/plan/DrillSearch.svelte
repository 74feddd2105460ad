<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import { fits, shelves } from '$lib/drills/library';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';

  // A drill is found by its name, its action or what it teaches, and added with one tap.
  let { onpick }: { onpick: (drill: string) => void } = $props();

  const everything = { group: '', action: '', rung: '', level: 0, alone: false, only: null };
  let open = $state(false);
  let wanted = $state('');
  let field = $state<HTMLInputElement>();
  const groups = $derived(
    shelves(
      session.catalogue,
      session.drills.filter((d) => fits(session.catalogue, d, { ...everything, words: wanted }))
    )
  );
  const first = $derived(groups[0]?.drills[0]);

  function pick(id: string | undefined) {
    if (!id) return;
    onpick(id);
    open = false;
    wanted = '';
  }
  function keys(e: KeyboardEvent) {
    if (e.key === 'Enter') pick(first?.id);
    else if (e.key === 'Escape') open = false;
    else return;
    e.preventDefault();
  }
  $effect(() => {
    if (open) field?.focus();
  });
</script>

<div class="relative">
  <Button class="w-full" aria-expanded={open} onclick={() => (open = !open)}>+ Drill…</Button>
  {#if open}
    <div
      class="sheet absolute left-0 z-20 mt-1 grid w-96 max-w-[90vw] gap-2 p-3 shadow-lg"
      role="dialog"
      aria-label="Add a drill"
    >
      <Input
        type="search"
        aria-label="Search drills"
        placeholder="Search drills, actions, reads"
        bind:value={wanted}
        bind:elementRef={field}
        onkeydown={keys}
      />
      <div class="grid max-h-80 gap-2 overflow-y-auto">
        {#each groups as g (g.id)}
          <div role="group" aria-label={g.name}>
            <p class="soft">{g.name}</p>
            {#each g.drills as d (d.id)}
              <button
                class="block min-h-11 w-full cursor-pointer px-2 text-left hover:underline"
                class:font-bold={wanted && d.id === first?.id}
                onclick={() => pick(d.id)}>{d.name}</button
              >
            {/each}
          </div>
        {:else}
          <p class="soft">No drill has all of these words. Write one under Drills.</p>
        {/each}
      </div>
    </div>
  {/if}
</div>
