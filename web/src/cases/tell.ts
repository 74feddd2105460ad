import { flushSync } from 'svelte';

/** What the server answers while cases run: a status and a body; none where there is no network. */
type Answer = { status: number; body?: unknown } | undefined | Promise<{ status: number; body?: unknown }>;

/** A request that was made. */
export interface Asked {
  method: string;
  path: string;
  body: unknown;
}

/** What was asked for since the last answer was set. */
export let asked: Asked[] = [];

/** Stands in for the server from here on. */
export function answering(answer: (a: Asked) => Answer) {
  asked = [];
  globalThis.fetch = async (input) => {
    const request = input as Request;
    const text = await request.clone().text();
    const a = {
      method: request.method,
      path: new URL(request.url).pathname,
      body: text ? (JSON.parse(text) as unknown) : undefined
    };
    asked.push(a);
    const given = await answer(a);
    if (!given) throw new TypeError('no network');
    const { status, body } = given;
    return new Response(body === undefined ? null : JSON.stringify(body), {
      status,
      headers: { 'Content-Type': 'application/json' }
    });
  };
}

/** Fails the case where two values differ. */
export function same(got: unknown, want: unknown, of = '') {
  flushSync();
  const [a, b] = [JSON.stringify(got), JSON.stringify(want)];
  if (a !== b) throw new Error(`${of ? `${of}: ` : ''}${a}, want ${b}`);
}

/** Waits until something holds. */
export async function until(holds: () => boolean, of: string) {
  const end = Date.now() + 10_000; // ms
  while (!holds()) {
    if (Date.now() > end) throw new Error(`waited in vain until ${of}`);
    await new Promise((then) => setTimeout(then, 10));
  }
}

export type Cases = Record<string, () => void | Promise<void>>;
