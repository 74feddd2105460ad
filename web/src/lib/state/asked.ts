import { goto } from '$app/navigation';
import { page } from '$app/state';

/** What the address asks for under a name; empty where it asks for nothing. */
export const asked = (name: string): string => page.url.searchParams.get(name) ?? '';

/** Writes into the address what was searched and chosen, so that Back and a reload find it again. Other names stay. */
export function remember(wanted: Record<string, string | number | boolean | undefined>): void {
  const query = new URLSearchParams(page.url.searchParams);
  for (const [name, value] of Object.entries(wanted))
    if (value) query.set(name, value === true ? '1' : String(value));
    else query.delete(name);
  void goto(`?${query}`, { replaceState: true, keepFocus: true, noScroll: true });
}

/** Whether a text has every word that was typed. */
export const holds = (text: string, typed: string): boolean =>
  typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.toLowerCase().includes(word));
