<script lang="ts">
  import Panel from '$lib/parts/Panel.svelte';
  import type { Floor } from './floor.svelte';
  import { horn } from './horn';
  import People from './People.svelte';
  import Screens from './Screens.svelte';

  // Everything that is not needed every rep.
  let {
    open = $bindable(false),
    part = $bindable('tools'),
    covered = $bindable(false),
    floor,
    team
  }: { open: boolean; part: string; covered: boolean; floor: Floor; team: string } = $props();

  const parts = [
    ['tools', 'This device'],
    ['people', 'Who is here'],
    ['screens', 'Second screen']
  ] as const;
  const ends = [
    [0, 'Both baskets'],
    [1, 'Basket 1'],
    [2, 'Basket 2']
  ] as const;
  const twoEnds = $derived((floor.line.current?.order?.baskets ?? 1) > 1);

  function then(act: () => void) {
    act();
    open = false;
  }
</script>

<Panel bind:open title="More">
  <div class="strip" role="tablist">
    {#each parts as [id, name] (id)}
      <button class="tape plain" role="tab" aria-selected={part === id} onclick={() => (part = id)}
        >{name}</button
      >
    {/each}
  </div>
  {#if part === 'people'}
    <People {floor} />
  {:else if part === 'screens'}
    <Screens {team} practice={floor.run?.practice.id ?? ''} />
  {:else}
    <p class="soft">Who is judged here</p>
    <div class="choice" role="radiogroup" aria-label="Who is judged">
      {#each floor.parts as [id, label] (id)}
        <button
          class="tape plain"
          role="radio"
          aria-checked={floor.rota.whose === id}
          onclick={() => then(() => (floor.rota.judge = id))}>{label}</button
        >
      {/each}
    </div>
    {#if twoEnds}
      <p class="soft">Which end is logged here</p>
      <div class="choice" role="radiogroup" aria-label="Which end is logged here">
        {#each ends as [n, label] (n)}
          <button
            class="tape plain"
            role="radio"
            aria-checked={floor.rota.end === n}
            onclick={() => then(() => (floor.rota.end = n))}>{label}</button
          >
        {/each}
      </div>
    {/if}
    <button
      class="tape plain beside"
      aria-pressed={floor.rota.beside}
      onclick={() => then(() => (floor.rota.beside = !floor.rota.beside))}
      >Watch the same reps as somebody else</button
    >
    <p class="soft">
      Each of you logs every rep; it counts once, and the squad’s page says how far you see the same.
    </p>
    <div class="acts">
      <button class="tape plain" onclick={() => horn()}>Horn</button>
      <button class="tape plain" disabled={!floor.rep} onclick={() => then(() => floor.swap())}
        >Swap side</button
      >
      <button class="tape plain" aria-pressed={covered} onclick={() => then(() => (covered = !covered))}
        >{covered ? 'Show the cue' : 'Cover the cue'}</button
      >
      <button class="tape plain" disabled={floor.line.at === 0} onclick={() => then(() => floor.goTo(-1))}
        >Block before</button
      >
    </div>
  {/if}
</Panel>

<style>
  .strip,
  .choice {
    display: flex;
    margin-bottom: 0.9rem;
  }
  .strip .tape,
  .choice .tape {
    flex: 1;
    border-radius: 0;
    margin-left: -2px;
    padding: 0 0.4rem;
  }
  .strip .tape[aria-selected='true'] {
    background: var(--ink);
    color: var(--on-ink);
    border-color: var(--ink);
  }
  .beside {
    width: 100%;
    font-weight: 400;
  }
  .acts {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
    gap: 0.6rem;
    margin-top: 1.2rem;
  }
</style>
