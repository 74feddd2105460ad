<script lang="ts">
  import Label from 'flowbite-svelte/Label.svelte';
  import { api, ask } from '$lib/api/client';
  import { notices } from '$lib/state/notices.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Textarea from '$lib/ui/Textarea.svelte';

  // The coach's own note about the practice.
  let { path, note }: { path: { teamId: string; practiceId: string }; note: string } = $props();

  let text = $derived(note);
  let saved = $derived(note);

  async function save() {
    try {
      const body = { review: text };
      await ask(api.PUT('/api/teams/{teamId}/practices/{practiceId}/review', { params: { path }, body }));
      saved = text;
    } catch (e) {
      notices.fail(e);
    }
  }
</script>

<section class="sheet grid print:hidden content-start justify-items-start gap-3 p-4">
  <h2>A note to yourself</h2>
  <Label class="w-full">
    What to do differently next time
    <Textarea rows={3} maxlength={2000} bind:value={text} />
  </Label>
  <Button main disabled={text === saved} onclick={save}>{text === saved && text ? 'Saved' : 'Save'}</Button>
</section>
