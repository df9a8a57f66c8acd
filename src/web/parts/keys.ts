import { useEffect } from 'react';

/** Whether a key press belongs to a field rather than to the screen. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable ||
      target.matches('input:not([type=checkbox]):not([type=radio]), textarea, select'))
  );
}

/** Single keys that do something on this screen, while no field is being typed in and no dialog is open. */
export function useKeys(keys: Readonly<Record<string, (event: KeyboardEvent) => void>>): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented || isTyping(event.target))
        return;
      if (document.querySelector('[role=dialog].show')) return;
      const action = keys[event.key];
      if (action) {
        event.preventDefault();
        action(event);
      }
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [keys]);
}
