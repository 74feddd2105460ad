<script lang="ts">
  import Modal from 'flowbite-svelte/Modal.svelte';
  import { goto } from '$app/navigation';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';

  // The program's teams: added, put away when their season is over, deleted for good.
  let { here, known }: { here: string; known: Schemas['TeamEntry'][] } = $props();

  let teams = $derived(known);
  let name = $state('');
  let ages = $state('12-14');
  let busy = $state(false);
  let leaving = $state.raw<Schemas['TeamEntry'] | null>(null);
  let asking = $state(false);
  let typed = $state('');

  async function load() {
    teams = await ask(api.GET('/api/teams'));
  }

  async function act(what: () => Promise<unknown>, said: string) {
    busy = true;
    try {
      await what();
      await Promise.all([load(), session.load()]);
      notices.say(said);
      return true;
    } catch (e) {
      notices.fail(e);
      return false;
    } finally {
      busy = false;
    }
  }

  async function add(e: SubmitEvent) {
    e.preventDefault();
    const made = name;
    if (
      await act(
        () => ask(api.POST('/api/teams', { body: { name, ages } })),
        `${made} is added. Choose it at the top.`
      )
    )
      name = '';
  }

  const archive = (t: Schemas['TeamEntry'], archived: boolean) =>
    act(
      () =>
        ask(
          api.PUT('/api/teams/{teamId}/archived', { params: { path: { teamId: t.id } }, body: { archived } })
        ),
      archived ? `${t.name} is archived. Everything it has stays.` : `${t.name} is back.`
    ).then(leaveIfGone);

  async function remove(e: SubmitEvent) {
    e.preventDefault();
    const t = leaving;
    if (!t) return;
    const done = await act(
      () =>
        ask(
          api.POST('/api/teams/{teamId}/delete', {
            params: { path: { teamId: t.id } },
            body: { name: typed }
          })
        ),
      `${t.name} is deleted.`
    );
    if (!done) return;
    asking = false;
    leaveIfGone();
  }

  function leaveIfGone() {
    if (!session.view?.teams.some((t) => t.id === here)) void goto('/');
  }
</script>

<section class="sheet grid gap-3 p-[1.1rem]" aria-label="Teams">
  <h2>Teams</h2>
  <ul class="quiet-list">
    {#each teams as t (t.id)}
      <li class="flex flex-wrap items-center justify-between gap-2 py-1">
        <span>
          <b>{t.name}</b>
          <span class="soft">{t.season}, {t.players} players{t.archived ? ', archived' : ''}</span>
        </span>
        <span class="flex gap-2">
          <Button
            aria-label={`${t.archived ? 'Bring back' : 'Archive'} ${t.name}`}
            disabled={busy}
            onclick={() => archive(t, !t.archived)}>{t.archived ? 'Bring back' : 'Archive'}</Button
          >
          <Button
            aria-label={`Delete ${t.name}`}
            disabled={busy}
            onclick={() => {
              leaving = t;
              typed = '';
              asking = true;
            }}>Delete…</Button
          >
        </span>
      </li>
    {/each}
  </ul>
  <form
    class="grid items-end gap-3 border-t border-[var(--seam)] pt-3 sm:grid-cols-[1fr_1fr_auto]"
    onsubmit={add}
  >
    <Label><span>New team</span><Input bind:value={name} required maxlength={80} /></Label>
    <Label>
      <span>Ages of the new team</span>
      <Select placeholder="" bind:value={ages}>
        {#each session.catalogue?.ages ?? [] as a (a.band)}<option value={a.band}>{a.name}</option>{/each}
      </Select>
    </Label>
    <Button type="submit" disabled={busy}>Add team</Button>
  </form>
</section>

<Modal bind:open={asking} title={`Delete ${leaving?.name ?? ''}?`} size="sm" class="rounded-sm">
  <form class="grid gap-4 text-base text-[var(--ink)]" onsubmit={remove}>
    <p>
      Its players, practices, games and every rep are gone for good, on every device. To put it away and keep
      everything, archive it instead.
    </p>
    <Label
      ><span>Type the team's name to delete it</span><Input
        bind:value={typed}
        required
        autocomplete="off"
      /></Label
    >
    <div class="flex gap-3">
      <Button type="submit" main disabled={busy || typed.trim() !== leaving?.name}>Delete</Button>
      <Button type="button" onclick={() => (asking = false)}>Cancel</Button>
    </div>
  </form>
</Modal>
