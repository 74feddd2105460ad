<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { notices } from '$lib/state/notices.svelte';
  import { marks } from './roles';
  import Button from '$lib/ui/Button.svelte';

  // One player more, typed in.
  let { team, onchange }: { team: string; onchange: () => void } = $props();

  const blank = (): Schemas['PlayerInput'] => ({
    jersey: '',
    name: '',
    handler: false,
    wing: false,
    big: false,
    shooter: false
  });
  let fresh = $state(blank());
  let busy = $state(false);

  async function add(e: SubmitEvent) {
    e.preventDefault();
    busy = true;
    try {
      await ask(api.POST('/api/teams/{teamId}/players', { params: { path: { teamId: team } }, body: fresh }));
      notices.say(`${fresh.name} is on the roster.`);
      fresh = blank();
    } catch (err) {
      notices.fail(err);
    } finally {
      busy = false;
      onchange();
    }
  }
</script>

<form class="sheet flex flex-wrap items-end gap-x-4 gap-y-2 p-4" onsubmit={add} aria-label="New player">
  <Label class="w-20">
    Jersey
    <Input bind:value={fresh.jersey} inputmode="numeric" maxlength={2} required />
  </Label>
  <Label class="w-56 max-sm:flex-1">
    Short name
    <Input bind:value={fresh.name} maxlength={24} required autocomplete="off" />
  </Label>
  {#each marks as [key, label] (key)}
    <Checkbox bind:checked={fresh[key]}>{label}</Checkbox>
  {/each}
  <span class="grow"></span>
  <Button type="submit" disabled={busy}>Add</Button>
</form>
