import type { HandleClientError } from '@sveltejs/kit';

/** A page that could not load says why, in the sentence the server gave. */
export const handleError: HandleClientError = ({ error, message }) => ({
  message: error instanceof Error ? error.message : message
});
