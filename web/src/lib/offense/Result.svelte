<script lang="ts">
  import Table from 'flowbite-svelte/Table.svelte';
  import TableBody from 'flowbite-svelte/TableBody.svelte';
  import TableBodyCell from 'flowbite-svelte/TableBodyCell.svelte';
  import TableBodyRow from 'flowbite-svelte/TableBodyRow.svelte';
  import TableHead from 'flowbite-svelte/TableHead.svelte';
  import TableHeadCell from 'flowbite-svelte/TableHeadCell.svelte';
  import type { Schemas } from '$lib/api/client';
  import type { OffenseLab } from './lab.svelte';

  // What a comparison came to: the difference of each figure, and who does what.
  let {
    lab,
    result,
    names
  }: { lab: OffenseLab; result: Schemas['OffenseCompared']; names: [string, string] } = $props();

  const perGame = 50; // possessions of a game
  const plain = ['broken', 'tight', 'inside', 'empty', 'apart']; // shown after the others
  type Figure = Schemas['OffenseFigure'];
  const scale = (f: Figure) => (f.unit === '%' ? 100 : f.unit === 'game' ? perGame : 1);
  const label = (f: Figure) => (f.unit === 'game' ? `${f.name}, a game` : f.name);
  const unit = (f: Figure) => (f.unit === 'game' ? '' : f.unit === '%' ? '%' : f.unit && ` ${f.unit}`);
  const digits = (f: Figure) => (f.unit === '%' ? 0 : 1);
  const say = (f: Figure, v: number) => (v * scale(f)).toFixed(digits(f));
  const rows = $derived(
    lab.view.figures
      .map((f, i) => ({ f, a: result.a.figures[i], b: result.b.figures[i], d: result.differences[i] }))
      .toSorted((x, y) => Number(plain.includes(x.f.id)) - Number(plain.includes(y.f.id)))
  );
  const sure = (d: Schemas['OffenseDifference']) =>
    !d.clear ? 'may be chance' : d.assumed ? 'smaller than the assumptions could make it' : '';
  const name = (i: number) => lab.view.players.find((p) => p.id === lab.five[i])?.name ?? `Player ${i + 1}`;
  const kinds = $derived(
    lab.view.kinds.filter((k) => (result.a.kinds[k.id] ?? 0) + (result.b.kinds[k.id] ?? 0) > 0)
  );
  const game = (s: Schemas['OffenseSummary'], kind: string) =>
    (((s.kinds[kind] ?? 0) / s.possessions) * perGame).toFixed(1);
  const table =
    'mt-4 w-full text-[15px] [&_td]:border-t [&_td]:border-(--seam) [&_td]:py-1 [&_td]:pr-2 [&_th]:text-left [&_th]:font-normal [&_th]:text-(--ink-soft)';
</script>

<Table class={table} aria-label="Compared">
  <TableHead
    ><TableHeadCell></TableHeadCell><TableHeadCell>{names[0]}</TableHeadCell><TableHeadCell
      >{names[1]}</TableHeadCell
    ><TableHeadCell>Difference</TableHeadCell></TableHead
  >
  <TableBody>
    {#each rows as { f, a, b, d } (f.id)}
      <TableBodyRow>
        <TableBodyCell>{label(f)}</TableBodyCell>
        <TableBodyCell class="numeral whitespace-nowrap">{a ? say(f, a.value) + unit(f) : ''}</TableBodyCell>
        <TableBodyCell class="numeral whitespace-nowrap">{b ? say(f, b.value) + unit(f) : ''}</TableBodyCell>
        <TableBodyCell>
          {#if d && d.mean.low === 0 && d.mean.high === 0}<span class="soft">none</span>
          {:else if d}
            <span class={['numeral', d.clear && !d.assumed && 'border-b-4 border-(--mark)']}
              >{d.mean.value > 0 ? '+' : ''}{say(f, d.mean.value)}</span
            >
            <small class="block leading-tight text-(--ink-soft)"
              >{say(f, d.mean.low)} to {say(f, d.mean.high)}{sure(d) && `, ${sure(d)}`}</small
            >
          {/if}
        </TableBodyCell>
      </TableBodyRow>
    {/each}
  </TableBody>
</Table>
<Table class={table} aria-label="Where the open looks come from">
  <TableHead
    ><TableHeadCell>Open looks a game, from</TableHeadCell><TableHeadCell>{names[0]}</TableHeadCell
    ><TableHeadCell>{names[1]}</TableHeadCell></TableHead
  >
  <TableBody>
    {#each kinds as k (k.id)}
      <TableBodyRow
        ><TableBodyCell>{k.name}</TableBodyCell><TableBodyCell class="numeral"
          >{game(result.a, k.id)}</TableBodyCell
        ><TableBodyCell class="numeral">{game(result.b, k.id)}</TableBodyCell></TableBodyRow
      >
    {/each}
  </TableBody>
</Table>
<Table class={table} aria-label="Who does what">
  <TableHead
    ><TableHeadCell>Per possession</TableHeadCell><TableHeadCell>Touches</TableHeadCell><TableHeadCell
      >Screens</TableHeadCell
    ><TableHeadCell>Cuts</TableHeadCell><TableHeadCell>Open looks</TableHeadCell></TableHead
  >
  <TableBody>
    {#each [0, 1, 2, 3, 4] as i (i)}
      <TableBodyRow>
        <TableBodyCell>{name(i)}</TableBodyCell>
        {#each ['touches', 'screens', 'cuts'] as const as f (f)}
          <TableBodyCell class="numeral"
            >{result.a[f][i]?.toFixed(1)}
            <span class="text-(--ink-soft)">· {result.b[f][i]?.toFixed(1)}</span></TableBodyCell
          >
        {/each}
        <TableBodyCell class="numeral"
          >{Math.round(100 * (result.a.looks[i] ?? 0))}%
          <span class="text-(--ink-soft)">· {Math.round(100 * (result.b.looks[i] ?? 0))}%</span
          ></TableBodyCell
        >
      </TableBodyRow>
    {/each}
  </TableBody>
</Table>
<p class="mt-1 text-[15px] text-(--ink-soft)">
  {result.a.possessions} possessions each. First number {names[0]}, second {names[1]}.
</p>
