<script lang="ts">
  import TabList from '$lib/parts/TabList.svelte';
  import Panel from '$lib/parts/Panel.svelte';
  import type { Floor } from './floor.svelte';
  import { horn } from './horn';
  import People from './People.svelte';
  import Displays from './Displays.svelte';
  import Button from '$lib/ui/Button.svelte';

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
    ['displays', 'Second screen']
  ] as const;
  const baskets = [
    [0, 'Both baskets'],
    [1, 'Basket 1'],
    [2, 'Basket 2']
  ] as const;
  const twoBaskets = $derived((floor.line.current?.order?.baskets ?? 1) > 1);

  function then(act: () => void) {
    act();
    open = false;
  }
</script>

<Panel bind:open title="More">
  <TabList
    label="More"
    class="mb-4"
    tabs={parts.map(([id, name]) => ({ id, name }))}
    chosen={part}
    onchoose={(id) => (part = id)}
  />
  {#if part === 'people'}
    <People {floor} />
  {:else if part === 'displays'}
    <Displays {team} practice={floor.run?.practice.id ?? ''} />
  {:else}
    <p class="soft">Who is judged here</p>
    <div class="flex mb-4" role="radiogroup" aria-label="Who is judged">
      {#each floor.parts as [id, label] (id)}
        <Button
          class="flex-1 rounded-none -ml-[-2px] py-0 px-2"
          role="radio"
          aria-checked={floor.rota.whose === id}
          onclick={() => then(() => (floor.rota.judge = id))}>{label}</Button
        >
      {/each}
    </div>
    {#if twoBaskets}
      <p class="soft">Which basket is logged here</p>
      <div class="flex mb-4" role="radiogroup" aria-label="Which basket is logged here">
        {#each baskets as [n, label] (n)}
          <Button
            class="flex-1 rounded-none -ml-[-2px] py-0 px-2"
            role="radio"
            aria-checked={floor.rota.basket === n}
            onclick={() => then(() => (floor.rota.basket = n))}>{label}</Button
          >
        {/each}
      </div>
    {/if}
    <Button
      class="w-full font-normal"
      aria-pressed={floor.rota.beside}
      onclick={() => then(() => (floor.rota.beside = !floor.rota.beside))}
      >Watch the same reps as somebody else</Button
    >
    <p class="soft">
      Each of you logs every rep; it counts once, and the squad’s page says how far you see the same.
    </p>
    <div class="acts grid grid-cols-[repeat(auto-fit,_minmax(9rem,_1fr))] gap-2 mt-4">
      <Button onclick={() => horn()}>Horn</Button>
      <Button disabled={!floor.rep} onclick={() => then(() => floor.swap())}>Swap side</Button>
      <Button aria-pressed={covered} onclick={() => then(() => (covered = !covered))}
        >{covered ? 'Show the cue' : 'Cover the cue'}</Button
      >
      <Button disabled={floor.line.at === 0} onclick={() => then(() => floor.goTo(-1))}>Block before</Button>
    </div>
  {/if}
</Panel>
