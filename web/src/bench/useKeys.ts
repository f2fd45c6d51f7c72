import { useEffect } from 'react';

/** Runs an action for a key, outside of fields, menus and dialogs. */
export function useKeys(actions: Record<string, () => void>) {
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (e.ctrlKey || e.metaKey || e.altKey || (e.target as HTMLElement).closest('input, select, textarea, [role=dialog], [role=menu]')) return;
      const act = actions[e.key];
      if (act) {
        e.preventDefault();
        act();
      }
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  });
}
