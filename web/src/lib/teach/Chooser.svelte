<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import Sketch from '$lib/court/Sketch.svelte';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import { session } from '$lib/state/session.svelte';
  import { families } from './families';
  import Button from '$lib/ui/Button.svelte';

  // Choose what to teach: by family and picture, or by saying what is seen.
  let {
    team,
    current,
    open = $bindable(false),
    onchoose
  }: {
    team: string;
    current: string;
    open?: boolean;
    onchoose: (action: string, cue?: string) => void;
  } = $props();

  let dialog = $state<HTMLDialogElement>();
  let words = $state('');
  let hits = $state.raw<Schemas['Hit'][] | null>(null);
  let problem = $state('');
  let asked = 0;

  $effect(() => {
    if (open && !dialog?.open) dialog?.showModal();
    if (!open && dialog?.open) dialog.close();
  });

  async function search() {
    const mine = ++asked;
    const text = words.trim();
    if (text === '') {
      hits = null;
      return;
    }
    try {
      const found = await ask(
        api.GET('/api/teams/{teamId}/search', {
          params: { path: { teamId: team }, query: { words: text.slice(0, 200) } }
        })
      );
      if (mine === asked) {
        hits = found;
        problem = '';
      }
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  }

  function choose(action: string, cue?: string) {
    open = false;
    words = '';
    hits = null;
    onchoose(action, cue);
  }

  /** Escape leaves at once; a search field would only empty itself. */
  function escape(e: KeyboardEvent) {
    if (e.key !== 'Escape') return;
    e.preventDefault();
    open = false;
  }

  function submit(e: SubmitEvent) {
    e.preventDefault();
    const first = hits?.[0];
    if (first) choose(first.action, first.cue);
  }
</script>

<dialog
  class="w-[min(70rem,_calc(100vw_-_2rem))] max-h-[calc(100dvh_-_2rem)] [margin:1rem_auto] pt-4 pr-6 pb-6 pl-6 bg-sheet text-ink border-0 border-t-10 border-t-mark overflow-y-auto backdrop:[background:rgb(16_28_36_/_55%)]"
  bind:this={dialog}
  aria-label="What to teach"
  onclose={() => (open = false)}
>
  <form class="grid grid-cols-[1fr_auto] gap-3 items-end mb-2" onsubmit={submit}>
    <Label>
      <span>Say what you see, or pick below</span>
      <Input
        type="search"
        bind:value={words}
        onkeydown={escape}
        oninput={search}
        placeholder="the defender goes under on the flare"
        autocomplete="off"
        maxlength={200}
      />
    </Label>
    <Button type="button" onclick={() => (open = false)}>Close</Button>
  </form>
  {#if problem}<p role="alert">{problem}</p>{/if}
  {#if hits}
    {#if hits.length === 0}
      <p class="soft" role="status">
        No line of the tables says that. Name the screen and what the defender does.
      </p>
    {:else}
      <ul class="quiet-list grid gap-2" aria-label="Found">
        {#each hits as h (h.action + h.cue)}
          <li>
            <button
              class="w-full min-h-14 items-center gap-2 py-1 px-2 border-2 border-seam bg-board text-left leading-[1.15] cursor-pointer grid grid-cols-[auto_14rem_10rem_1fr] max-sm:grid-cols-[auto_1fr] hover:border-ink"
              onclick={() => choose(h.action, h.cue)}
            >
              <CueGlyph cue={h.cue} size={34} />
              <b>{h.name}</b>
              <span>{session.cueName(h.cue)}</span>
              <span class="soft">{session.readName(h.read)}</span>
            </button>
          </li>
        {/each}
      </ul>
    {/if}
  {:else}
    {#each families as f (f.id)}
      <h2 class="text-base mt-3 mr-0 mb-1 ml-0">
        {f.name} <span class="soft font-normal ml-2">{f.about}</span>
      </h2>
      <ul
        class="quiet-list grid grid-cols-[repeat(auto-fill,_minmax(12.6rem,_1fr))] gap-2 max-sm:grid-cols-[1fr_1fr]"
      >
        {#each (session.catalogue?.actions ?? []).filter((s) => s.family === f.id) as s (s.id)}
          <li>
            <button
              class="w-full min-h-14 flex items-center gap-2 py-1 px-2 border-2 border-seam bg-board text-left leading-[1.15] cursor-pointer hover:border-ink [&[aria-current]]:border-ink [&[aria-current]]:[box-shadow:inset_0_-6px_0_var(--mark)]"
              aria-current={s.id === current ? 'true' : undefined}
              onclick={() => choose(s.id)}
            >
              <Sketch sketch={s.sketch} />
              <span
                >{s.name}{#if session.leftOut(team)?.actions.includes(s.id)}
                  <small class="soft block">not at this age</small>{/if}</span
              >
            </button>
          </li>
        {/each}
      </ul>
    {/each}
  {/if}
</dialog>
