<script lang="ts">
  import { dayOf, hourOf } from '$lib/state/teamclock';
  import { session } from '$lib/state/session.svelte';
  import Pages from '$lib/plan/Pages.svelte';

  // Mail that would have gone out: this Evrik writes it into files.
  let { data } = $props();
  const { list, open } = $derived(data);
</script>

<Pages here="outbox" />
<h1>Sent mail</h1>
<p class="soft about max-w-176 mt-2 mr-0 mb-4 ml-0">
  {#if session.view?.sendsMail}What Evrik has sent for your program, as it went out.
  {:else}Simulated: nothing leaves this machine. Each message is an .eml file that any mail program opens.{/if}
</p>
{#if list.length === 0}
  <p class="about max-w-176 mt-2 mr-0 mb-4 ml-0">
    Nothing has been sent. A plan goes to the assistants from its Share tab.
  </p>
{:else}
  <div
    class="both grid grid-cols-[minmax(16rem,_1fr)_2fr] gap-4 items-start max-sm:grid-cols-[minmax(0,_1fr)]"
  >
    <ul class="quiet-list sheet" aria-label="Messages">
      {#each list as m (m.id)}
        <li class="[li+&]:border-t [li+&]:border-t-seam">
          <a
            class="block py-3 px-4 no-underline border-l-6 border-l-transparent wrap-anywhere [&[aria-current]]:border-l-mark"
            href={`?mail=${m.id}`}
            aria-current={open?.mail.id === m.id ? 'true' : undefined}
          >
            <b>{m.subject}</b>
            <span class="soft block text-sm">{m.to}, {dayOf(m.at)} {hourOf(m.at)}</span>
          </a>
        </li>
      {/each}
    </ul>
    {#if open}
      <article class="sheet p-4 grid gap-2" aria-label="Message">
        <h2>{open.mail.subject}</h2>
        <p class="soft">To {open.mail.to}</p>
        <pre class="[font:inherit] whitespace-pre-wrap wrap-anywhere">{open.text}</pre>
        {#each open.attachments as a (a)}<p>Attached: {a}</p>{/each}
      </article>
    {/if}
  </div>
{/if}
