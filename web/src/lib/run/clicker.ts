// A hand clicker sends keys, as a presenter's does: the upper button PageDown, the
// lower one PageUp, the wheel the arrows. The simulated one sends the same keys to
// the floor in another tab of this browser.
const channel = 'evrik.clicker';

/** Calls press with every key of a simulated clicker; the returned function ends it. */
export function hear(press: (key: string) => boolean): () => void {
  const air = new BroadcastChannel(channel);
  air.onmessage = (e: MessageEvent<{ key?: string }>) => {
    if (e.data.key) air.postMessage({ heard: press(e.data.key) });
  };
  return () => air.close();
}

/** A simulated clicker. heard is called when the floor has answered. */
export function clicker(heard: (did: boolean) => void) {
  const air = new BroadcastChannel(channel);
  air.onmessage = (e: MessageEvent<{ heard?: boolean }>) => {
    if (e.data.heard !== undefined) heard(e.data.heard);
  };
  return { send: (key: string) => air.postMessage({ key }), end: () => air.close() };
}
