<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';
  import AllActions from './AllActions.svelte';
  import CourtFields from './CourtFields.svelte';
  import LocalRule from './LocalRule.svelte';
  import PaceFields from './PaceFields.svelte';
  import Screening from './Screening.svelte';

  // A team's settings. They are changed in the form, and put back when the server's answer comes.
  let { team = $bindable(), onsave }: { team: Schemas['Team']; onsave: (saved: Schemas['Team']) => void } =
    $props();

  let busy = $state(false);
  // A zone the browser does not list stays in the list while it is the team's.
  const zones = $derived([...new Set([...Intl.supportedValuesOf('timeZone'), 'UTC', team.zone])]);

  async function save(e: SubmitEvent) {
    e.preventDefault();
    busy = true;
    try {
      const { id, name, season, ages, court, metric, teamRules, pace, zone, localRule, ownPace } = team;
      const body = {
        name,
        season,
        ages,
        court,
        metric,
        teamRules,
        zone,
        localRule,
        ...(ownPace ? { pace } : {})
      };
      onsave(await ask(api.PUT('/api/teams/{teamId}', { params: { path: { teamId: id } }, body })));
      await session.load();
      notices.say('The settings are saved.');
    } catch (e) {
      notices.fail(e);
    } finally {
      busy = false;
    }
  }
</script>

<form class="sheet grid gap-3 p-4" onsubmit={save}>
  <h2>Team</h2>
  <Label
    ><span>Team's name</span><Input bind:value={team.name} maxlength={80} disabled={!session.head} /></Label
  >
  <Label><span>Season</span><Input bind:value={team.season} maxlength={80} disabled={!session.head} /></Label>
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
  <LocalRule bind:team />
  <CourtFields bind:team />
  <AllActions team={team.id} bind:on={team.teamRules.allActions} />
  <Screening bind:team />
  <PaceFields bind:team />
  {#if session.head}<Button type="submit" main disabled={busy}>Save settings</Button>{:else}<p class="soft">
      The head coach can change these.
    </p>{/if}
</form>
