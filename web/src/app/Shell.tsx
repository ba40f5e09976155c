import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, Outlet } from '@tanstack/react-router';
import { useEffect } from 'react';
import { problemsIn } from '../api/client';
import { shopQuery } from '../api/queries';
import { Problems } from '../ui/Notice';
import { clock } from '../measures/time';
import { length, temperature } from '../measures/units';
import { Alarm } from './Alarm';
import { onClockSet, setServerNow, useNow } from '../shop/clock';
import { Reach, SetBack } from './Reach';
import { HeldDrafts } from './HeldDrafts';
import { KeptNotice } from '../outbox/OutboxNotice';
import { HelpSheet } from './HelpSheet';
import { ScanAnything } from './ScanAnything';
import { UnitsProvider, useUnits } from '../shop/units';
import { ZoneProvider } from '../shop/zone';
import { say } from '../words/say';

export function Shell() {
  const shop = useQuery(shopQuery);
  const queryClient = useQueryClient();
  useEffect(() => onClockSet(() => void queryClient.invalidateQueries()), [queryClient]);
  const serverNow = shop.data?.now;
  const heardAt = shop.dataUpdatedAt;
  useEffect(() => {
    if (serverNow) setServerNow(serverNow, heardAt);
  }, [serverNow, heardAt]);
  if (!shop.data) {
    return (
      <main className="p-8" aria-busy={shop.isPending}>
        {shop.error ? <Problems problems={problemsIn(shop.error)} /> : <p>{say`Loading …`}</p>}
      </main>
    );
  }
  const settings = shop.data.settings;
  return (
    <ZoneProvider value={settings.bench.zone}>
      <UnitsProvider shop={settings.units}>
        <div className="flex min-h-dvh flex-col print:block">
          <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-20 focus:bg-sheet focus:p-3">{say`Skip to the work`}</a>
          <TopLine shopName={settings.name} zone={settings.bench.zone} />
          <main id="main" className="flex-1">
            <Outlet />
          </main>
          {/* At the foot, where what comes and goes moves nothing that a hand is on its way to. */}
          <div className="at-foot no-print sticky bottom-0 z-20">
            <HeldDrafts />
            <div role="status" className="border-t-2 border-ink max-sm:text-sm empty:hidden">
              <Reach zone={settings.bench.zone} />
              <KeptNotice />
              <SetBack minutes={shop.data.setBackMin} />
            </div>
            <Alarm />
          </div>
        </div>
      </UnitsProvider>
    </ZoneProvider>
  );
}

function TopLine({ shopName, zone }: { shopName: string; zone: string }) {
  const now = useNow();
  const { units, choose } = useUnits();
  return (
    <header className="no-print flex flex-wrap items-center gap-x-6 gap-y-1 border-b-2 border-ink px-5 py-1.5 max-sm:gap-x-2 max-sm:px-3">
      <Link to="/" className="flex items-center gap-2 text-lg font-extrabold tracking-tight">
        <img src="/mark.svg" alt="" width={28} height={28} />
        Able Mend
      </Link>
      <nav aria-label={say`Main`} className="flex max-sm:order-last max-sm:w-full sm:gap-1">
        <Place to="/" words={say`Bench`} />
        <Place to="/days" words={say`Days`} />
        <Place to="/counter" words={say`Counter`} />
        <Place to="/new" words={say`Start a mend`} />
        <Place to="/log" words={say`Log`} />
        <Place to="/shelf" words={say`Shelf`} />
        <Place to="/shop" words={say`Shop`} />
      </nav>
      <div className="ml-auto flex items-center gap-3 max-sm:gap-1.5">
        <span className="lettering hidden md:inline">{shopName}</span>
        <button
          type="button"
          className="min-h-11 rounded-sm px-2 underline underline-offset-4 max-sm:px-0.5"
          onClick={() => choose(units === 'us' ? 'metric' : 'us')}
        >
          {length.unit(units)}, {temperature.unit(units)}
          <span className="sr-only">{say`: change units`}</span>
        </button>
        <ScanAnything />
        <HelpSheet />
        <time className="numeral min-w-16 text-right text-2xl max-sm:min-w-14" dateTime={new Date(now).toISOString()}>
          {clock(new Date(now).toISOString(), zone)}
        </time>
      </div>
    </header>
  );
}

function Place({ to, words }: { to: '/' | '/days' | '/counter' | '/new' | '/log' | '/shelf' | '/shop'; words: string }) {
  return (
    <Link
      to={to}
      activeOptions={{ exact: true, includeSearch: false }}
      className="flex min-h-11 items-center border-b-4 border-transparent px-2.5 font-semibold whitespace-nowrap max-sm:px-1 max-sm:text-sm aria-[current=page]:border-resin"
    >
      {words}
    </Link>
  );
}
