<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Sure from '$lib/parts/Sure.svelte';
  import { onMount } from 'svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import { dayOf } from '$lib/state/teamclock';
  import { again, type Draft } from './draft.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Textarea from '$lib/ui/Textarea.svelte';

  // Where blocks come from besides the planner, and how a plan leaves the page.
  let { draft, team, practice }: { draft: Draft; team: string; practice: string } = $props();

  const path = $derived({ teamId: team, practiceId: practice });
  let kept = $state.raw<Schemas['Template'][]>([]);
  let last = $state.raw<Schemas['PracticeSummary'] | undefined>(undefined);
  let left = $state.raw<Schemas['Block'][]>([]);
  let name = $state('');
  let sent = $state('');

  onMount(async () => {
    try {
      const teamId = { teamId: team };
      const [templates, practices, carry] = await Promise.all([
        ask(api.GET('/api/teams/{teamId}/templates', { params: { path: teamId } })),
        ask(api.GET('/api/teams/{teamId}/practices', { params: { path: teamId } })),
        ask(api.GET('/api/teams/{teamId}/practices/{practiceId}/carry', { params: { path } }))
      ]);
      kept = templates;
      left = carry;
      last = practices.find((p) => p.id !== practice && p.startsAt < draft.input.startsAt);
    } catch (e) {
      notices.fail(e);
    }
  });

  async function act(what: () => Promise<string>) {
    try {
      notices.say(await what());
    } catch (e) {
      notices.fail(e);
    }
  }

  const keep = (e: SubmitEvent) => {
    e.preventDefault();
    void act(async () => {
      const { minutes, blocks } = draft.input;
      const made = await ask(
        api.POST('/api/teams/{teamId}/templates', {
          params: { path: { teamId: team } },
          body: { name, minutes, blocks }
        })
      );
      kept = [...kept, made];
      name = '';
      return 'The template is saved.';
    });
  };

  let leaving = $state.raw<Schemas['Template'] | null>(null);
  let sure = $state(false);
  const remove = (t: Schemas['Template']) =>
    act(async () => {
      await ask(
        api.DELETE('/api/teams/{teamId}/templates/{templateId}', {
          params: { path: { teamId: team, templateId: t.id } }
        })
      );
      kept = kept.filter((k) => k.id !== t.id);
      return `${t.name} is deleted.`;
    });

  const copyLast = () =>
    act(async () => {
      if (!last) return '';
      const p = await ask(
        api.GET('/api/teams/{teamId}/practices/{practiceId}', {
          params: { path: { teamId: team, practiceId: last.id } }
        })
      );
      draft.change({ blocks: again(p.blocks) });
      return 'The blocks are those of the last practice. Undo brings yours back.';
    });

  const mail = () =>
    act(async () => {
      if (draft.changed) await draft.save();
      const out = await ask(
        api.POST('/api/teams/{teamId}/practices/{practiceId}/mail', { params: { path } })
      );
      sent = out.map((m) => m.to).join(', ');
      return `Mailed to ${sent}.`;
    });

  const file = (format: string) => `/api/teams/${team}/practices/${practice}/export?format=${format}`;
</script>

<section class="grid gap-3" aria-label="Start from, and share">
  <h2>Start from</h2>
  <div class="row flex gap-2 flex-wrap items-end">
    <Button class="font-normal py-0 px-3" disabled={!last} onclick={copyLast}
      >As last time{last ? `, ${dayOf(last.startsAt)}` : ''}</Button
    >
    <Button
      class="font-normal py-0 px-3"
      disabled={left.length === 0}
      onclick={() => draft.change({ blocks: [...draft.input.blocks, ...again(left)] })}
      >Carry over {left.length ? left.map((b) => b.title).join(', ') : ''}
    </Button>
  </div>
  {#if left.length === 0}<p class="soft">Nothing was left undone last time.</p>{/if}
  {#if kept.length}
    <ul class="quiet-list">
      {#each kept as t (t.id)}
        <li class="flex gap-2 py-1 px-0">
          <Button
            class="font-normal py-0 px-3"
            onclick={() => draft.change({ blocks: again(t.blocks), minutes: t.minutes })}
            >{t.name}, <span class="numeral">{t.minutes}</span> min</Button
          >
          {#if session.coach}
            <Button
              class="font-normal py-0 px-3"
              aria-label={`Delete ${t.name}`}
              onclick={() => {
                leaving = t;
                sure = true;
              }}>Delete</Button
            >
          {/if}
        </li>
      {/each}
    </ul>
  {/if}
  {#if session.coach}
    <form class="row flex gap-2 flex-wrap items-end" onsubmit={keep}>
      <Label class="flex-1 min-w-56"
        ><span>Name of a template made of this plan</span>
        <Input bind:value={name} maxlength={60} required /></Label
      >
      <Button type="submit" class="font-normal py-0 px-3">Save as template</Button>
    </form>
  {/if}

  <h2>
    Share {#if draft.changed}<span class="soft font-normal text-sm"
        >save the plan first: files hold what is saved</span
      >{/if}
  </h2>
  <div class="row flex gap-2 flex-wrap items-end">
    <Button class="font-normal py-0 px-3" target="_blank" href={`/${team}/plan/${practice}/print?for=coach`}
      >Print for me</Button
    >
    <Button
      class="font-normal py-0 px-3"
      target="_blank"
      href={`/${team}/plan/${practice}/print?for=assistants`}>Print for assistants</Button
    >
    <Button class="font-normal py-0 px-3" href={file('ics')} download>Calendar file</Button>
    <Button class="font-normal py-0 px-3" href={file('csv')} download>CSV</Button>
    <Button class="font-normal py-0 px-3" href={file('json')} download>JSON</Button>
    {#if session.coach}<Button class="font-normal py-0 px-3" onclick={mail}>Mail the assistants</Button>{/if}
  </div>
  <Label
    ><span>Note to the assistants</span>
    <Textarea
      rows={3}
      value={draft.input.note}
      onchange={(e) => draft.change({ note: e.currentTarget.value })}
    /></Label
  >
</section>
<Sure
  bind:open={sure}
  title={`Delete ${leaving?.name ?? ''}?`}
  text="The template is gone for good. Practices that were made from it stay as they are."
  act="Delete"
  onsure={() => {
    if (leaving) void remove(leaving);
  }}
/>
