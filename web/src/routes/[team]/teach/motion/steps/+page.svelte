<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { along } from '$lib/court/geometry';
  import { wayOf } from '$lib/offense/lab.svelte';
  import PrinciplePicture from '$lib/offense/PrinciplePicture.svelte';

  // A school step by step, a picture a pass, until it stands as it began; for paper.
  const team = page.params.team ?? '';
  const at = { params: { path: { teamId: team } } };
  const passes = 6; // pictures on a page
  const five = [0, 1, 2, 3, 4];
  let view = $state.raw<Schemas['OffenseView'] | null>(null);
  let run = $state.raw<Schemas['OffenseRun'] | null>(null);
  let chosen = $state(page.url.searchParams.get('school') ?? '');
  let denied = $state(false);
  let problem = $state('');
  const school = $derived(view?.schools.find((s) => s.id === chosen));

  onMount(async () => {
    try {
      view = await ask(api.GET('/api/teams/{teamId}/offense', at));
      if (!view.schools.some((s) => s.id === chosen)) chosen = view.own.base;
      await show();
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  });

  async function show() {
    const i = view?.schools.findIndex((s) => s.id === chosen) ?? -1;
    const s = view?.schools[i];
    const standing = view?.starts[i];
    if (!view || !s || !standing) return;
    run = await ask(
      api.POST('/api/teams/{teamId}/offense/watch', {
        ...at,
        body: { variant: wayOf(view, s), standing, passes, defended: false, deny: denied, seed: 1 }
      })
    );
  }

  const pictures = $derived.by(() => {
    const r = run;
    if (!r) return [];
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

<div class="page-head no-print">
  <h1>Step by step</h1>
  <span class="grow"></span>
  {#if view}
    <select class="cell pick" aria-label="School" bind:value={chosen} onchange={show}>
      {#each view.schools as s (s.id)}<option value={s.id}>{s.name}</option>{/each}
    </select>
  {/if}
  <label class="check"><input type="checkbox" bind:checked={denied} onchange={show} />Wings denied</label>
  <a class="tape plain" href={`/${team}/teach/motion`}>To the offense</a>
  <button class="tape" onclick={() => print()}>Print</button>
</div>

{#if problem}<p role="alert" class="problem">{problem}</p>
{:else if !view || !run || !school}<p role="status" class="soft">Setting it up…</p>
{:else}
  <h2 class="name">{school.name}</h2>
  <p class="about">{school.about}</p>
  <ol class="quiet-list">
    {#each pictures as p, i (i)}
      <li class="sheet">
        <p><span class="numeral">{i + 1}</span> {p.say}</p>
        <PrinciplePicture picture={p.picture} lines={view.lines} />
      </li>
    {/each}
  </ol>
  <p class="soft">
    Places as the ball arrives, and the ways until the next pass; without defense{denied
      ? ' but with the wings denied'
      : ''}, as one run of it goes.
  </p>
{/if}

<style>
  .pick {
    width: auto;
    min-width: 15rem;
  }
  .name {
    font-size: 1.4rem;
  }
  .about {
    margin-bottom: 0.8rem;
  }
  ol {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(21rem, 1fr));
    gap: 1rem;
    margin-bottom: 0.8rem;
  }
  li {
    padding: 0.6rem 0.8rem 0.8rem;
    break-inside: avoid;
    display: flex;
    flex-direction: column;
    justify-content: space-between;
    gap: 0.4rem;
  }
  li .numeral {
    font-size: 1.7rem;
    margin-right: 0.3rem;
  }
  @media print {
    ol {
      grid-template-columns: 1fr 1fr;
      gap: 0.5rem;
    }
  }
</style>
