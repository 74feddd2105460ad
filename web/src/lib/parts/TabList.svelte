<script lang="ts">
  // Parts of one view, one of them open. Arrow keys, Home and End go from tab to tab (WAI-ARIA tabs pattern).
  let {
    label,
    tabs,
    chosen,
    controls,
    onchoose,
    class: more = ''
  }: {
    label: string;
    tabs: { id: string; name: string; count?: number | undefined }[];
    chosen: string;
    /** The id of what the tabs open. */
    controls?: string;
    onchoose: (id: string) => void;
    class?: string;
  } = $props();

  let list = $state<HTMLElement>();

  function walk(e: KeyboardEvent) {
    const at = tabs.findIndex((t) => t.id === chosen);
    const to = { ArrowRight: at + 1, ArrowLeft: at - 1, Home: 0, End: tabs.length - 1 }[e.key];
    const next = to === undefined ? undefined : tabs[(to + tabs.length) % tabs.length];
    if (!next) return;
    e.preventDefault();
    e.stopPropagation();
    onchoose(next.id);
    list?.querySelector<HTMLElement>(`[data-tab="${next.id}"]`)?.focus();
  }
</script>

<div bind:this={list} role="tablist" aria-label={label} tabindex="-1" class={['tabs', more]} onkeydown={walk}>
  {#each tabs as t (t.id)}
    <button
      role="tab"
      data-tab={t.id}
      aria-selected={chosen === t.id}
      aria-controls={controls}
      tabindex={chosen === t.id ? 0 : -1}
      class="max-sm:px-2 max-sm:leading-tight"
      onclick={() => onchoose(t.id)}
      >{t.name}{#if t.count}<span class="numeral">{t.count}</span>{/if}</button
    >
  {/each}
</div>
