<script lang="ts">
  import Toggle from 'flowbite-svelte/Toggle.svelte';
  import { page } from '$app/state';
  import { viewKeys, views } from '$lib/parts/views';
  import Start from '$lib/help/Start.svelte';
  import Words from '$lib/help/Words.svelte';
  import { shortcuts } from '$lib/state/shortcuts.svelte';

  let { data } = $props();
  const team = $derived(page.params.team ?? '');
  const keyed = $derived(views.filter((v) => viewKeys[v.id]));
</script>

<div class="page-head"><h1>Help</h1></div>
<div class="grid items-start gap-x-12 gap-y-8 md:grid-cols-[minmax(0,5fr)_minmax(0,4fr)]">
  <div class="md:order-2 md:sticky md:top-4"><div class="grid gap-8"><Start {team} /></div></div>
  <div>
    <Words {team} entries={data.entries} />
    <section class="mt-8" aria-labelledby="keys">
      <h2 id="keys" class="mb-1 text-xl">Keys</h2>
      <p class="text-soft">1 to {views.length} open the views; ? lists the keys of the view you are in.</p>
      <Toggle checked={shortcuts.on} onchange={(e) => shortcuts.set(e.currentTarget.checked)}
        >Letters and numbers work as shortcuts on this device</Toggle
      >
      {#each keyed as v (v.id)}
        <h3 class="mt-4 mb-1 font-bold">{v.name}</h3>
        <dl class="grid grid-cols-[9rem_1fr] gap-x-4 gap-y-1">
          {#each viewKeys[v.id] ?? [] as [key, what] (key)}
            <dt class="numeral">{key}</dt>
            <dd class="text-soft">{what}</dd>
          {/each}
        </dl>
      {/each}
    </section>
  </div>
</div>
