/// <reference types="@sveltejs/kit" />
/// <reference no-default-lib="true"/>
/// <reference lib="esnext" />
/// <reference lib="webworker" />
import { build, files, version } from '$service-worker';

// The app itself stays on the device, so that the floor opens with no network.
// What the server knows is kept by the app, never here.
const worker = self as unknown as ServiceWorkerGlobalScope;
const name = `evrik-${version}`;
const page = '/';
const parts = new Set([...build, ...files]);

const tries = 4; // how often a part is asked for before the app is not kept (assumption)
const pause = 500; // ms before a part is asked for again (assumption)

/** One part that breaks off in the gym's network costs another try, not the whole app. */
async function take(cache: Cache, part: string, left = tries): Promise<void> {
  try {
    await cache.add(part);
  } catch (e) {
    if (left <= 1) throw e;
    await new Promise((done) => setTimeout(done, pause));
    await take(cache, part, left - 1);
  }
}

worker.addEventListener('install', (event) => {
  const keep = async () => {
    const cache = await caches.open(name);
    await Promise.all([...parts, page].map((part) => take(cache, part)));
    await worker.skipWaiting();
  };
  event.waitUntil(keep());
});

worker.addEventListener('activate', (event) => {
  const old = async () => {
    for (const key of await caches.keys()) if (key !== name) await caches.delete(key);
    await worker.clients.claim();
  };
  event.waitUntil(old());
});

worker.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== location.origin) return;
  if (parts.has(url.pathname)) event.respondWith(fromDevice(url.pathname, request));
  // Every address of the app is one page; the server's is newer where it answers.
  else if (request.mode === 'navigate' && !/^\/(api|calendar)\//.test(url.pathname))
    event.respondWith(inTime(request).then(orDevice, () => fromDevice(page, request)));
});

const patience = 4000; // ms until a server that hangs is taken for one that is not there (assumption)

function inTime(request: Request): Promise<Response> {
  const late = new Promise<never>((_, reject) => setTimeout(() => reject(new Error('late')), patience));
  return Promise.race([fetch(request), late]);
}

/** A server in trouble is no reason to show no page. */
async function orDevice(answer: Response): Promise<Response> {
  return answer.status < 500 ? answer : ((await (await caches.open(name)).match(page)) ?? answer);
}

async function fromDevice(path: string, request: Request): Promise<Response> {
  const cache = await caches.open(name);
  return (await cache.match(path)) ?? fetch(request);
}
