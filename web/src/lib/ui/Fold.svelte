<script lang="ts">
  import Accordion from 'flowbite-svelte/Accordion.svelte';
  import AccordionItem from 'flowbite-svelte/AccordionItem.svelte';
  import type { Snippet } from 'svelte';

  // One line that opens what lies under it. What is closed stays on the page, hidden.
  let {
    title,
    line = '',
    class: more = '',
    open = $bindable(false),
    children
  }: {
    title: Snippet;
    /** How the line looks. */
    line?: string;
    class?: string;
    open?: boolean;
    children: Snippet;
  } = $props();
</script>

<Accordion flush class={more}>
  <AccordionItem
    bind:open
    headingTag="div"
    transitionType="none"
    header={title}
    {children}
    classes={{
      button: `min-h-12 w-full gap-3 py-2 font-normal border-0 cursor-pointer text-ink dark:text-ink hover:text-ink ${line}`,
      content: 'py-0 border-0'
    }}
  />
</Accordion>
