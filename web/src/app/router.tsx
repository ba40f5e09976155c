import type { QueryClient } from '@tanstack/react-query';
import { createRootRouteWithContext, createRoute, createRouter, lazyRouteComponent, redirect, type RouteComponent } from '@tanstack/react-router';
import { whenThere } from '../api/whenThere';
import { BenchPage } from '../bench/BenchPage';
import { isStage } from '../desk/stages';
import { CouldNotShow } from './CouldNotShow';
import { OnItsWay } from './OnItsWay';
import { Shell } from './Shell';
import { NotThere } from './NotThere';
import { parseSearch, stringifySearch } from './search';

const root = createRootRouteWithContext<{ queryClient: QueryClient }>()({ component: Shell, notFoundComponent: NotThere });
const mendPage = () => import('../mend/MendPage');

/** A page whose code is fetched when somebody goes there. */
const page = <Name extends string, Code extends Record<Name, RouteComponent>>(code: () => Promise<Code>, name: Name) =>
  lazyRouteComponent(() => whenThere(code), name);

/** Milliseconds that the first page has to come to rest before what it leads to is fetched. */
const restMs = 3000;

/** Fetches the page of a mend before anybody asks for it: hands go on to one when the server is away as well. What is asked for first is let through. */
export function fetchMendPage(queryClient: QueryClient): void {
  setTimeout(() => {
    if (queryClient.isFetching() > 0) fetchMendPage(queryClient);
    else void whenThere(mendPage).catch(() => undefined);
  }, restMs);
}

const bench = createRoute({ getParentRoute: () => root, path: '/', component: BenchPage });
const days = createRoute({ getParentRoute: () => root, path: '/days', component: page(() => import('../days/DaysPage'), 'DaysPage') });
const fleet = createRoute({ getParentRoute: () => root, path: '/new', component: page(() => import('../fleet/FleetPage'), 'FleetPage') });
// Counter, settings, log and papers are not the bench: what only they need is fetched when somebody goes there.
const counter = createRoute({
  getParentRoute: () => root,
  path: '/counter',
  component: page(() => import('../counter/CounterPage'), 'CounterPage'),
});
const ticket = createRoute({
  getParentRoute: () => root,
  path: '/tickets/$id',
  component: page(() => import('../counter/TicketPage'), 'TicketPage'),
});
const ticketPaper = createRoute({
  getParentRoute: () => root,
  path: '/tickets/$id/paper',
  component: page(() => import('../print/TicketPaper'), 'TicketPaper'),
});
const bill = createRoute({
  getParentRoute: () => root,
  path: '/tickets/$id/bill',
  component: page(() => import('../print/BillPaper'), 'BillPaper'),
});
const tag = createRoute({ getParentRoute: () => root, path: '/tags/$tag', component: page(() => import('../counter/TagPage'), 'TagPage') });
const gallery = createRoute({
  getParentRoute: () => root,
  path: '/gallery',
  component: page(() => import('../gallery/GalleryPage'), 'GalleryPage'),
});
const log = createRoute({
  getParentRoute: () => root,
  path: '/log',
  component: page(() => import('../log/LogPage'), 'LogPage'),
  validateSearch: (search): { q?: string } => (typeof search.q === 'string' && search.q ? { q: search.q } : {}),
});
const shelf = createRoute({
  getParentRoute: () => root,
  path: '/shelf',
  component: page(() => import('../shelf/ShelfPage'), 'ShelfPage'),
  validateSearch: (search): { lot?: string } => (typeof search.lot === 'string' && search.lot ? { lot: search.lot } : {}),
});
const lotLabels = createRoute({
  getParentRoute: () => root,
  path: '/shelf/labels',
  component: page(() => import('../print/LotLabels'), 'LotLabels'),
});
const settings = createRoute({
  getParentRoute: () => root,
  path: '/shop',
  component: page(() => import('../settings/SettingsPage'), 'SettingsPage'),
});
const mend = createRoute({
  getParentRoute: () => root,
  path: '/mends/$id/$stage',
  component: page(mendPage, 'MendPage'),
  beforeLoad: ({ params }) => {
    // The router takes its redirects as something thrown.
    // eslint-disable-next-line @typescript-eslint/only-throw-error
    if (!isStage(params.stage)) throw redirect({ to: '/mends/$id/$stage', params: { id: params.id, stage: 'look' } });
  },
});
const sheet = createRoute({
  getParentRoute: () => root,
  path: '/mends/$id/sheet',
  component: page(() => import('../print/JobSheet'), 'JobSheet'),
});
const labels = createRoute({
  getParentRoute: () => root,
  path: '/mends/$id/labels',
  component: page(() => import('../print/CupLabels'), 'CupLabels'),
});
const note = createRoute({
  getParentRoute: () => root,
  path: '/mends/$id/note',
  component: page(() => import('../print/HandBackNote'), 'HandBackNote'),
});

export function makeRouter(queryClient: QueryClient) {
  return createRouter({
    routeTree: root.addChildren([
      bench,
      days,
      counter,
      ticket,
      ticketPaper,
      bill,
      tag,
      fleet,
      gallery,
      log,
      shelf,
      lotLabels,
      settings,
      mend,
      sheet,
      labels,
      note,
    ]),
    context: { queryClient },
    defaultPendingComponent: OnItsWay,
    defaultErrorComponent: CouldNotShow,
    scrollRestoration: true,
    parseSearch,
    stringifySearch,
  });
}

declare module '@tanstack/react-router' {
  interface Register {
    router: ReturnType<typeof makeRouter>;
  }
}
