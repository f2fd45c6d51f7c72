import { useEffect } from 'react';
import { named, type Titled } from './titles';

/** Gives the page its title. */
export function useTitle(path: string, pages: readonly Titled[], name?: string) {
  useEffect(() => {
    document.title = named(name, path, pages);
  }, [path, pages, name]);
}
