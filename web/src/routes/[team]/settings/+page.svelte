<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { api, ask } from '$lib/api/client';
  import AllActions from '$lib/settings/AllActions.svelte';
  import Audit from '$lib/settings/Audit.svelte';
  import Keeping from '$lib/settings/Keeping.svelte';
  import Password from '$lib/settings/Password.svelte';
  import Teams from '$lib/settings/Teams.svelte';
  import Staff from '$lib/settings/Staff.svelte';
  import Feed from '$lib/plan/Feed.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';

  const path = { teamId: page.params.team ?? '' };
  let { data } = $props();
  // Changed in the form, and put back when the server's answer comes.
  let given = $derived(data.team);
  let team = $derived.by(() => {
    const form = $state(structuredClone(given));
    return form;
  });
  let custom = $derived(given.court.preset === 'custom');

  const speeds = [
    ['top', 'Top speed, ft/s'],
    ['accel', 'Acceleration, ft/s²'],
    ['react', 'Reaction, s'],
    ['pass', 'Chest or bounce pass, ft/s'],
    ['skip', 'Pass over a head, ft/s']
  ] as const;

  const rules = [
    ['maxMinutes', 'Longest practice, min', 'maxMinutes'],
    ['maxPerWeek', 'Practices a week, at most', 'maxPerWeek'],
    ['maxHours', 'Hours a week, at most', 'maxHours'],
    ['restDays', 'Rest days a week, at least', 'restDays']
  ] as const;
  const guideline = $derived(session.catalogue?.ages.find((a) => a.band === team.ages));
  // A zone the browser does not list stays in the list while it is the team's.
  const zones = $derived([...new Set([...Intl.supportedValuesOf('timeZone'), 'UTC', team.zone])]);

  async function act(what: () => Promise<void>, said: string) {
    try {
      await what();
      notices.say(said);
    } catch (e) {
      notices.fail(e);
    }
  }

  const save = (e: SubmitEvent) => {
    e.preventDefault();
    void act(async () => {
      const { name, season, ages, court, metric, school, pace, zone, localRule } = team;
      given = await ask(
        api.PUT('/api/teams/{teamId}', {
          params: { path },
          body: {
            name,
            season,
            ages,
            court,
            metric,
            school,
            zone,
            localRule,
            pace: team.ownPace ? pace : undefined
          }
        })
      );
      await session.load();
    }, 'The settings are saved.');
  };

  function choose(id: string) {
    custom = id === 'custom';
    const preset = session.catalogue?.courts.find((c) => c.id === id);
    team.court = preset ? { ...preset.court } : { ...team.court, preset: 'custom' };
  }

  async function out(everywhere: boolean) {
    await session.signOut(everywhere);
    await goto('/');
  }

  const lengths = [
    ['width', 'Width'],
    ['halfLength', 'Half the length'],
    ['arcRadius', 'Three-point radius'],
    ['arcGap', 'Straight part to the sideline (0: computed)'],
    ['laneWidth', 'Lane width'],
    ['freeThrow', 'Free-throw line from the board'],
    ['board', 'Board from the baseline']
  ] as const;
</script>

<h1>Settings</h1>
<div
  class="grid grid-cols-[repeat(2,_minmax(0,_1fr))] gap-4 mt-4 items-start max-md:grid-cols-[minmax(0,_1fr)]"
