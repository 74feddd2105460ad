<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import type { OffenseLab } from './lab.svelte';

  // Two schools by the same five on the same luck.
  let { lab }: { lab: OffenseLab } = $props();

  let other = $state('');
  let against = $state<'man' | 'deny' | 'zone'>('man');
  let busy = $state(false);
  let problem = $state('');
  let result = $state.raw<Schemas['OffenseCompared'] | null>(null);
  let names = $state(['', '']);
  const possessions = 600;

  const figures = [
    ['open', 'Possessions with an open look', 100, '%'],
    ['rim', 'of them at the rim', 100, '%'],
    ['seconds', 'Seconds until it', 1, ''],
    ['passes', 'Passes', 1, ''],
    ['apart', 'Feet between neighbours', 1, ''],
    ['tight', 'Time with two nearer than 12 ft', 100, '%'],
    ['inside', 'Bodies inside the arc', 1, ''],
    ['empty', 'Seconds with a spot empty', 1, ''],
    ['broken', 'Rules broken', 1, '']
  ] as const;
  const schools = $derived(lab.view?.schools.filter((s) => s.id !== lab.variant?.base) ?? []);

  async function compare() {
    const s = lab.view?.schools.find((x) => x.id === (other || schools[0]?.id));
    if (!s) return;
    busy = true;
    problem = '';
    try {
      const variant = {
        base: s.id,
        switches: s.switches,
        weights: Object.fromEntries(s.answers.map((a) => [a.id, a.weight]))
      };
      result = await lab.compare(variant, against, possessions);
      names = [lab.school?.name ?? '', s.name];
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    } finally {
      busy = false;
    }
  }
  const say = (m: Schemas['OffenseMean'], k: number, unit: string) =>
    `${(m.value * k).toFixed(k === 100 ? 0 : 1)}${unit}`;
  const name = (i: number) => lab.view?.players.find((p) => p.id === lab.five[i])?.name ?? `Player ${i + 1}`;
</script>

<div class="ask">
  <label class="field"
    ><span>{lab.school?.name} against</span><select
      value={other || schools[0]?.id}
      onchange={(e) => (other = e.currentTarget.value)}
    >
      {#each schools as s (s.id)}<option value={s.id}>{s.name}</option>{/each}
    </select></label
  >
  <label class="field"
    ><span>The defense plays</span><select bind:value={against}>
      <option value="man">man to man</option>
      <option value="deny">man to man, and denies the wings</option>
      <option value="zone">a two-three zone</option>
    </select></label
  >
  <button class="tape" disabled={busy} onclick={compare}>Compare them</button>
</div>
{#if problem}<p role="alert" class="problem">{problem}</p>{/if}
{#if busy}<p role="status" class="soft">Playing {possessions} possessions each…</p>{/if}
{#if result}
  <table aria-label="Compared">
    <thead><tr><th></th><th>{names[0]}</th><th>{names[1]}</th><th>Difference</th></tr></thead>
    <tbody>
      {#each figures as [id, label, k, unit] (id)}
        {@const d = result.differences.find((x) => x.figure === id)}
        <tr>
          <td>{label}</td>
          <td class="numeral">{say(result.a[id], k, unit)}</td>
          <td class="numeral">{say(result.b[id], k, unit)}</td>
          <td
            >{#if d && d.mean.low === 0 && d.mean.high === 0}<span class="soft">none</span>
            {:else if d}<span class:clear={d.clear} class="numeral"
                >{d.mean.value > 0 ? '+' : ''}{say(d.mean, k, unit)}</span
              >
              <small class="soft"
                >{(d.mean.low * k).toFixed(1)} to {(d.mean.high * k).toFixed(1)}{d.clear
                  ? ''
                  : ', may be chance'}</small
              >{/if}</td
          >
        </tr>
      {/each}
    </tbody>
  </table>
  <h3>Who does what, a possession</h3>
  <table>
    <thead><tr><th></th><th>Touches</th><th>Screens</th><th>Cuts</th><th>Open looks</th></tr></thead>
    <tbody>
      {#each [0, 1, 2, 3, 4] as i (i)}
        <tr>
          <td>{name(i)}</td>
          {#each ['touches', 'screens', 'cuts'] as const as f (f)}
            <td class="numeral"
              >{result.a[f][i]?.toFixed(1)} <span class="soft">· {result.b[f][i]?.toFixed(1)}</span></td
            >
          {/each}
          <td class="numeral"
            >{Math.round(100 * (result.a.looks[i] ?? 0))}%
            <span class="soft">· {Math.round(100 * (result.b.looks[i] ?? 0))}%</span></td
          >
        </tr>
      {/each}
    </tbody>
  </table>
{/if}
<p class="purpose">{lab.view?.purpose}</p>
<details>
  <summary class="soft">What it takes for granted</summary>
  <ul>
    {#each lab.view?.assumptions ?? [] as a (a)}<li>{a}</li>{/each}
  </ul>
</details>

<style>
  .ask {
    display: grid;
    gap: 0.6rem;
    justify-items: start;
  }
  .ask .field {
    width: 100%;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    margin-top: 0.6rem;
    font-size: 0.95rem;
  }
  th {
    text-align: left;
    font-weight: 400;
    color: var(--ink-soft);
    font-size: 0.88rem;
  }
  td {
    border-top: 1px solid var(--seam);
    padding: 0.2rem 0.5rem 0.2rem 0;
  }
  td small {
    display: block;
    line-height: 1.1;
  }
  .clear {
    font-weight: 700;
    border-bottom: 4px solid var(--mark);
  }
  h3 {
    font-weight: 700;
    margin-top: 0.9rem;
  }
  .purpose {
    margin-top: 0.8rem;
    border-left: 6px solid var(--mark);
    padding-left: 0.7rem;
  }
  details ul {
    list-style: square;
    padding-left: 1.2rem;
    font-size: 0.92rem;
  }
  summary {
    cursor: pointer;
    min-height: 44px;
    padding-top: 0.5rem;
  }
</style>
