import type { Offense, View } from './lab.svelte';

/** The offense that an address asks for: a shipped one by id, else the team's own. */
export const asked = (view: View, id: string | null): Offense =>
  view.offenses.find((o) => o.id === id) ?? view.own;
