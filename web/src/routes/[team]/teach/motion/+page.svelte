<script lang="ts">
  import { onDestroy } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import Compare from '$lib/offense/Compare.svelte';
  import Editor from '$lib/offense/Editor.svelte';
  import { OffenseLab, type View } from '$lib/offense/lab.svelte';
  import Stage from '$lib/offense/Stage.svelte';
  import TabList from '$lib/parts/TabList.svelte';
  import Watching from '$lib/offense/Watching.svelte';
  import type { PageProps } from './$types';

  // A motion offense on the floor: watched, written, compared.
  let { data }: PageProps = $props();

  // A tab changes the address and nothing else: the offense on the floor stays.
  const team = $derived(page.params.team ?? '');
  const view = $derived(data.view);
  const lab = $derived(new OffenseLab(team, view));
  const parts = { watch: 'Watch', write: 'Our offense', compare: 'Compare' };
  type Part = keyof typeof parts;
  const part = $derived((page.url.searchParams.get('part') ?? 'watch') as Part);
  const open = (id: string) => goto(`?part=${id}`, { replaceState: true, keepFocus: true, noScroll: true });

  onDestroy(() => lab.player.stop());

  // Asked what comes now, the run stops when the ball leaves.
  let askedAt = $state(-1);
  $effect(() => {
    const p = lab.pass;
    if (!lab.asking || !p || !lab.player.running || p.t === askedAt) return;
    askedAt = p.t;
    lab.player.stop();
    lab.covered = true;
  });
  function answer() {
    lab.covered = false;
    askedAt = lab.pass?.t ?? -1;
    lab.player.resume();
  }
  const names = (list: number[]) =>
    list.map((i) => lab.view.players.find((p) => p.id === lab.five[i])?.name ?? `player ${i + 1}`).join(', ');
  function show(view: View) {
    lab.view = view;
  }

  function keys(e: KeyboardEvent) {
    if (e.ctrlKey || e.metaKey || e.altKey) return;
    if ((e.target as HTMLElement).closest('input, select, textarea, button, summary, [role=button]')) return;
    if (e.key === ' ') {
      e.preventDefault();
      if (lab.player.running) lab.freeze();
      else void lab.start();
    }
  }
</script>

<svelte:window onkeydown={keys} />
<svelte:head><title>Motion offense · Evrik</title></svelte:head>

<div class="grid items-start gap-5 md:grid-cols-[minmax(0,1.4fr)_minmax(22rem,1fr)]">
  <div class="md:sticky md:top-2"><Stage {lab} {names} onanswer={answer} /></div>
  <div class="grid min-w-0 gap-3">
    <TabList
      label="Motion"
      tabs={Object.entries(parts).map(([id, name]) => ({ id, name }))}
      chosen={part}
      onchoose={(id) => void open(id)}
    />
    {#if part === 'write'}<Editor {lab} onview={show} />
    {:else if part === 'compare'}<section class="sheet p-4"><Compare {lab} /></section>
    {:else}<Watching {lab} {names} />{/if}
  </div>
</div>
