<script lang="ts">
  import { onMount } from 'svelte';
  import { v4 as newId } from 'uuid';
  import Input from 'flowbite-svelte/Input.svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import Button from '$lib/ui/Button.svelte';

  // What to shoot at home, and what went in. What is typed stays until it is sent.
  let { key }: { key: string } = $props();

  type Side = Schemas['HomeSide'];
  interface Entry {
    id: string;
    right: Side;
    left: Side;
  }
  const empty = (): Entry => ({
    id: newId(),
    right: { made: 0, tried: 0 },
    left: { made: 0, tried: 0 }
  });
  const sides = ['right', 'left'] as const;

  let work = $state.raw<Schemas['HomeWork'] | null>(null);
  let entries = $state<Record<string, Entry>>({});
  let said = $state<Record<string, string>>({});
  const params = $derived({ path: { quizKey: key } });

  function take(to: Schemas['HomeWork']) {
    work = to;
    for (const d of to.drills) entries[d.id] ??= empty();
  }
  onMount(async () => {
    const to = await ask(api.GET('/api/quiz/{quizKey}/home', { params })).catch(() => null);
    if (to) take(to);
  });

  async function tell(drill: string) {
    const entry = entries[drill];
    if (!entry) return;
    try {
      const body = { ...$state.snapshot(entry), drill, at: new Date().toISOString() };
      take(await ask(api.POST('/api/quiz/{quizKey}/home', { params, body })));
      entries[drill] = empty();
      said[drill] = 'Saved. Your coach sees it.';
    } catch (e) {
      said[drill] = e instanceof Error ? e.message : String(e);
    }
  }
  const cell = 'w-16 min-h-12 border border-(--line) bg-(--sheet) px-2 text-center text-lg text-(--ink)';
</script>

{#if work && work.drills.length}
  <section class="mt-4 grid gap-3" aria-label="At home">
    <h2 class="text-lg font-bold">At home</h2>
    {#each work.drills as d (d.id)}
      {@const entry = entries[d.id]}
      <details class="border-l-6 border-(--mark) pl-3">
        <summary class="min-h-12 cursor-pointer py-2 font-bold">{d.name}{d.say ? `: ${d.say}` : ''}</summary>
        <p>{d.about}</p>
        <p class="soft">{[...d.rules, ...d.watch].join('. ')}.</p>
        {#if entry}
          {#each sides as side (side)}
            <p class="my-2 flex items-center gap-2">
              <span class="w-14">{side === 'right' ? 'Right' : 'Left'}</span>
              <Input
                class={cell}
                type="number"
                min="0"
                max="500"
                inputmode="numeric"
                aria-label={`Made, ${side} side, ${d.name}`}
                bind:value={entry[side].made}
              />
              of
              <Input
                class={cell}
                type="number"
                min="0"
                max="500"
                inputmode="numeric"
                aria-label={`Shots, ${side} side, ${d.name}`}
                bind:value={entry[side].tried}
              />
            </p>
          {/each}
          <Button main onclick={() => tell(d.id)}>Save makes</Button>
          {#if said[d.id]}<p role="status">{said[d.id]}</p>{/if}
        {/if}
        {#if d.told.length}
          <p class="soft">
            Before: {d.told
              .slice(-3)
              .map((h) => `${h.right.made + h.left.made} of ${h.right.tried + h.left.tried}`)
              .join(', ')}.
          </p>
        {/if}
      </details>
    {/each}
  </section>
{/if}
