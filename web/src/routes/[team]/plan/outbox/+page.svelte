<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { dayOf, hourOf } from '$lib/parts/verdicts';
  import { session } from '$lib/state/session.svelte';
  import Pages from '$lib/plan/Pages.svelte';

  // Mail that would have gone out: this Evrik writes it into files.
  let list = $state.raw<Schemas['Mail'][] | null>(null);
  let open = $state.raw<Schemas['MailText'] | null>(null);
  let failed = $state('');
  const chosen = $derived(page.url.searchParams.get('mail'));

  async function tell(what: () => Promise<void>) {
    try {
      await what();
      failed = '';
    } catch (e) {
      failed = e instanceof Error ? e.message : String(e);
    }
  }
  onMount(() =>
    tell(async () => {
      list = await ask(api.GET('/api/outbox'));
    })
  );
  $effect(() => {
    const mailId = chosen ?? list?.[0]?.id;
    if (mailId)
      tell(async () => {
        open = await ask(api.GET('/api/outbox/{mailId}', { params: { path: { mailId } } }));
      });
  });
</script>

<Pages here="outbox" />
<h1>Sent mail</h1>
<p class="soft about">
  {#if session.view?.sendsMail}What Evrik has sent for your program, as it went out.
  {:else}Simulated: nothing leaves this machine. Each message is an .eml file that any mail program opens.{/if}
</p>
{#if failed}<p role="alert" class="problem">{failed}</p>{/if}
{#if list?.length === 0}
  <p class="about">Nothing has been sent. A plan goes to the assistants from its Share tab.</p>
{:else if list}
  <div class="both">
    <ul class="quiet-list sheet" aria-label="Messages">
      {#each list as m (m.id)}
        <li>
          <a href={`?mail=${m.id}`} aria-current={open?.mail.id === m.id ? 'true' : undefined}>
            <b>{m.subject}</b>
            <span class="soft">{m.to}, {dayOf(m.at)} {hourOf(m.at)}</span>
          </a>
        </li>
      {/each}
    </ul>
    {#if open}
      <article class="sheet" aria-label="Message">
        <h2>{open.mail.subject}</h2>
        <p class="soft">To {open.mail.to}</p>
        <pre>{open.text}</pre>
        {#each open.attachments as a (a)}<p>Attached: {a}</p>{/each}
      </article>
    {/if}
  </div>
{/if}

<style>
  .about {
    max-width: 44rem;
    margin: 0.5rem 0 1rem;
  }
  .both {
    display: grid;
    grid-template-columns: minmax(16rem, 1fr) 2fr;
    gap: 1.25rem;
    align-items: start;
  }
  li + li {
    border-top: 1px solid var(--seam);
  }
  a {
    display: block;
    padding: 0.7rem 1rem;
    text-decoration: none;
    border-left: 6px solid transparent;
    overflow-wrap: anywhere;
  }
  a[aria-current] {
    border-left-color: var(--mark);
  }
  a .soft {
    display: block;
    font-size: 0.92rem;
  }
  article {
    padding: 1.1rem;
    display: grid;
    gap: 0.6rem;
  }
  pre {
    font: inherit;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }
  @media (max-width: 700px) {
    .both {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
