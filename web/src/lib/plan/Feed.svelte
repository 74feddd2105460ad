<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { copyText } from '$lib/parts/copy';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Sure from '$lib/parts/Sure.svelte';
  import Button from '$lib/ui/Button.svelte';

  // The team's calendar address: whoever knows it sees when practice is, and
  // nothing about a player.
  let { team = $bindable() }: { team: Schemas['Team'] } = $props();

  let address = $state('');
  let ending = $state(false);
  const path = $derived({ teamId: team.id });

  async function make() {
    try {
      const made = await ask(api.POST('/api/teams/{teamId}/feed', { params: { path } }));
      address = location.origin + made.path;
      team.feed = true;
    } catch (e) {
      notices.fail(e);
    }
  }
  async function end() {
    try {
      await ask(api.DELETE('/api/teams/{teamId}/feed', { params: { path } }));
      address = '';
      team.feed = false;
      notices.say('The address does not work any more.');
    } catch (e) {
      notices.fail(e);
    }
  }
  const copy = () => copyText(address, 'The address is copied.');
</script>

<section class="sheet grid gap-3 p-4" aria-label="Calendar">
  <h2>Calendar of practices</h2>
  <p>
    An address that calendars subscribe to. It holds times and block titles, no player. Whoever has it can
    read it, so hand it on with care; a new one or none ends the old.
  </p>
  {#if address}
    <Label><span>The address, shown this once</span><Input readonly value={address} /></Label>
    <Button onclick={copy}>Copy it</Button>
  {:else}
    <p class="soft">{team.feed ? 'An address is in use.' : 'There is no address now.'}</p>
  {/if}
  {#if session.head}
    <div class="row flex gap-2 flex-wrap">
      <Button onclick={make}>{team.feed ? 'Make a new address' : 'Make an address'}</Button>
      {#if team.feed}<Button onclick={() => (ending = true)}>End the address</Button>{/if}
    </div>
  {/if}
</section>
<Sure
  bind:open={ending}
  title="End the calendar address?"
  text="Calendars that use it stop being told of practices."
  act="End it"
  onsure={end}
/>
