import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/bricolage-grotesque';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { finds } from './api/client';
import { findsKey, firstFinds } from './api/hooks';
import { App } from './App';
import { Global } from './theme/Global';
import { Guarded } from './theme/Guarded';

const client = new QueryClient({
  defaultOptions: { queries: { networkMode: 'always', retry: 1, refetchOnWindowFocus: true } },
});

// Asked for while the page is being put together, since it is what the page shows.
if (location.pathname === '/' && !location.search)
  void client.prefetchQuery({ queryKey: findsKey('', firstFinds), queryFn: () => finds('', firstFinds) });

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <Global />
      <BrowserRouter>
        <Guarded what="the program">
          <App />
        </Guarded>
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);
