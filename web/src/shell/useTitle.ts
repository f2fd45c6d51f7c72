import { useEffect } from 'react';
import { named } from './titles';

/** Gives the page its title. */
export function useTitle(path: string, name?: string) {
  useEffect(() => {
    document.title = named(name, path);
  }, [path, name]);
}
