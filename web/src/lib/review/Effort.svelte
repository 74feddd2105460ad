<script lang="ts">
  import Select from 'flowbite-svelte/Select.svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { notices } from '$lib/state/notices.svelte';
  import Button from '$lib/ui/Button.svelte';

  // How hard it was, told in one tap, for the team or for one player.
  let { path, view }: { path: { teamId: string; practiceId: string }; view: Schemas['ReviewView'] } =
    $props();

  type Ratings = Record<string, number | undefined>;
  const everybody = '';
  const stored = $derived<Ratings>({
    [everybody]: view.efforts.team,
    ...Object.fromEntries(view.efforts.players.map((p) => [p.player, p.effort]))
  });
  let told = $state<Ratings>({});
  let who = $state(everybody);
  const ratings = $derived<Ratings>({ ...stored, ...told });
  const words = ['rest', '', 'easy', '', 'some', '', 'hard', '', 'very hard', '', 'the most'];
  const took = $derived(view.players.filter((p) => view.review.players.some((r) => r.player === p.id)));
  const own = $derived(took.filter((p) => ratings[p.id] !== undefined).length);

  async function rate(n: number) {
    const effort = ratings[who] === n ? undefined : n;
    const before = ratings[who];
    told = { ...told, [who]: effort };
    try {
      const body = { effort: effort ?? null, ...(who ? { player: who } : {}) };
      await ask(api.PUT('/api/teams/{teamId}/practices/{practiceId}/effort', { params: { path }, body }));
    } catch (e) {
      told = { ...told, [who]: before };
      notices.fail(e);
    }
  }
</script>

<section class="sheet no-print grid content-start gap-3 p-4" aria-label="How hard was it?">
  <h2>How hard was it?</h2>
  <div class="grid grid-cols-6 gap-1 lg:grid-cols-11" role="group" aria-label="Effort from 0 to 10">
    {#each words as word, n (n)}
      <Button
        class="min-w-0 p-0"
        aria-pressed={ratings[who] === n}
        aria-label={word ? `${n}, ${word}` : String(n)}
        onclick={() => rate(n)}><span class="numeral text-xl">{n}</span></Button
      >
    {/each}
  </div>
  <p class="soft flex justify-between"><span>0 rest</span><span>5 some</span><span>10 the most</span></p>
  <label class="flex flex-wrap items-center gap-3">
    <span>For</span>
    <Select placeholder="" bind:value={who}>
      <option value={everybody}>the team</option>
      {#each took as p (p.id)}<option value={p.id}
          >{p.name}{ratings[p.id] === undefined ? '' : `: ${ratings[p.id]}`}</option
        >{/each}
    </Select>
    {#if own}<span class="soft">{own} of {took.length} told their own.</span>{/if}
  </label>
</section>
