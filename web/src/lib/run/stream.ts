const pause = 5000; // ms until a stream that was refused is asked for again

/** Follows a stream of the server's events until it is ended. A page that is put away
 * lets go of it, because a browser holds few connections to one place; a page that is
 * brought back takes it up again. */
export function follow(url: string, on: Record<string, (data: string) => void>): () => void {
  let stream: EventSource | undefined;
  let again: ReturnType<typeof setTimeout> | undefined;

  function open() {
    close();
    const s = new EventSource(url);
    stream = s;
    for (const [name, then] of Object.entries(on))
      s.addEventListener(name, (e) => then((e as MessageEvent<string>).data));
    // The browser tries again by itself unless it was refused.
    s.onerror = () => {
      if (s === stream && s.readyState === EventSource.CLOSED) again = setTimeout(open, pause);
    };
  }

  function close() {
    clearTimeout(again);
    stream?.close();
    stream = undefined;
  }

  const back = (e: PageTransitionEvent) => {
    if (e.persisted) open();
  };
  addEventListener('pagehide', close);
  addEventListener('pageshow', back);
  open();
  return () => {
    removeEventListener('pagehide', close);
    removeEventListener('pageshow', back);
    close();
  };
}
