<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import Sure from '$lib/parts/Sure.svelte';
  import { dayOf } from '$lib/state/teamclock';
  import { copyText } from '$lib/parts/copy';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';

  type Role = Schemas['StaffRole']['role'];

  // Who works with the program, and the one-time links by which others come in.
  let { known }: { known: { staff: Schemas['Person'][]; open: Schemas['Invitation'][] } } = $props();
  let staff = $derived(known.staff);
  let open = $derived(known.open);
  let fresh = $state<Schemas['NewInvitation']>({ email: '', role: 'assistant' });
  let link = $state('');
  let sentTo = $state('');
  let leaving = $state<Schemas['Person'] | null>(null);
  let sure = $state(false);
  let busy = $state(false);

  const roles: [Role, string][] = [
    ['assistant', 'plan, run and log (assistant)'],
    ['viewer', 'view only (viewer)'],
    ['head', 'change everything (head coach)']
  ];

  async function load() {
    staff = await ask(api.GET('/api/staff'));
    if (session.head) open = await ask(api.GET('/api/invitations'));
  }

  async function act(what: () => Promise<void>) {
    busy = true;
    try {
      await what();
    } catch (e) {
      notices.fail(e);
    } finally {
      busy = false;
    }
  }

  const invite = (e: SubmitEvent) => {
    e.preventDefault();
    void act(async () => {
      const made = await ask(api.POST('/api/invitations', { body: fresh }));
      link = location.origin + made.path;
      sentTo = made.invitation.email;
      fresh = { email: '', role: 'assistant' };
      await load();
    });
  };

  const withdraw = (i: Schemas['Invitation']) =>
    act(async () => {
      await ask(api.DELETE('/api/invitations/{invitationId}', { params: { path: { invitationId: i.id } } }));
      link = '';
      await load();
      notices.say(`The link for ${i.email} does not work any more.`);
    });

  const setRole = (p: Schemas['Person'], role: string) =>
    act(async () => {
      await ask(
        api.PUT('/api/staff/{staffId}', { params: { path: { staffId: p.id } }, body: { role: role as Role } })
      );
      await load();
      notices.say(`${p.name} may now ${roles.find(([r]) => r === role)?.[1]}.`);
    });

  const remove = () =>
    act(async () => {
      if (!leaving) return;
      await ask(api.DELETE('/api/staff/{staffId}', { params: { path: { staffId: leaving.id } } }));
      notices.say(`${leaving.name} can no longer sign in.`);
      await load();
    });

  const copy = () => copyText(link, 'The link is copied.');
</script>

<section class="sheet grid gap-3 p-4" aria-label="Coaches">
  <h2>Coaches</h2>
  <ul class="quiet-list">
    {#each staff as p (p.id)}
      <li class="flex justify-between items-center gap-3 py-1 px-0 flex-wrap">
        <span class="wrap-anywhere"><b>{p.name}</b> <span class="soft wrap-anywhere">{p.email}</span></span>
        {#if session.head && p.id !== session.view?.me?.id}
          <span class="acts wrap-anywhere flex gap-2">
            <Select
              placeholder=""
              class="w-38 pr-8"
              aria-label={`What ${p.name} may do`}
              value={p.role}
              disabled={busy}
              onchange={(e) => setRole(p, e.currentTarget.value)}
            >
              <option value="head">head coach</option><option value="assistant">assistant</option><option
                value="viewer">viewer</option
              >
            </Select>
            <Button
              onclick={() => {
                leaving = p;
                sure = true;
              }}>Remove {p.name}</Button
            >
          </span>
        {:else}<span class="soft wrap-anywhere">{p.role === 'head' ? 'head coach' : p.role}</span>{/if}
      </li>
    {/each}
  </ul>
  {#if session.head}
    {#if open.length}
      <h2>Invited</h2>
      <ul class="quiet-list">
        {#each open as i (i.id)}
          <li class="flex justify-between items-center gap-3 py-1 px-0 flex-wrap">
            <span class="wrap-anywhere"
              ><b>{i.email}</b>
              <span class="soft wrap-anywhere"
                >{i.role === 'head' ? 'head coach' : i.role}, until {dayOf(i.until)}</span
              ></span
            >
            <Button disabled={busy} onclick={() => withdraw(i)}>Cancel invitation</Button>
          </li>
        {/each}
      </ul>
    {/if}
    <form
      class="grid gap-3 pt-3 pr-0 pb-0 pl-0 border-t border-t-seam grid-cols-[minmax(0,_1fr)_minmax(0,_1fr)_auto] items-end max-md:grid-cols-[minmax(0,_1fr)]"
      onsubmit={invite}
      aria-label="Invite a coach"
    >
      <Label
        ><span>Email</span><Input type="email" bind:value={fresh.email} required autocomplete="off" /></Label
      >
      <Label>
        <span>May</span>
        <Select placeholder="" bind:value={fresh.role}>
          {#each roles as [id, name] (id)}<option value={id}>{name}</option>{/each}
        </Select>
      </Label>
      <Button type="submit" disabled={busy}>Invite</Button>
    </form>
    {#if link}
      <div class="grid gap-2 justify-items-start border-l-8 border-l-mark pl-3" role="status">
        <p>
          It was mailed to {sentTo}. Whoever opens this link first makes the account; it works once, for a
          week, and is not shown again:
        </p>
        <code class="wrap-anywhere [user-select:all]">{link}</code>
        <Button onclick={copy}>Copy</Button>
      </div>
    {/if}
  {/if}
</section>

<Sure
  bind:open={sure}
  title={`Remove ${leaving?.name ?? ''}?`}
  text="The account ends at once, on every device. What was logged stays."
  act="Remove"
  onsure={remove}
/>
