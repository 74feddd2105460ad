<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import type { Schemas } from '$lib/api/client';
  import { shoots } from '$lib/drills/library';
  import { session } from '$lib/state/session.svelte';
  import Note from '$lib/ui/Note.svelte';
  import Counts from './Counts.svelte';
  import Dealt from './Dealt.svelte';
  import OrderTable from './OrderTable.svelte';
  import RunThrough from './RunThrough.svelte';
  import Shots from './Shots.svelte';
  import TakePart from './TakePart.svelte';
  import type { Tonight } from './tonight.svelte';
  import Wishes from './Wishes.svelte';

  // Who runs the drill tonight, for how long, and in which order.
  let {
    team,
    tonight,
    motion,
    answers
  }: { team: string; tonight: Tonight; motion: Schemas['Motion']; answers: Schemas['Row'][] } = $props();

  const drill = $derived(tonight.drill);
  const stage = $derived(tonight.stage);
  const own = $derived(drill.positions.filter((p) => !p.helper));
  const helpers = $derived(drill.positions.filter((p) => p.helper).map((p) => p.name.toLowerCase()));
  const { jersey, name } = $derived(tonight);
  $effect(() => {
    if (tonight.players.length > 0) void tonight.deal();
  });
</script>

<section
  aria-labelledby="tonight"
  class="sheet grid gap-4 border-t-8 border-t-mark p-4 print:grid-cols-[minmax(0,1fr)] print:gap-2 print:border-0 print:p-0"
  aria-busy={tonight.dealing}
>
  <h2 id="tonight">Tonight</h2>
  <div class="grid grid-cols-3 gap-3 print:hidden">
    <Label>
      <span>Baskets</span>
      <Select placeholder="" bind:value={tonight.baskets}>
        {#each [1, 2, 3, 4, 5, 6] as b (b)}<option value={b}>{b}</option>{/each}
      </Select>
    </Label>
    <Label><span>Minutes</span><Input type="number" min="1" max="60" bind:value={tonight.minutes} /></Label>
    <Label>
      <span>Seconds a rep</span>
      <Input
        type="number"
        min="5"
        max="120"
        placeholder={String(stage.seconds)}
        bind:value={tonight.seconds}
      />
    </Label>
  </div>
  {#if helpers.length}
    <Checkbox bind:checked={tonight.noHelpers} classes={{ div: 'print:hidden' }}>
      Nobody to help: a player stands in as {helpers.join(', ')}
    </Checkbox>
  {/if}
  <TakePart players={tonight.players} bind:here={tonight.here} />
  <Wishes
    players={tonight.present}
    cues={stage.cues}
    bind:apart={tonight.apart}
    bind:together={tonight.together}
    bind:harder={tonight.harder}
  />
  {#if tonight.problem}
    <Note>{tonight.problem}</Note>
  {:else if tonight.order}
    {@const order = tonight.order}
    <Dealt {order} {own} />
    <RunThrough
      {drill}
      {motion}
      {order}
      bind:at={tonight.at}
      bind:done={tonight.done}
      {jersey}
      {name}
      ondeal={() => (tonight.seed += 1)}
    />
    <Counts {order} {own} {jersey} {name} defended={stage.defenders > 0} />
    <OrderTable {order} {own} {stage} {answers} bind:at={tonight.at} {jersey} {name} dim={tonight.dealing} />
  {/if}
  {#if !drill.action && shoots(drill)}
    {@const alone = !session.rung(drill.stages[0]?.rung ?? '')?.live}
    {#key drill.id}<Shots {team} drill={drill.id} {jersey} {name} {alone} />{/key}
  {/if}
</section>
