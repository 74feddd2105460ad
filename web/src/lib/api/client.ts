import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type Point = Schemas['Point'];
export type Situation = Schemas['Situation'];
export type Row = Schemas['Row'];
export type Player = Schemas['Player'];
export type Block = Schemas['Block'];
export type Practice = Schemas['Practice'];
export type Sheet = Schemas['Sheet'];
export type Standing = Schemas['Standing'];
export type Judgement = Schemas['Judgement'];

/** How long a request may take, in ms, and how long one that computes or carries much may. */
const patience = 8_000;
const longPatience = 120_000;
const long = /\/(archive|compare|fill|lineups|roster|evidence|mail)$/;

/** No request waits for ever: a server that hangs is told of like one that is not there. */
function timed(request: Request): Promise<Response> {
  const limit = long.test(new URL(request.url).pathname) ? longPatience : patience;
  return fetch(request, { signal: AbortSignal.any([request.signal, AbortSignal.timeout(limit)]) });
}

export const api = createClient<paths>({ baseUrl: '/', fetch: timed });

/** A refusal that the coach should read. Status 0 means that no answer came. */
export class Refusal extends Error {
  constructor(
    public status: number,
    message: string
  ) {
    super(message);
  }
}

type Answered<T> = { data?: T; error?: { message?: string }; response: Response };

/** Unwraps an answer of the contract, or throws a Refusal with a sentence. */
export async function ask<T>(call: Promise<Answered<T>>): Promise<T> {
  let answer: Answered<T>;
  try {
    answer = await call;
  } catch (e) {
    const late = e instanceof DOMException && e.name === 'TimeoutError';
    throw new Refusal(
      0,
      late
        ? `The server has not answered for ${patience / 1000} seconds. What you entered is still here; try again in a moment.`
        : 'The server cannot be reached. What you entered is still here; try again in a moment.'
    );
  }
  if (!answer.response.ok) {
    throw new Refusal(
      answer.response.status,
      answer.error?.message ?? 'Something went wrong. Nothing was stored; try again in a moment.'
    );
  }
  return answer.data as T;
}
