import { useEffect } from 'react';
import { useRoutes } from 'react-router';
import { fetchSoon, routes } from './routes';
import { Shell } from './shell/Shell';

const tree = [{ element: <Shell pages={routes} />, children: routes.map(({ path, element }) => ({ path, element })) }];

export function App() {
  useEffect(() => {
    const soon = setTimeout(fetchSoon, 1500);
    return () => clearTimeout(soon);
  }, []);
  return useRoutes(tree);
}
