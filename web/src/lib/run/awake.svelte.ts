/** Keeps the screen on while a clock runs. A browser that cannot, or will not, lets it sleep as it
 * would have: nothing is lost by that. */
export class Awake {
  private lock: WakeLockSentinel | null = null;
  private wanted = false;

  /** Holds the screen, or lets it go. */
  async want(on: boolean) {
    this.wanted = on;
    if (!on) await this.release();
    else if (!this.lock && document.visibilityState === 'visible' && 'wakeLock' in navigator) {
      try {
        const lock = await navigator.wakeLock.request('screen');
        lock.addEventListener('release', () => {
          if (this.lock === lock) this.lock = null;
        });
        this.lock = lock;
        if (!this.wanted) await this.release(); // stopped meanwhile
      } catch {
        // The battery is low, or the browser refuses.
      }
    }
  }

  /** The browser lets go when the page is put away; it is asked for again when it is back. */
  shown() {
    if (document.visibilityState === 'visible' && this.wanted) void this.want(true);
  }

  private async release() {
    const lock = this.lock;
    this.lock = null;
    await lock?.release().catch(() => {});
  }
}
