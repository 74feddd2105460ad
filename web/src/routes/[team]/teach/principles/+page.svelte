<script lang="ts">
  import { page } from '$app/state';
  import Input from 'flowbite-svelte/Input.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import PrinciplePicture from '$lib/offense/PrinciplePicture.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Textarea from '$lib/ui/Textarea.svelte';

  let { data } = $props();
  // The team's principles in the coach's words, with pictures of the core's; for the wall.
  const team = page.params.team ?? '';
  const at = { params: { path: { teamId: team } } };
  let view = $derived(data.view);
  let list = $derived(structuredClone(view.principles));
  let editing = $state(false);

  const pictures = [
    ['spacing', 'Spacing'],
    ['pass', 'After a pass'],
    ['screen', 'After a screen'],
    ['two', 'Two on the ball'],
    ['', 'no picture']
  ] as const;

  async function store() {
    try {
      view = await ask(
        api.PUT('/api/teams/{teamId}/principles', {
          ...at,
          body: $state.snapshot(list) as Schemas['Principle'][]
        })
      );
      editing = false;
      notices.say('The principles are saved.');
    } catch (e) {
      notices.fail(e);
    }
  }
  function move(i: number, by: number) {
    const to = i + by;
    if (to < 0 || to >= list.length) return;
    const next = [...list];
    [next[i], next[to]] = [next[to]!, next[i]!];
    list = next;
  }
</script>

<div class="page-head no-print">
  <h1>Our principles</h1>
  <span class="grow"></span>
  <Button href={`/${team}/teach/motion`}>To the offense</Button>
  {#if editing}
    <Button onclick={() => (list = [...list, { title: '', text: '', picture: '' }])}>Add one</Button>
    <Button main onclick={store}>Save</Button>
  {:else}
    {#if session.coach}<Button onclick={() => (editing = true)}>Write them</Button>{/if}
    <Button main onclick={() => print()}>Print</Button>
  {/if}
</div>

<h1 class="hidden print:block print:mb-[0.5cm]">
  {session.view?.teams.find((t) => t.id === team)?.name}
</h1>
<ol
  class="quiet-list grid grid-cols-[repeat(auto-fill,_minmax(min(34rem,_100%),_1fr))] gap-4 print:grid-cols-[1fr]"
>
  {#each list as p, i (i)}
    {@const picture = view.pictures.find((x) => x.id === p.picture)}
    <li
      class="sheet grid grid-cols-[2.6rem_minmax(0,_1fr)_minmax(15rem,_20rem)] gap-3 p-4 break-inside-avoid items-start max-sm:grid-cols-[2rem_minmax(0,_1fr)] print:border-0"
    >
      <span class="numeral no text-3xl leading-none">{i + 1}</span>
      <div class="words grid gap-2 text-base">
        {#if editing}
          <Input aria-label={`Title ${i + 1}`} maxlength={60} bind:value={p.title} />
          <Textarea
            class="cell w-full py-2 px-3 border border-line bg-sheet"
            aria-label={`Text ${i + 1}`}
            maxlength={400}
            rows={3}
            bind:value={p.text}
          />
          <div class="acts flex gap-2 flex-wrap">
            <Select placeholder="" class="w-auto pr-8" aria-label={`Picture ${i + 1}`} bind:value={p.picture}>
              {#each pictures as [id, name] (id)}<option value={id}>{name}</option>{/each}
            </Select>
            <Button aria-label={`Principle ${i + 1} up`} onclick={() => move(i, -1)}>↑</Button>
            <Button aria-label={`Principle ${i + 1} down`} onclick={() => move(i, 1)}>↓</Button>
            <Button onclick={() => (list = list.filter((_, k) => k !== i))}>Remove</Button>
          </div>
        {:else}
          <h2 class="text-lg">{p.title}</h2>
          <p>{p.text}</p>
        {/if}
      </div>
      {#if picture}<div class="picture max-sm:col-span-full">
          <PrinciplePicture {picture} lines={view.lines} />
        </div>{/if}
    </li>
  {/each}
</ol>
