import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { api, ask, problemsIn } from '../api/client';
import { heard } from '../api/heard';
import { useOnce } from '../api/once';
import { cupsQuery, mendQuery } from '../api/queries';
import type { Front, Schemas } from '../api/types';
import type { MendDesk } from '../desk/damageInHand';
import { when } from '../measures/time';
import { measure, type Units } from '../measures/units';
import { useNow } from '../shop/clock';
import { useUnits } from '../shop/units';
import { useZone } from '../shop/zone';
import { Button } from '../ui/Button';
import { Notice, Problems } from '../ui/Notice';
import { useKeys } from '../ui/useKeys';
import { say } from '../words/say';
import { byHandOf } from './pouring';

type Offer = Schemas['CupOffer'];
type Together = NonNullable<Front['together']>;

const amountOf = (amount: number, isWeighed: boolean, units: Units) => measure(amount, isWeighed ? 'g' : 'mL', 1, units);

/** One cup for this mend and for others that are about to mix the same: offered before anything is poured. */
export function CupOffers({ desk, front }: { desk: MendDesk; front: Front }) {
  const offers = useQuery(cupsQuery(desk.mend.id));
  const offer = offers.data?.find((each) => each.stepId === front.stepId);
  return offer ? <OneCup offer={offer} desk={desk} /> : null;
}

function OneCup({ offer, desk }: { offer: Offer; desk: MendDesk }) {
  const now = useNow();
  const zone = useZone();
  const { units } = useUnits();
  const share = useShareCup(desk, offer);
  const isOffered = offer.others.length > 0;
  useKeys(isOffered ? ['o'] : [], () => !share.isPending && share.mutate());
  const told = (amount: number) => amountOf(amount, offer.isWeighed, units);
  return (
    <section aria-label={say`One cup for several`} className={isOffered ? 'border-2 border-resin bg-sheet p-3' : 'text-faint'}>
      <Problems problems={problemsIn(share.error)} />
      {isOffered ? (
        <>
          <p className="text-xl">
            <strong>{say`One cup would do for this and`}</strong> {offer.others.map((other) => `${other.item} (${told(other.amount)})`).join(', ')}.
          </p>
          <p>
            {say`${told(offer.total)} in all, ${told(offer.own)} of it for this one.`} <Times workMin={offer.workMin} lifeMin={offer.lifeMin} />{' '}
            {offer.spared >= 0.1 ? say`${told(offer.spared)} less than in cups of their own.` : ''}
          </p>
          <Button size="hand" className="mt-2 w-full" disabled={share.isPending} onClick={() => share.mutate()}>
            {say`Mix one cup for ${offer.others.length + 1} mends`} <kbd className="text-base opacity-80">O</kbd>
          </Button>
        </>
      ) : null}
      {offer.leftOut.map((left) => (
        <p key={left.mend} className="mt-1 text-faint">
          {say`Not for ${left.item}: ${left.why}`}
        </p>
      ))}
      {offer.coming.map((coming) => (
        <p key={coming.mend} className="mt-1">
          {say`${coming.item} comes to the same mix ${when(coming.at, now, zone)}.`}
        </p>
      ))}
    </section>
  );
}

/** How long everybody's share takes to spread, beside how long the cup can be spread. */
function Times({ workMin, lifeMin }: { workMin: number; lifeMin: number | null | undefined }) {
  return lifeMin == null
    ? say`Mixed and spread everywhere in about ${Math.ceil(workMin)} min.`
    : say`Mixed and spread everywhere in about ${Math.ceil(workMin)} min; it can be spread for ${Math.floor(lifeMin)} min.`;
}

function useShareCup(desk: MendDesk, offer: Offer) {
  const once = useOnce();
  const queryClient = useQueryClient();
  const { id, version } = desk.mend;
  return useMutation({
    mutationFn: () => {
      const body = { stepId: offer.stepId, with: offer.others.map((other) => other.mend) };
      return ask(api.POST('/api/mends/{id}/cups', { params: { path: { id }, header: once(`${String(version)} ${JSON.stringify(body)}`) }, body }));
    },
    onSuccess: (view) => {
      heard(queryClient, mendQuery(id).queryKey, view);
      void queryClient.invalidateQueries({ queryKey: ['bench'] });
    },
    onSettled: () => queryClient.invalidateQueries({ queryKey: ['cups'] }),
  });
}

