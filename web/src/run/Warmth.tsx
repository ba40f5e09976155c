import { useQuery } from '@tanstack/react-query';
import { benchQuery, shopQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import type { MendDesk } from '../desk/damageInHand';
import { when } from '../measures/time';
import { measure } from '../measures/units';
import { useNow } from '../shop/clock';
import { useUnits } from '../shop/units';
import { useZone } from '../shop/zone';
import { Button } from '../ui/Button';
import { useKeys } from '../ui/useKeys';
import { say } from '../words/say';

/** Into the warm box or corner while it sets, and out of it again: what is waited for goes by where the item stands. */
export function Warmth({ stand, desk }: { stand: Schemas['WarmStand']; desk: MendDesk }) {
  const { units } = useUnits();
  const now = useNow();
  const zone = useZone();
  const floor = useQuery(shopQuery).data?.settings.floor;
  const there = (useQuery(benchQuery).data?.entries ?? []).filter((entry) => entry.inWarm && entry.id !== desk.mend.id);
  const warmth = (celsius: number) => measure(celsius, '°C', 0, units);
  const stands = stand.standsAtC !== null;
  const mayStand = !stands && floor !== null && floor !== undefined && floor.warmPlaces > 0 && (stand.upToC ?? 0) >= floor.warmC;
  const isFull = mayStand && there.length >= floor.warmPlaces;
  const tell = () => desk.happened({ kind: 'warm', stepId: null, passed: !stands, value: mayStand ? floor.warmC : null });
  useKeys(stands || mayStand ? ['h'] : [], () => !desk.busy && tell());
  if (!stands && !(floor && floor.warmPlaces > 0)) return null;
  return (
    <section aria-label={say`Warmth`} className="flex flex-wrap items-center gap-x-4 gap-y-2">
      {stands ? <p className="text-xl font-bold">{say`In the warm at ${warmth(stand.standsAtC!)}, since ${when(stand.since, now, zone)}`}</p> : null}
      {stands || mayStand ? (
        <Button className="min-h-14" disabled={desk.busy} onClick={tell}>
          {stands ? say`Taken out of the warm` : say`Into the warm, ${warmth(floor!.warmC)}`} <kbd className="text-sm">H</kbd>
        </Button>
      ) : null}
      {stands ? null : (
        <p className="text-faint">
          {isFull ? <strong className="text-late">{say`The warm is full: ${there.map((entry) => entry.tag).join(', ')}.`} </strong> : null}
          {desk.mend.overInWarmAt ? <strong className="text-ink">{say`There it is over ${when(desk.mend.overInWarmAt, now, zone)}.`}</strong> : null}{' '}
          {stand.because}
        </p>
      )}
    </section>
  );
}
