<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { along } from '$lib/court/geometry';
  import PrinciplePicture from '$lib/offense/PrinciplePicture.svelte';
  import type { PageProps } from './$types';
  import Button from '$lib/ui/Button.svelte';

  // An offense step by step, a picture a pass, until it stands as it began; for paper.
  let { data }: PageProps = $props();

  const five = [0, 1, 2, 3, 4];
  const items = $derived([
    ...(data.view.chosen ? [{ value: 'own', name: `${data.view.own.name} (ours)` }] : []),
    ...data.view.offenses.map((o) => ({ value: o.id, name: o.name }))
  ]);
  const id = $derived(
    items.find((i) => i.value === page.url.searchParams.get('offense'))?.value ?? data.offense.id
  );
  const show = (offense: string, denied: boolean) =>
    goto(`?offense=${offense}${denied ? '&denied' : ''}`, { replaceState: true, keepFocus: true });

  const pictures = $derived.by(() => {
    const r = data.run;
    const keys = (i: number) => r.play.tracks.find((t) => t.who === `p${i}`)?.keys ?? [];
    return r.passes.map((pass, n) => {
      const end = r.passes[n + 1]?.t ?? r.play.duration;
      const ways = five
        .map((i) => [
          along(keys(i), pass.t),
          ...keys(i)
            .filter((k) => k.t > pass.t && k.t < end)
            .map((k) => k.at),
          along(keys(i), end)
        ])
        .filter((w) => w.some((p) => Math.hypot(p.x - (w[0]?.x ?? 0), p.y - (w[0]?.y ?? 0)) > 1));
      return {
        say: `${pass.from === pass.to ? `${pass.from + 1} keeps it` : `${pass.from + 1} passes to ${pass.to + 1}`}. ${pass.answer}.`,
        picture: {
          id: '',
          at: five.map((i) => along(keys(i), pass.t)),
          ball: pass.to,
          defense: [],
          ways,
          distance: []
        }
      };
    });
  });
</script>

<svelte:head><title>{data.offense.name}, step by step · Evrik</title></svelte:head>

<div class="page-head no-print">
  <h1>Step by step</h1>
  <span class="grow"></span>
  <Select
    class="w-auto min-w-60"
    placeholder=""
    aria-label="Offense"
    {items}
    value={id}
    onchange={(e) => show(e.currentTarget.value, data.denied)}
  />
  <Checkbox checked={data.denied} onchange={() => show(id, !data.denied)}>Wings denied</Checkbox>
  <Button href={`/${page.params.team}/teach/motion`}>To the offense</Button>
  <Button main onclick={() => print()}>Print</Button>
</div>

<h2 class="text-2xl">{data.offense.name}</h2>
<p class="mb-3">{data.offense.about}</p>
<ol class="quiet-list grid grid-cols-[repeat(auto-fill,minmax(min(21rem,100%),1fr))] gap-4 print:grid-cols-2">
  {#each pictures as p, i (i)}
    <li class="sheet break-inside-avoid p-3">
      <p><span class="numeral text-xl">{i + 1}</span> {p.say}</p>
      <PrinciplePicture picture={p.picture} lines={data.view.lines} />
    </li>
  {/each}
</ol>
<p class="soft mt-3">
  Each picture shows where players are as the ball arrives, and where they go until the next pass{data.denied
    ? '; the wings are denied'
    : ''}.
</p>
