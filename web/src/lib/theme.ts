import type { ThemeConfig } from 'flowbite-svelte/types';

/** Where something is typed or chosen. */
export const field =
  'min-h-12 text-base bg-sheet text-ink border-line dark:bg-sheet dark:text-ink dark:border-line';

/** How Flowbite's components look here: large enough for a thumb, floor tape on a clean floor. Their colors are
 * those of app.css, so that they hold on a dark surface in any light. */
export const theme: ThemeConfig = {
  input: { input: `${field} px-3` },
  select: { select: `${field} py-2 pl-3` },
  checkbox: {
    base: 'size-6 me-3 bg-sheet border-2 border-line text-(--check) dark:bg-sheet dark:border-line',
    div: 'min-h-12 text-base font-normal text-ink dark:text-ink'
  },
  toggle: { label: 'min-h-12 text-base font-normal text-ink dark:text-ink' },
  label: 'font-normal text-soft dark:text-soft',
  table: { table: 'text-base text-ink dark:text-ink border-collapse' },
  tableHead:
    'bg-transparent text-sm normal-case text-soft dark:bg-transparent dark:text-soft border-b-2 border-seam dark:border-seam',
  tableHeadCell: 'py-2 ps-0 pe-4 font-normal text-left align-bottom',
  tableBodyRow: 'border-seam bg-transparent dark:border-seam dark:bg-transparent',
  tableBodyCell: 'py-2 ps-0 pe-4 font-normal whitespace-normal',
  modal: { base: 'border-t-8 border-t-mark bg-sheet text-ink' }
};
