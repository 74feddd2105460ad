<script lang="ts">
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
    act(async () => {
      const { minutes, blocks } = draft.input;
      const made = await ask(
        api.POST('/api/teams/{teamId}/templates', {
          params: { path: { teamId: team } },
          body: { name, minutes, blocks }
        })
      );
      kept = [...kept, made];
      name = '';
      return 'The plan is kept for another evening.';
    });
  };

  const forget = (t: Schemas['Template']) =>
    act(async () => {
      await ask(
        api.DELETE('/api/teams/{teamId}/templates/{templateId}', {
          params: { path: { teamId: team, templateId: t.id } }
        })
      );
      kept = kept.filter((k) => k.id !== t.id);
      return `${t.name} is forgotten.`;
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
      return `In the outbox for ${sent}.`;
    });

  const file = (format: string) => `/api/teams/${team}/practices/${practice}/export?format=${format}`;
</script>

<section class="share" aria-label="Take over and give out">
  <h2>Take over</h2>
  <div class="row">
    <button class="tape plain" disabled={!last} onclick={copyLast}
      >As last time{last ? `, ${dayOf(last.startsAt)}` : ''}</button
    >
    <button
      class="tape plain"
      disabled={left.length === 0}
      onclick={() => draft.change({ blocks: [...draft.input.blocks, ...again(left)] })}
      >Carry over {left.length ? left.map((b) => b.title).join(', ') : ''}
    </button>
  </div>
  {#if left.length === 0}<p class="soft">Nothing was left undone last time.</p>{/if}
  {#if kept.length}
    <ul class="quiet-list">
      {#each kept as t (t.id)}
        <li>
          <button
            class="tape plain"
            onclick={() => draft.change({ blocks: again(t.blocks), minutes: t.minutes })}
            >{t.name}, <span class="numeral">{t.minutes}</span> min</button
          >
          {#if session.coach}
            <button class="tape plain" aria-label={`Forget ${t.name}`} onclick={() => forget(t)}
              >Forget</button
            >
          {/if}
        </li>
      {/each}
    </ul>
  {/if}
  {#if session.coach}
    <form class="row" onsubmit={keep}>
      <label class="field"
        ><span>Keep this plan for another evening as</span>
        <input bind:value={name} maxlength="60" required /></label
      >
      <button class="tape plain">Keep it</button>
    </form>
  {/if}

  <h2>
    Give out {#if draft.changed}<span class="soft">save the plan first: files hold what is saved</span>{/if}
  </h2>
  <div class="row">
    <a class="tape plain" target="_blank" href={`/${team}/plan/${practice}/print?for=coach`}>Print for me</a>
    <a class="tape plain" target="_blank" href={`/${team}/plan/${practice}/print?for=assistants`}
      >Print for assistants</a
    >
    <a class="tape plain" href={file('ics')} download>Calendar file</a>
    <a class="tape plain" href={file('csv')} download>CSV</a>
    <a class="tape plain" href={file('json')} download>JSON</a>
    {#if session.coach}<button class="tape plain" onclick={mail}>Mail the assistants</button>{/if}
  </div>
  <label class="field"
    ><span>Note to the assistants</span>
    <textarea
      rows="3"
      value={draft.input.note}
      onchange={(e) => draft.change({ note: e.currentTarget.value })}></textarea></label
  >
</section>

<style>
  .share {
    display: grid;
    gap: 0.75rem;
  }
  .row {
    display: flex;
    gap: 0.5rem;
    flex-wrap: wrap;
    align-items: end;
  }
  .row .field {
    flex: 1;
    min-width: 14rem;
  }
  .tape {
    font-weight: 400;
    padding: 0 0.8rem;
  }
  li {
    display: flex;
    gap: 0.5rem;
    padding: 0.2rem 0;
  }
  h2 .soft {
    font-weight: 400;
    font-size: 0.9rem;
  }
</style>