>
  <form class="sheet grid gap-3 p-4" onsubmit={save}>
    <h2>Team</h2>
    <Label
      ><span>Team's name</span><Input bind:value={team.name} maxlength={80} disabled={!session.head} /></Label
    >
    <Label
      ><span>Season</span><Input bind:value={team.season} maxlength={80} disabled={!session.head} /></Label
    >
    <Label>
      <span>Age group</span>
      <Select placeholder="" bind:value={team.ages} disabled={!session.head}>
        {#each session.catalogue?.ages ?? [] as a (a.band)}<option value={a.band}>{a.name}</option>{/each}
      </Select>
    </Label>
    <Label>
      <span>Time zone</span>
      <Select placeholder="" bind:value={team.zone} disabled={!session.head}>
        {#each zones as z (z)}<option value={z}>{z.replaceAll('_', ' ')}</option>{/each}
      </Select>
    </Label>
    <h2>Local rule</h2>
    <p class="soft">
      What your federation, league or school says goes before the guideline{guideline
        ? ` (${guideline.source})`
        : ''}. An empty field leaves the guideline's figure.
    </p>
    <div class="grid grid-cols-[1fr_1fr] gap-2">
      {#each rules as [key, label, of] (key)}
        <Label
          ><span>{label}</span><Input
            type="number"
            min="0"
            placeholder={guideline ? String(guideline[of]) : ''}
            value={team.localRule[key] || ''}
            onchange={(e) => team && (team.localRule[key] = Number(e.currentTarget.value))}
            disabled={!session.head}
          /></Label
        >
      {/each}
    </div>
    <h2>Floor</h2>
    <Label>
      <span>Court</span>
      <Select
        placeholder=""
        value={custom ? 'custom' : team.court.preset}
        onchange={(e) => choose(e.currentTarget.value)}
        disabled={!session.head}
      >
        {#each session.catalogue?.courts ?? [] as c (c.id)}<option value={c.id}>{c.name}</option>{/each}
        <option value="custom">Our own gym, measured</option>
      </Select>
    </Label>
    {#if custom}
      <div class="grid grid-cols-[1fr_1fr] gap-2">
        {#each lengths as [key, label] (key)}
          <Label
            ><span>{label}, ft</span><Input type="number" step="any" bind:value={team.court[key]} /></Label
          >
        {/each}
      </div>
    {:else}
      <p class="soft">{session.catalogue?.courts.find((c) => c.id === team?.court.preset)?.source}</p>
    {/if}
    <AllActions team={team.id} bind:on={team.school.allActions} />
    <h2>Our way of screening</h2>
    <Label>
      <span>When the defender goes under</span>
      <Select placeholder="" bind:value={team.school.fadeToCorner} disabled={!session.head}>
        <option value={false}>Stop behind the screener and shoot; the screener re-screens</option>
        <option value={true}>Fade to the corner and use the re-screen there</option>
      </Select>
    </Label>
    <Label>
      <span>When the defender jumps the screen</span>
      <Select placeholder="" bind:value={team.school.flareFirst} disabled={!session.head}>
        <option value={false}>Back cut first</option>
        <option value={true}>Flare out first</option>
      </Select>
    </Label>
    <Label>
      <span>When the guard goes under a ball screen</span>
      <Select placeholder="" bind:value={team.school.shootFirst} disabled={!session.head}>
        <option value={false}>Use it again, lower</option>
        <option value={true}>Stop behind the screen and shoot</option>
      </Select>
    </Label>
    <h2>How fast they move</h2>
    <Checkbox bind:checked={team.ownPace} disabled={!session.head} classes={{ div: 'own' }}
      >Our own figures, not those of the age group</Checkbox
    >
    <p class="soft">
      They decide who comes open, and by how much. All are assumptions until somebody takes the time.
    </p>
    <div class="grid grid-cols-[1fr_1fr] gap-2">
      {#each speeds as [key, label] (key)}
        <Label
          ><span>{label}</span><Input
            type="number"
            step="any"
            bind:value={team.pace[key]}
            disabled={!session.head || !team.ownPace}
          /></Label
        >
      {/each}
    </div>
    {#if session.head}<Button type="submit" main>Save settings</Button>{:else}<p class="soft">
        The head coach can change these.
      </p>{/if}
  </form>

  <div class="grid gap-5 content-start">
    {#if session.coach}<Staff known={data} />{/if}
    <Feed bind:team />
    {#if session.head}
      <Teams here={path.teamId} known={data.teams} />
      <Keeping />
      <Audit />
    {/if}
    <Password />
    <section class="sheet grid gap-3 p-4">
      <h2>You</h2>
      <p>{session.view?.me?.name}, {session.view?.program}</p>
      <div class="flex gap-2 flex-wrap">
        <Button onclick={() => out(false)}>Sign out</Button>
        <Button onclick={() => out(true)}>Sign out everywhere</Button>
      </div>
    </section>
  </div>
</div>
