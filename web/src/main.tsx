import './app/theme.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { RouterProvider } from '@tanstack/react-router';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Refused } from './api/client';
import { makeRouter } from './app/router';
import { locale } from './words/say';

const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      // A refusal stays a refusal; a server that does not answer is asked again, for a bench does not stop for a restart.
      retry: (times, error) => error instanceof Refused && error.status === 0 && times < 20,
      retryDelay: 1500,
    },
  },
});

document.documentElement.lang = locale();

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      <RouterProvider router={makeRouter(queryClient)} />
    </QueryClientProvider>
  </StrictMode>,
);
