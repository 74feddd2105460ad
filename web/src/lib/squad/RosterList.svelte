<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { chosen } from '$lib/parts/chosen';
  import { PlayerList, type Use } from './list.svelte';
  import RosterChanges from './RosterChanges.svelte';
  import Button from '$lib/ui/Button.svelte';
  import FileButton from '$lib/ui/FileButton.svelte';
  import Textarea from '$lib/ui/Textarea.svelte';

  // A list of players from wherever the coach has it: pasted, or a file. What it would change is shown
  // before it is saved.
  let { team, onchange }: { team: string; onchange: () => void } = $props();

  const list = $derived(new PlayerList(team));
  const example = '12 Ada\n7 Bo\n23 Cleo';

  const uses: [Use, string][] = [
    ['ignore', 'Leave out'],
    ['jersey', 'Number'],
    ['name', 'Name'],
    ['first', 'First name'],
    ['last', 'Last name (initial)'],
    ['position', 'Position'],
    ['handler', 'Handler'],
    ['wing', 'Wing'],
    ['big', 'Big'],
    ['shooter', 'Shooter']
  ];

  const count = (n: number) => `${n} ${n === 1 ? 'player' : 'players'}`;

  async function save() {
    await list.save();
    onchange();
  }
  function choose(e: Event) {
    const file = chosen(e);
    if (file) void list.choose(file);
  }
</script>

<section class="sheet grid gap-4 border-t-8 border-t-mark p-4" aria-label="Paste or import a list">
  <div>
    <h2>Paste a list</h2>
    <p class="text-soft">
      Names and numbers in any order, one player a line, or cells of a spreadsheet. A number and a short name
      are all that is kept of a child: no birth date, no photo, no contact.
    </p>
  </div>
  {#if list.file}
    <p class="flex flex-wrap items-center gap-3">
      <b>{list.file.name}</b><Button onclick={() => list.clear()}>Remove</Button>
    </p>
  {:else}
    <Textarea
      class="w-full font-sans"
      rows={6}
      bind:value={list.text}
      oninput={() => list.typed()}
      aria-label="List of players"
      placeholder={example}
    />
  {/if}
  {#if list.preview && list.preview.columns.length > 2}
    <fieldset class="grid gap-x-3 gap-y-2 sm:grid-cols-2 md:grid-cols-4">
      <legend class="mb-1 text-sm text-soft">What the columns hold</legend>
      {#each list.preview.columns as c, i (i)}
        <label>
          <span class="block truncate text-sm">
            <b>{c.header || `Column ${i + 1}`}</b> <span class="text-soft">{c.sample.join(', ')}</span>
          </span>
          <Select
            aria-label={`Column ${c.header || i + 1}`}
            items={uses.map(([value, name]) => ({ value, name }))}
            value={c.use}
            placeholder=""
            onchange={(e) => list.use(i, (e.currentTarget as HTMLSelectElement).value as Use)}
          />
        </label>
      {/each}
    </fieldset>
  {/if}
  {#if list.preview}
    <RosterChanges preview={list.preview} />
    {#if list.unfit > 0 && list.preview.changes.length > 0}
      <Checkbox bind:checked={list.skip}>
        Leave out {list.unfit === 1 ? 'the line that does' : `the ${list.unfit} lines that do`} not fit
      </Checkbox>
    {/if}
  {/if}
  <div class="flex flex-wrap items-center gap-3">
    {#if list.preview}
      <Button main disabled={!list.ready || list.busy} onclick={save}
        >{list.changes.length ? `Save ${count(list.changes.length)}` : 'Nothing to save'}</Button
      >
      <Button onclick={() => list.clear()}>Cancel</Button>
    {:else}
      <FileButton name="Choose a file…" accept=".csv,.txt,.xlsx,text/csv" onchange={choose} />
      <a class="px-2 py-3" href="/roster-example.csv" download>Example file</a>
    {/if}
  </div>
</section>
