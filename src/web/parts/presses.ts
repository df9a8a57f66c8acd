/** Whether a key press belongs to a field rather than to the screen. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable ||
      target.matches('input:not([type=checkbox]):not([type=radio]), textarea, select'))
  );
}

/** Whether a press asks to undo, or with Shift to redo. */
export const isUndo = (event: KeyboardEvent): boolean =>
  (event.ctrlKey || event.metaKey) && !event.altKey && event.key.toLowerCase() === 'z';
