<script lang="ts">
  import { onDestroy, onMount } from 'svelte';
  import { page } from '$app/state';
  import Compare from '$lib/offense/Compare.svelte';
  import { OffenseLab, type Against } from '$lib/offense/lab.svelte';
  import MotionFloor from '$lib/offense/MotionFloor.svelte';
  import OwnWay from '$lib/offense/OwnWay.svelte';
  import SpreadStrip from '$lib/offense/SpreadStrip.svelte';
  import { session } from '$lib/state/session.svelte';

  const team = page.params.team ?? '';
  const lab = new OffenseLab(team);
  type Part = 'watch' | 'own' | 'compare';
  let part = $state<Part>('watch');
  const parts: [Part, string][] = [
    ['watch', 'Watch'],
    ['own', 'Our way'],
    ['compare', 'Compare']
  ];

  onMount(() => {
    lab.load();
  });
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
    list
      .map((i) => lab.view?.players.find((p) => p.id === lab.five[i])?.name ?? `player ${i + 1}`)
      .join(', ');

  function keys(e: KeyboardEvent) {
    if (e.ctrlKey || e.metaKey || e.altKey) return;
    if ((e.target as HTMLElement).closest('input, select, textarea, button, [role=button]')) return;
    if (e.key === ' ') {
      e.preventDefault();
      if (lab.player.running) lab.freeze();
      else lab.start();
    }
  }
</script>

<svelte:window onkeydown={keys} />

