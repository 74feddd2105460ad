<script lang="ts">
  import Panel from '$lib/parts/Panel.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { session } from '$lib/state/session.svelte';
  import AfterRep from './AfterRep.svelte';
  import { type Floor } from './floor.svelte';
  import { isShot, type Logged } from './replog.svelte';
  import Button from '$lib/ui/Button.svelte';

  // Everything logged, newest first, and one of it said anew or taken back.
  let {
    floor,
    rep = $bindable(null),
    open = $bindable(false)
  }: {
    floor: Floor;
    rep: Logged | null;
    open: boolean;
  } = $props();

  const name = (id: string | undefined) => floor.players.get(id ?? '')?.name ?? '';
  const jersey = (id: string | undefined) => floor.players.get(id ?? '')?.jersey ?? '';
  // Saying it anew makes another event: the rep is found again by what it is about.
  const shown = $derived(
    rep &&
      floor.log.findLast(
        (l) =>
          l.event.id === rep?.event.id ||
          (l.event.repNo === rep?.event.repNo &&
            l.event.block === rep?.event.block &&
            l.event.role === rep?.event.role &&
            l.event.player === rep?.event.player)
      )
  );
  const reads = $derived(
    shown?.event.block === floor.line.current?.block.id ? floor.readsOf(shown?.event.role ?? '') : []
  );
</script>

<Panel bind:open title={shown ? `Rep ${shown.event.repNo}: ${name(shown.event.player)}` : 'Logged'}>
  {#if shown}
    {#if isShot(shown)}
      <p class="mb-3">Shot <b>{shown.correct ? 'made' : 'missed'}</b>, {shown.event.side} side.</p>
      <Button onclick={() => shown && floor.amend(shown, { made: shown.correct ? '' : 'make' })}
        >{shown.correct ? 'It was missed' : 'It was made'}</Button
      >
    {:else}
      <p class="mb-3">
        Showed <b>{session.cueName(shown.event.cue ?? '').toLowerCase()}</b>, {shown.event.side} side: asked for
        <b>{session.readName(shown.expected).toLowerCase()}</b>, made
        <b>{session.readName(shown.event.made ?? '').toLowerCase()}</b>{shown.event.late ? ', late' : ''}.
      </p>
      {#if reads.length > 0}
        <div class="reads flex flex-wrap gap-2 mb-3" role="group" aria-label="What was made">
          {#each [...reads, ''] as r (r)}
            <Button
              aria-pressed={shown.event.made === r}
              onclick={() => shown && floor.amend(shown, { made: r })}
            >
              <ReadGlyph read={r} size={36} />{r ? session.readName(r) : 'No read'}
            </Button>
          {/each}
        </div>
      {/if}
      <AfterRep {floor} rep={shown} wrap />
    {/if}
    <div class="foot flex flex-wrap gap-2 mt-4 mr-0 mb-0 ml-0">
      <Button
        onclick={() => {
          if (shown) floor.takeBack(shown);
          rep = null;
        }}>Delete this rep</Button
      >
      <Button onclick={() => (rep = null)}>All logged reps</Button>
    </div>
  {:else}
    <ol class="quiet-list">
      {#each floor.log.toReversed() as l (l.event.id)}
        <li>
          <button
            class="grid grid-cols-[3rem_8rem_2.5rem_1fr] items-center gap-2 w-full min-h-14 border-b border-b-seam text-inherit text-left cursor-pointer"
            onclick={() => (rep = l)}
          >
            <span class="numeral text-xl">{jersey(l.event.player)}</span>
            <span>{name(l.event.player)}</span>
            <ReadGlyph read={l.event.made ?? ''} size={28} />
            <span
              >{session.readName(l.event.made ?? '')}{l.correct
                ? ''
                : `, not ${session.readName(l.expected).toLowerCase()}`}</span
            >
          </button>
        </li>
      {:else}
        <li class="soft">Nothing is logged yet.</li>
      {/each}
    </ol>
  {/if}
</Panel>
