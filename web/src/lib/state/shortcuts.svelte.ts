const kept = 'evrik.shortcuts';
const fields = 'input, select, textarea, [contenteditable]';

/** Single letters and numbers that act on a view. They can be switched off on a device, for people who dictate or
 * hit keys by accident (WCAG 2.1, success criterion 2.1.4). Arrows, Escape and a clicker's keys always work. */
class Shortcuts {
  on = $state(localStorage.getItem(kept) !== 'off');

  set(on: boolean) {
    this.on = on;
    localStorage.setItem(kept, on ? 'on' : 'off');
  }

  /** Holds back a single character before any view hears it; for the capture phase of the window. */
  hush(e: KeyboardEvent) {
    const typed = e.key.length === 1 && e.key !== ' ' && !e.ctrlKey && !e.metaKey && !e.altKey;
    if (!this.on && typed && !(e.target as HTMLElement).closest(fields)) e.stopImmediatePropagation();
  }
}

export const shortcuts = new Shortcuts();
