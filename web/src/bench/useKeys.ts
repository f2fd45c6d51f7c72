import { useEffect } from 'react';

const off = 'keys off';

/** Whether single keys are shortcuts on this machine (WCAG 2.1.4: they can be switched off). */
export function keysOn(): boolean {
  try {
    return localStorage.getItem(off) === null;
  } catch {
    return true;
  }
}

export function switchKeys(on: boolean): void {
  try {
    if (on) localStorage.removeItem(off);
    else localStorage.setItem(off, 'yes');
  } catch {
    // Without room to keep it, they stay as they are.
  }
}

const fields = 'input, select, textarea';

/** Runs what a key stands for, outside of fields, menus and dialogs; true when it did. What stands in a dialog itself says so. */
export function useKeyPress(act: (key: string) => boolean, inDialog = false) {
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (
        !keysOn() ||
        e.ctrlKey ||
        e.metaKey ||
        e.altKey ||
        (e.target as HTMLElement).closest(inDialog ? fields : `${fields}, [role=dialog], [role=menu]`)
      )
        return;
      if (act(e.key)) e.preventDefault();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  });
}

/** Runs an action for a key, outside of fields, menus and dialogs. */
export function useKeys(actions: Record<string, () => void>) {
  useKeyPress((key) => {
    const act = actions[key];
    act?.();
    return act !== undefined;
  });
}
