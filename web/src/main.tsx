import './app/theme.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { RouterProvider } from '@tanstack/react-router';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Refused } from './api/client';
import { keepToWhatWasPressed } from './app/pressed';
import { fetchMendPage, makeRouter } from './app/router';
import { startFromLastKnown } from './outbox/lastKnown';
import { openOutbox } from './outbox/outbox';
import { openPage } from './outbox/page';
import { startSendingPictures } from './outbox/pictures';
import { startSending } from './outbox/sending';
import { startSendingDrafts } from './outbox/sendingDrafts';
import { locale } from './words/say';

const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      // A refusal stays a refusal; a server that does not answer is asked again, for a bench does not stop for a restart.
      retry: (times, error) => error instanceof Refused && error.status === 0 && times < 20,
      retryDelay: 1500,
      // Asked whatever the browser thinks of the network: a shop's server is often on the same machine.
      networkMode: 'always',
    },
  },
});

// Only where the page comes encrypted or from this machine does a browser lend one; elsewhere the page needs its server to open.
if (import.meta.env.PROD && 'serviceWorker' in navigator) void navigator.serviceWorker.register('/sw.js').catch(() => undefined);

document.documentElement.lang = locale();
keepToWhatWasPressed(document);

await Promise.all([startFromLastKnown(queryClient), openOutbox(), openPage()]);
startSending(queryClient);
startSendingDrafts(queryClient);
startSendingPictures(queryClient);

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      <RouterProvider router={makeRouter(queryClient)} />
    </QueryClientProvider>
  </StrictMode>,
);

fetchMendPage(queryClient);
