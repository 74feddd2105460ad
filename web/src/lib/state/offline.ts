const again = 10_000; // ms until the copy of the app is asked for again (assumption)

/**
 * Keeps asking for the copy of the app that opens without a network, until this page has
 * it: an installation that broke off is not tried again by the browser before the next
 * page load, and a practice may go by without one. Returns how to stop.
 */
export function keepOffline(): () => void {
  const worker = navigator.serviceWorker as ServiceWorkerContainer | undefined; // none over plain http
  const timer = setInterval(() => {
    if (!worker || worker.controller) clearInterval(timer);
    else worker.register('/service-worker.js').catch(() => undefined); // asked again in a moment
  }, again);
  return () => clearInterval(timer);
}
