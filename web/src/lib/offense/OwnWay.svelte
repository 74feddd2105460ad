<script lang="ts">
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import type { OffenseLab } from './lab.svelte';

  // The team's own way of the school: rules on or off, and how often what follows a pass.
  let { lab }: { lab: OffenseLab } = $props();

  const switches = [
    ['noStanding', 'Nobody stands after a pass'],
    ['noThird', 'Never three inside the arc'],
    ['filled', 'Fill the empty spot'],
    ['apart', 'Twelve feet between neighbours'],
    ['behind', 'Off the line'],
    ['oneScreen', 'No two screens in a row']
  ] as const;
  const often = [
    [0, 'only when nothing else fits'],
    [1, 'as often as others'],
    [2, 'twice as often'],
    [4, 'four times as often']
  ] as const;

  // What has one answer only, and no choice.
  const always = ['denied', 'out'];

  async function store() {
    try {
      await lab.store();
      notices.say('This is the team’s way now.');
    } catch (e) {
      notices.fail(e);
    }
  }
</script>

{#if lab.variant && lab.school}
  <h3>After a pass</h3>
  {#each lab.school.answers.filter((a) => !always.includes(a.on)) as a (a.id)}
    <label class="field"
      ><span>{a.name}</span><select
        value={lab.variant.weights[a.id] ?? a.weight}
        onchange={(e) =>
          lab.variant &&
          lab.change({ weights: { ...lab.variant.weights, [a.id]: Number(e.currentTarget.value) } })}
      >
        {#each often as [n, name] (n)}<option value={n}>{name}</option>{/each}
        {#if !often.some(([n]) => n === (lab.variant?.weights[a.id] ?? a.weight))}<option
            value={lab.variant.weights[a.id] ?? a.weight}>as the school has it</option
          >{/if}
      </select></label
    >
  {/each}
  <h3>Where a wing is denied</h3>
  {#each lab.school.answers.filter((a) => always.includes(a.on)) as a (a.id)}<p class="soft">
      {a.name}.
    </p>{/each}
  <h3>Rules we hold to</h3>
  {#each switches as [id, name] (id)}
    <label class="check"
      ><input
        type="checkbox"
        checked={lab.variant.switches[id]}
        onchange={(e) =>
          lab.variant && lab.change({ switches: { ...lab.variant.switches, [id]: e.currentTarget.checked } })}
      />{name}</label
    >
  {/each}
  <h3>With the dribble</h3>
  {#each lab.school.dribbles as d (d)}<p class="soft">{d}</p>{/each}
  {#if session.coach}<button class="tape" onclick={store}>Make it the team’s way</button>{/if}
{/if}

<style>
  h3 {
    font-weight: 700;
    margin: 0.7rem 0 0.3rem;
  }
  .field {
    margin-bottom: 0.4rem;
  }
  .tape {
    margin-top: 0.7rem;
  }
</style>