{#if !lab.view}
  {#if lab.problem}<p role="alert" class="problem">{lab.problem}</p>
  {:else}<p role="status" class="soft">Onto the floor…</p>{/if}
{:else}
  <div class="lab">
    <section class="floor" aria-label="The offense">
      <div class="bar">
        <select
          class="cell"
          aria-label="School"
          value={lab.variant?.base}
          onchange={(e) => lab.choose(e.currentTarget.value)}
        >
          {#each lab.view.schools as s (s.id)}
            <option value={s.id}>{s.name}{s.id === lab.view.own.base ? ' (ours)' : ''}</option>
          {/each}
        </select>
        <span class="soft">{lab.school?.about}</span>
      </div>
      <div class="court-box">
        {#if lab.pass}
          <p class="moment" role="status">
            {#if lab.covered}<b>What now?</b>
            {:else}<b>{lab.pass.answer}.</b> {names(lab.pass.players)}{/if}
          </p>
        {/if}
        <MotionFloor {lab} />
      </div>
      <div class="tools">
        {#if lab.covered}
          <button class="tape" onclick={answer}>Show it</button>
        {:else if lab.player.running}
          <button class="tape" onclick={() => lab.freeze()}>Stop here</button>
        {:else}
          <button class="tape" onclick={() => lab.start()}
            >{lab.run || lab.broken.length ? 'Go on' : 'Run it'}</button
          >
        {/if}
        <button
          class="tape plain"
          aria-pressed={lab.player.slow}
          onclick={() => (lab.player.slow = !lab.player.slow)}>Slow</button
        >
        <button class="tape plain" onclick={() => lab.restart()}>From the start</button>
        <select
          class="cell against"
          aria-label="The defense"
          value={lab.against}
          onchange={(e) => lab.face(e.currentTarget.value as Against)}
        >
          <option value="none">No defense</option>
          <option value="man">Man to man</option>
          <option value="deny">Denies the wings</option>
        </select>
        <button class="tape plain" aria-pressed={lab.asking} onclick={() => (lab.asking = !lab.asking)}
          >Ask what now</button
        >
      </div>
      {#if lab.problem}<p role="alert" class="problem">{lab.problem}</p>{/if}
    </section>
    <div class="side">
      <div role="tablist" aria-label="Motion" class="tabs">
        {#each parts as [id, name] (id)}
          <button role="tab" aria-selected={part === id} onclick={() => (part = id)}>{name}</button>
        {/each}
      </div>
      {#if part === 'watch'}
        <section class="sheet" aria-label="Rules broken">
          <h2>Rules broken</h2>
          {#each lab.shown.slice(-5) as v, i (i)}
            <p class="warn">
              <b>{lab.view.rules.find((r) => r.id === v.rule)?.name}.</b>
              {v.text} <span class="soft">{names(v.players)}</span>
            </p>
          {:else}<p class="soft">
              None. Stop the run and drag somebody off their spot: the rule they break is named, and it goes
              on from there.
            </p>{/each}
        </section>
        {#if lab.pass && !lab.covered}
          <section class="sheet" aria-label="This action">
            <h2>This action</h2>
            <p>
              <b>{lab.pass.answer}.</b>
              {names(lab.pass.players)}.
              {#if lab.pass.situation}The read is that of the {session
                  .screenName(lab.pass.situation)
                  .toLowerCase()}.{/if}
            </p>
            <p class="acts">
              {#if session.coach}
                <a class="tape" href={`/${team}/drills/edit?moment=${lab.moment}`}>Make a drill of this</a>
              {/if}
              {#if lab.pass.situation}
                <a class="tape plain" href={`/${team}/teach?screen=${lab.pass.situation}`}>Open the read</a>
              {/if}
            </p>
          </section>
        {/if}
        <SpreadStrip {lab} />
        <section class="sheet" aria-label="Who is on the floor">
          <h2>Who is on the floor</h2>
          {#each [0, 1, 2, 3, 4] as i (i)}
            <label class="row"
              ><span class="numeral">{i + 1}</span><select
                class="cell"
                aria-label={`Player ${i + 1}`}
                bind:value={lab.five[i]}
              >
                {#each lab.view.players as p (p.id)}<option
                    value={p.id}
                    disabled={lab.five.includes(p.id) && lab.five[i] !== p.id}>{p.jersey} {p.name}</option
                  >{/each}
              </select></label
            >
          {/each}
        </section>
        <p class="acts">
          <a class="tape plain" href={`/${team}/teach/motion/steps?school=${lab.school?.id ?? ''}`}
            >Step by step</a
          >
          <a class="tape plain" href={`/${team}/teach/motion/bench?school=${lab.school?.id ?? ''}`}
            >When they take it away</a
          >
          <a class="tape plain" href={`/${team}/teach/principles`}>Our principles</a>
          <a class="tape plain" href={`/${team}/teach`}>To the reads</a>
        </p>
      {:else if part === 'own'}
        <section class="sheet"><OwnWay {lab} /></section>
      {:else}
        <section class="sheet"><Compare {lab} /></section>
      {/if}
    </div>
  </div>
{/if}

<style>
  .lab {
    display: grid;
    grid-template-columns: minmax(0, 1.5fr) minmax(20rem, 1fr);
    gap: 1.25rem;
    align-items: start;
  }
  .floor {
    display: grid;
    grid-template-rows: auto minmax(20rem, 1fr) auto auto;
    gap: 0.6rem;
    height: calc(100dvh - 6.6rem);
    max-height: 60rem;
  }
  .bar {
    display: grid;
    grid-template-columns: 16rem 1fr;
    gap: 1rem;
    align-items: center;
    line-height: 1.25;
  }
  .bar select {
    font-weight: 700;
    font-size: 1.1rem;
    padding-right: 2.2rem;
  }
  .court-box {
    position: relative;
    min-height: 0;
  }
  .against {
    width: 11.5rem;
    min-height: 48px;
    padding-right: 2.2rem;
  }
  .moment {
    position: absolute;
    top: 0.3rem;
    left: 0.4rem;
    z-index: 2;
    background: var(--sheet);
    border-left: 8px solid var(--mark);
    padding: 0.35rem 0.8rem;
    max-width: 60%;
  }
  .tools,
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
  }
  section .acts {
    margin-top: 0.6rem;
  }
  .side {
    display: grid;
    gap: 0.8rem;
    min-width: 0;
  }
  .side section {
    padding: 0.8rem 1rem;
    min-width: 0;
    overflow-x: auto;
  }
  .row {
    display: grid;
    grid-template-columns: 1.6rem 1fr;
    gap: 0.5rem;
    align-items: center;
    margin-top: 0.3rem;
  }
  @media (max-width: 960px) {
    .lab {
      grid-template-columns: minmax(0, 1fr);
    }
    .floor {
      height: auto;
    }
    .bar {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
