/** Stands in for SvelteKit's page and its address. */
export const page = {
  params: { team: 't' } as Record<string, string>,
  url: new URL('http://evrik.example/')
};
export const goto = () => Promise.resolve();
export const invalidateAll = goto;
export const pushState = () => {};
export const replaceState = () => {};
