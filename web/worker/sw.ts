/// <reference lib="webworker" />
import { clientsClaim } from 'workbox-core';
import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkFirst, NetworkOnly } from 'workbox-strategies';

declare const self: ServiceWorkerGlobalScope;
declare const __SHELL__: { url: string; revision: string | null }[];

/** How long a server that says nothing is waited for, in seconds, before what was kept is shown. */
const networkTimeoutSeconds = 3;

/** A proxy that answers for a server that is down has no answer either. */
const plugins = [
  {
    fetchDidSucceed: ({ response }: { response: Response }) =>
      response.status < 500 ? Promise.resolve(response) : Promise.reject(new Error(`answered ${String(response.status)}`)),
  },
];

void self.skipWaiting();
clientsClaim();
cleanupOutdatedCaches();

// Files whose names carry their hash come from what was kept; the page itself does so only when the server is out of reach.
precacheAndRoute(__SHELL__, { directoryIndex: '', cleanURLs: false });
const network = new NetworkOnly({ networkTimeoutSeconds, plugins });
registerRoute(
  new NavigationRoute(async (options) => network.handle(options).catch(async () => (await matchPrecache('/index.html')) ?? Response.error()), {
    denylist: [/^\/api\//, /^\/openapi\//],
  }),
);
registerRoute(({ url }) => url.pathname === '/api/words.js', new NetworkFirst({ cacheName: 'words', networkTimeoutSeconds, plugins }));
