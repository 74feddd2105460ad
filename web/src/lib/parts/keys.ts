const controls = 'a[href], button, input, select, textarea, summary, dialog, [contenteditable]';

/** True where a key belongs to the control that has the focus, not to the view. */
export function belongsToControl(e: KeyboardEvent): boolean {
  return (e.target as HTMLElement).closest(controls) !== null;
}

/** After a tap or a click the keyboard goes back to the view: only who walked to a control with the
 * keyboard stays on it. It is for the capture phase, before a dialog that opens notes where the
 * focus was. */
export function letGo(e: MouseEvent) {
  const byHand = e.detail > 0;
  const on = (e.target as HTMLElement).closest('a[href], button');
  if (byHand && on instanceof HTMLElement && on === document.activeElement) on.blur();
}
