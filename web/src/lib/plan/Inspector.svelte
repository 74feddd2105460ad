<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import type { Player } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import type { Draft } from './draft.svelte';
  import Brief from './Brief.svelte';
  import StaffJobs from './StaffJobs.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';
  import Fold from '$lib/ui/Fold.svelte';

  // The chosen block: what it is, why it is there, and what could be instead.
  let { draft, players }: { draft: Draft; players: Player[] } = $props();

  const b = $derived(draft.block);
  const drill = $derived(b ? session.drill(b.drill) : undefined);
  const timed = $derived(draft.sheet?.blocks.find((t) => t.id === b?.id));
  const said = $derived(draft.sheet?.warnings.filter((w) => w.block === b?.id) ?? []);
  const group = $derived(players.filter((p) => b?.players.includes(p.id)));

  const number = (e: Event) => Number((e.currentTarget as HTMLInputElement).value);
  const text = (e: Event) => (e.currentTarget as HTMLInputElement | HTMLSelectElement).value;

  function toggle(id: string) {
    if (!b) return;
    const all = b.players.length ? b.players : players.map((p) => p.id);
    const next = all.includes(id) ? all.filter((p) => p !== id) : [...all, id];
    draft.changeBlock(b.id, { players: next.length === players.length ? [] : next });
  }
</script>

{#if b}
  <section class="sheet block grid gap-3 p-4" aria-label="Chosen block">
    {#if timed?.brief.for || draft.reason}
      <div class="why grid gap-2 pb-3 border-b border-b-seam">
        {#if timed?.brief.for}<Brief brief={timed.brief} />{:else if draft.reason}<p>
            {draft.reason.text}
          </p>{/if}
        {#if draft.reason?.swaps.length}
          <p class="soft">Next best for the same minutes:</p>
          <ul class="quiet-list">
            {#each draft.reason.swaps as s (s.block.drill + s.block.stage)}
              <li class="flex gap-3 items-center py-[0.15rem] px-0">
                <Button class="py-0 px-3 font-normal text-left" onclick={() => draft.swap(b.id, s.block)}
                  >{s.text}</Button
                >
                <span class="soft">
                  {#if s.less < 0.5}gives as much{:else}<b class="numeral">{Math.round(s.less)}</b> fewer reps of
                    the goals{/if}
                </span>
              </li>
            {/each}
          </ul>
        {/if}
      </div>
    {/if}
    {#if timed?.problem}<Note>{timed.problem}</Note>{/if}
    {#each said as w (w.text)}<Note warn>{w.text} <span class="soft">{w.source}.</span></Note>{/each}
    <div class="row flex gap-2 flex-wrap items-end">
      <Label class="min-w-22 flex-[2.4]">
        <span>Title</span>
        <Input value={b.title} maxlength={60} onchange={(e) => draft.changeBlock(b.id, { title: text(e) })} />
      </Label>
      <Label class="flex-1 min-w-22">
        <span>Minutes</span>
        <Input
          type="number"
          min="1"
          max="60"
          value={b.minutes}
          onchange={(e) => draft.changeBlock(b.id, { minutes: number(e) })}
        />
      </Label>
    </div>
    {#if drill}
      <div class="row flex gap-2 flex-wrap items-end">
        <Label class="min-w-22 flex-[2.4]">
          <span>Stage</span>
          <Select
            placeholder=""
            value={b.stage}
            onchange={(e) => draft.changeBlock(b.id, { stage: text(e) })}
          >
            {#each drill.stages as s (s.id)}<option value={s.id}
                >{session.rung(s.rung)?.number}. {s.name}</option
              >{/each}
          </Select>
        </Label>
        <Label class="flex-1 min-w-22">
          <span>Baskets</span>
          <Select
            placeholder=""
            value={b.baskets}
            onchange={(e) => draft.changeBlock(b.id, { baskets: Number(text(e)) })}
          >
            {#each [1, 2, 3, 4, 5, 6] as n (n)}<option value={n}>{n}</option>{/each}
          </Select>
        </Label>
        <Label class="flex-1 min-w-22">
          <span>Seconds a rep</span>
          <Input
            type="number"
            min="5"
            max="120"
            placeholder={String(drill.stages.find((s) => s.id === b.stage)?.seconds ?? '')}
            value={b.seconds || ''}
            onchange={(e) => draft.changeBlock(b.id, { seconds: number(e) })}
          />
        </Label>
      </div>
    {/if}
    {#if b.kind !== 'water'}
      <div class="row flex gap-2 flex-wrap items-end">
        <Label class="min-w-22 flex-[2.4]">
          <span>Where</span>
          <Select
            placeholder=""
            value={b.basket}
            onchange={(e) => draft.changeBlock(b.id, { basket: Number(text(e)) })}
          >
            <option value={0}>The whole floor</option>
            <option value={1}>Basket 1, beside basket 2</option>
            <option value={2}>Basket 2, beside basket 1</option>
          </Select>
        </Label>
        {#if drill?.stages.find((s) => s.id === b.stage)?.coachShows}
          <Checkbox
            checked={b.playerShows}
            onchange={() => draft.changeBlock(b.id, { playerShows: !b.playerShows })}
            classes={{ div: 'flex-1' }}
          >
            A player shows the cue
          </Checkbox>
        {/if}
        {#if b.kind === 'own'}
          <Checkbox
            checked={b.play}
            onchange={() => draft.changeBlock(b.id, { play: !b.play })}
            classes={{ div: 'flex-1' }}
          >
            Live play
          </Checkbox>
        {/if}
        {#if drill?.positions.some((p) => p.helper)}
          <Checkbox
            checked={b.noHelpers}
            onchange={() => draft.changeBlock(b.id, { noHelpers: !b.noHelpers })}
            classes={{ div: 'flex-1' }}
          >
            Players stand in for helpers
          </Checkbox>
        {/if}
      </div>
      <Fold
        >{#snippet title()}<span
            >Who takes part: {b.players.length ? group.map((p) => p.name).join(', ') : 'everybody'}</span
          >{/snippet}
        <ul class="quiet-list [columns:2]">
          {#each players as p (p.id)}
            <li>
              <Checkbox
                checked={!b.players.length || b.players.includes(p.id)}
                onchange={() => toggle(p.id)}
                classes={{ div: 'flex-1' }}
              >
                {p.name}
              </Checkbox>
            </li>
          {/each}
        </ul>
      </Fold>
    {/if}
    {#if b.kind !== 'water'}
      <StaffJobs block={b} onchange={(staff) => draft.changeBlock(b.id, { staff })} />
    {/if}
    {#each timed?.notes ?? [] as n (n)}<p class="soft">{n}</p>{/each}
    <div class="row no-print flex gap-2 flex-wrap items-end">
      {#if b.kind !== 'water'}
        <Button
          class="min-h-12 py-0 px-3 font-normal"
          aria-pressed={b.pin}
          onclick={() => draft.togglePin(b.id)}>Pin</Button
        >
      {/if}
      <Button class="min-h-12 py-0 px-3 font-normal" onclick={() => draft.move(b.id, -1)}>Earlier</Button>
      <Button class="min-h-12 py-0 px-3 font-normal" onclick={() => draft.move(b.id, 1)}>Later</Button>
      <Button class="min-h-12 py-0 px-3 font-normal" onclick={() => draft.remove(b.id)}>Remove</Button>
    </div>
  </section>
{:else}
  <p class="soft">Choose a block on the sheet to change it, or add one.</p>
{/if}
