<script lang="ts">
  import Sure from '$lib/parts/Sure.svelte';
  import { onMount } from 'svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import { dayOf } from '$lib/parts/verdicts';
  import { again, type Draft } from './draft.svelte';

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
    <button class="tape plain font-normal py-0 px-3" disabled={!last} onclick={copyLast}
      >As last time{last ? `, ${dayOf(last.startsAt)}` : ''}</button
    >
    <button
      class="tape plain font-normal py-0 px-3"
      disabled={left.length === 0}
      onclick={() => draft.change({ blocks: [...draft.input.blocks, ...again(left)] })}
      >Carry over {left.length ? left.map((b) => b.title).join(', ') : ''}
    </button>
  </div>
  {#if left.length === 0}<p class="soft">Nothing was left undone last time.</p>{/if}
  {#if kept.length}
    <ul class="quiet-list">
      {#each kept as t (t.id)}
        <li class="flex gap-2 py-1 px-0">
          <button
            class="tape plain font-normal py-0 px-3"
            onclick={() => draft.change({ blocks: again(t.blocks), minutes: t.minutes })}
            >{t.name}, <span class="numeral">{t.minutes}</span> min</button
          >
          {#if session.coach}
            <button
              class="tape plain font-normal py-0 px-3"
              aria-label={`Delete ${t.name}`}
              onclick={() => {
                leaving = t;
                sure = true;
              }}>Delete</button
            >
          {/if}
        </li>
      {/each}
    </ul>
  {/if}
  {#if session.coach}
    <form class="row flex gap-2 flex-wrap items-end" onsubmit={keep}>
      <label class="field flex-1 min-w-56"
        ><span>Name of a template made of this plan</span>
        <input bind:value={name} maxlength="60" required /></label
      >
      <button class="tape plain font-normal py-0 px-3">Save as template</button>
    </form>
  {/if}

  <h2>
    Share {#if draft.changed}<span class="soft font-normal text-sm"
        >save the plan first: files hold what is saved</span
      >{/if}
  </h2>
  <div class="row flex gap-2 flex-wrap items-end">
    <a
      class="tape plain font-normal py-0 px-3"
      target="_blank"
      href={`/${team}/plan/${practice}/print?for=coach`}>Print for me</a
    >
    <a
      class="tape plain font-normal py-0 px-3"
      target="_blank"
      href={`/${team}/plan/${practice}/print?for=assistants`}>Print for assistants</a
    >
    <a class="tape plain font-normal py-0 px-3" href={file('ics')} download>Calendar file</a>
    <a class="tape plain font-normal py-0 px-3" href={file('csv')} download>CSV</a>
    <a class="tape plain font-normal py-0 px-3" href={file('json')} download>JSON</a>
    {#if session.coach}<button class="tape plain font-normal py-0 px-3" onclick={mail}
        >Mail the assistants</button
      >{/if}
  </div>
  <label class="field"
    ><span>Note to the assistants</span>
    <textarea
      rows="3"
      value={draft.input.note}
      onchange={(e) => draft.change({ note: e.currentTarget.value })}></textarea></label
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