/** What the one that mixes for others has to know beside its own cup. */
export function MixedForOthers({ together, front, desk }: { together: Together; front: Front; desk: MendDesk }) {
  const { units } = useUnits();
  const begun = front.cup?.parts.some((part) => part.poured > 0) === true;
  const told = (amount: number) => amountOf(amount, together.isWeighed, units);
  return (
    <section aria-label={say`Shared cup`} className="border-2 border-resin bg-sheet p-3">
      <p className="text-xl">
        <strong>{say`One cup for ${together.others.length + 1} mends: ${told(together.total)}.`}</strong>{' '}
        <Times workMin={together.workMin} lifeMin={together.lifeMin} />
      </p>
      {front.cup ? <Amounts cup={front.cup} desk={desk} /> : null}
      <ul className="mt-1">
        <li>{say`${told(together.own)} for this one`}</li>
        {together.others.map((other) => (
          <li key={other.mend}>
            <ToMend id={other.mend}>{say`${told(other.amount)} for ${other.item}`}</ToMend>
          </li>
        ))}
      </ul>
      {begun ? null : <Apart desk={desk} stepId={front.stepId} />}
    </section>
  );
}

/** What goes into the cup, for all of them: the figures of the plan are those of one. */
function Amounts({ cup, desk }: { cup: NonNullable<Front['cup']>; desk: MendDesk }) {
  const { units } = useUnits();
  return (
    <dl className="mt-1 flex flex-wrap gap-x-8">
      {cup.parts.map((part) => {
        const figure = desk.plan!.figures.find((each) => each.id === part.figure);
        const hand = byHandOf(part, figure, false, 1);
        return (
          <div key={part.part}>
            <dt className="lettering">{figure?.label}</dt>
            <dd className="numeral text-4xl">{measure(part.wanted * hand.factor, hand.unit, hand.decimals, units)}</dd>
          </div>
        );
      })}
    </dl>
  );
}

/** A mend whose mix stands in another one's cup. */
export function MixedElsewhere({ together, front, desk }: { together: Together; front: Front; desk: MendDesk }) {
  const { units } = useUnits();
  const told = (amount: number) => amountOf(amount, together.isWeighed, units);
  const host = together.others[0]!;
  return (
    <div className="flex flex-col gap-3">
      <Notice tone="early" word={say`One cup.`}>
        {say`It is mixed with ${host.item}: ${told(together.own)} of its ${told(together.total)} are for this one. It goes on here when that cup is stirred.`}
      </Notice>
      <Link
        to="/mends/$id/$stage"
        params={{ id: String(host.mend), stage: 'mend' }}
        className="flex min-h-20 items-center justify-center rounded-sm border-2 border-act bg-act px-4 text-2xl font-bold text-on-act"
      >
        {say`To the cup at ${host.item}`}
      </Link>
      <Apart desk={desk} stepId={front.stepId} />
    </div>
  );
}

/** How much of the cup in hand is this one's, while it is spread. */
export function ShareInHand({ together }: { together: Together }) {
  const { units } = useUnits();
  const told = (amount: number) => amountOf(amount, together.isWeighed, units);
  return (
    <p className="border-l-4 border-resin pl-3 text-lg">
      {say`${told(together.own)} of the shared cup are for this one;`}{' '}
      {together.others.map((other, i) => (
        <span key={other.mend}>
          {i > 0 ? ', ' : ''}
          <ToMend id={other.mend}>{say`${told(other.amount)} for ${other.item}`}</ToMend>
        </span>
      ))}
    </p>
  );
}

function Apart({ desk, stepId }: { desk: MendDesk; stepId: string }) {
  return (
    <Button className="mt-2 min-h-14 self-start" disabled={desk.busy} onClick={() => desk.happened({ kind: 'cup-apart', stepId })}>
      {say`Mix them apart after all`}
    </Button>
  );
}

function ToMend({ id, children }: { id: number; children: string }) {
  return (
    <Link to="/mends/$id/$stage" params={{ id: String(id), stage: 'mend' }} className="inline-flex min-h-11 items-center text-act underline underline-offset-4">
      {children}
    </Link>
  );
}
