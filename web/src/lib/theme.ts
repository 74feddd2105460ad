import type { ThemeConfig } from 'flowbite-svelte/types';

/** How Flowbite's components look here: large enough for a thumb, floor tape on a clean floor. Their grays and
 * sizes of text are those of app.css. */
export const theme: ThemeConfig = {
  input: { input: 'min-h-12 px-3 text-base bg-sheet' },
  select: { select: 'min-h-12 py-2 pl-3 text-base bg-sheet' },
  textarea: { wrapper: 'px-3 text-base bg-sheet' },
  checkbox: { base: 'size-6 me-3', div: 'min-h-12 text-base font-normal' },
  toggle: { label: 'min-h-12 text-base font-normal' },
  label: 'font-normal text-soft',
  modal: { base: 'border-t-8 border-t-mark bg-sheet text-ink' }
};
