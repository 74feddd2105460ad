import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type Point = Schemas['Point'];
export type Snapshot = Schemas['Snapshot'];
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

/** Sends a request and gives it up when its time is over, the body of the answer included. Older
 * tablets cannot join two signals, so one of our own stands for both. */
async function timed(request: Request): Promise<Response> {
  const limit = long.test(new URL(request.url).pathname) ? longPatience : patience;
  const stop = new AbortController();
  let late = false;
  request.signal.addEventListener('abort', () => stop.abort());
  setTimeout(() => {
    late = true;
    stop.abort();
  }, limit);
  try {
    return await fetch(request, { signal: stop.signal });
  } catch {
    throw noAnswer(
      late ? `The server has not answered for ${limit / 1000} seconds.` : undefined,
      request.method === 'GET'
    );
  }
}

/** What is said where no answer came, or only a part of one. */
function noAnswer(what = 'The server cannot be reached.', nothingEntered = false): Refusal {
  const then = nothingEntered
    ? 'Try again in a moment.'
    : 'What you entered is still here; try again in a moment.';
  return new Refusal(0, `${what} ${then}`);
}

export const api = createClient<paths>({ baseUrl: '/', fetch: timed });

/** A refusal that the coach should read. Status 0 means that no answer came. */
export class Refusal extends Error {
  constructor(
    public status: number,
    message: string,
    /** What the program goes by; the sentence may change freely. */
    public code?: Schemas['Problem']['code']
  ) {
    super(message);
  }
}

type Answered<T> = { data?: T; error?: Partial<Schemas['Problem']>; response: Response };

/** Unwraps an answer of the contract, or throws a Refusal with a sentence. */
export async function ask<T>(call: Promise<Answered<T>>): Promise<T> {
  let answer: Answered<T>;
  try {
    answer = await call;
  } catch (e) {
    throw e instanceof Refusal ? e : noAnswer(); // the connection broke in the middle of an answer
  }
  if (!answer.response.ok) {
    throw new Refusal(
      answer.response.status,
      answer.error?.detail ?? 'Something went wrong. Nothing was saved; try again in a moment.',
      answer.error?.code
    );
  }
  return answer.data as T;
}
