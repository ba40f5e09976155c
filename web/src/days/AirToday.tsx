import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { airQuery } from '../api/queries';
import type { Schemas } from '../api/types';
import { percentOf } from '../measures/percent';
import { clock } from '../measures/time';
import { measure } from '../measures/units';
import { useNow } from '../shop/clock';
import { useUnits } from '../shop/units';
import { useZone } from '../shop/zone';
import { Notice } from '../ui/Notice';
import { solventWords } from '../ui/words';
import { say } from '../words/say';

const gram = 'g';

type View = Schemas['AirView'];
type Day = NonNullable<View['day']>;

/** The air of the room over the day: how high it stands, how long a mask is needed, and what gives it off. */
export function AirToday() {
  const { data } = useQuery(airQuery);
  if (!data) return null;
  return (
    <section id="air" aria-label={say`Air in the room`} className="mt-6 border-t-2 border-ink pt-2">
      <h2 className="text-2xl">{say`Air in the room`}</h2>
      {data.day === null ? (
        <p>{say`Nobody has said how large the room is, so that nothing is estimated: it is set under Shop.`}</p>
      ) : (
        <TheDay view={data} day={data.day} />
      )}
    </section>
  );
}

function TheDay({ view, day }: { view: View; day: Day }) {
  const zone = useZone();
  const at = (iso: string) => clock(iso, zone);
  return (
    <>
      <dl className="mt-1 flex flex-wrap gap-x-8 gap-y-1">
        <Said what={say`Now, of the limit`} words={percentOf(day.now)} />
        <Said what={say`Highest`} words={day.highest > 0 ? `${percentOf(day.highest)}, ${at(day.highestAt)}` : percentOf(0)} />
        <Said what={say`Mean over 8 hours`} words={percentOf(day.worstMean)} isLate={day.worstMean > 1} />
        <Said what={say`Of a tenth of what burns`} words={percentOf(day.highestFlammable)} isLate={day.highestFlammable > 1} />
        <Said what={say`Clear again`} words={day.clearAt ? at(day.clearAt) : day.now < 0.1 ? say`clear` : say`not today`} />
        <Said
          what={say`Cartridge`}
          words={say`${day.hoursInVapourToday.toFixed(1)} of ${view.cartridgeHours} h`}
          isLate={day.hoursInVapourToday > view.cartridgeHours}
        />
      </dl>
      {day.highest > 0 ? <AirCurve day={day} /> : null}
      {day.worstMean > 1 ? (
        <Notice
          tone="late"
          word={say`Too much.`}
        >{say`The day’s mean passes the limit: more air, a fan that blows out, outdoors, or another day for some of it.`}</Notice>
      ) : null}
      {day.highestFlammable > 1 ? (
        <Notice tone="late" word={say`It may burn.`}>{say`At its highest the vapour passes a tenth of what burns: no flame, no spark, no heater.`}</Notice>
      ) : null}
      <Sources view={view} />
      <p className="mt-1 text-faint">
        {say`An estimate for a well-mixed room, all vapours counted together; close to the work it is far more. The safety sheets and local limits decide.`}
      </p>
    </>
  );
}

function Said({ what, words, isLate = false }: { what: string; words: string; isLate?: boolean }) {
  return (
    <div>
      <dt className="lettering">{what}</dt>
      <dd className={`numeral text-2xl ${isLate ? 'text-late' : ''}`}>{words}</dd>
    </div>
  );
}

function Sources({ view }: { view: View }) {
  const zone = useZone();
  const { units } = useUnits();
  return view.vapours.length === 0 ? (
    <p>{say`Nothing gives off vapour today.`}</p>
  ) : (
    <ul className="mt-1">
      {view.vapours.map((each) => (
        <li key={`${String(each.mend)} ${each.at} ${each.title} ${each.solvent}`} className="grid grid-cols-[3.5rem_5.5rem_minmax(0,1fr)] gap-x-3">
          <span className="numeral text-right text-faint">{clock(each.at, zone)}</span>
          <Link to="/mends/$id/$stage" params={{ id: String(each.mend), stage: 'plan' }} className="numeral text-act underline underline-offset-4">
            {each.tag}
          </Link>
          <span>
            {each.title}{' '}
            <span className="text-faint">
              {measure(each.grams, gram, 1, units)} {solventWords[each.solvent] ?? each.solvent}
            </span>
          </span>
        </li>
      ))}
    </ul>
  );
}

const width = 600;
const height = 130;
const left = 56;
const bottom = 24;

/** The level over the day beside the limit, with the present. */
function AirCurve({ day }: { day: Day }) {
  const now = useNow();
  const zone = useZone();
  const fromMs = Date.parse(day.moments[0]!.at);
  const toMs = Date.parse(day.moments[day.moments.length - 1]!.at);
  const most = Math.max(day.highest, 0.5) * 1.15;
  const x = (ms: number) => left + ((ms - fromMs) / (toMs - fromMs)) * (width - left);
  const y = (share: number) => 6 + (1 - share / most) * (height - bottom - 6);
  const path = day.moments.map((each, i) => `${i === 0 ? 'M' : 'L'}${x(Date.parse(each.at)).toFixed(1)} ${y(each.shareOfLimit).toFixed(1)}`).join('');
  return (
    <svg viewBox={`0 0 ${width} ${height}`} role="img" aria-label={say`Vapour over the day, of the limit`} className="my-2 h-auto w-full max-w-2xl bg-sheet">
      <path d={`${path}L${x(toMs)} ${y(0)}L${x(fromMs)} ${y(0)}Z`} fill="var(--resin-soft)" />
      <path d={path} fill="none" stroke="var(--resin)" strokeWidth={2} />
      {most > 1 ? <line x1={left} x2={width} y1={y(1)} y2={y(1)} stroke="var(--late)" strokeWidth={1.5} strokeDasharray="6 4" /> : null}
      <line x1={x(now)} x2={x(now)} y1={0} y2={height - bottom} stroke="var(--ink)" strokeWidth={2} />
      <line x1={left} x2={width} y1={y(0)} y2={y(0)} stroke="var(--line)" />
      <g fontSize={16} fill="var(--ink)">
        <text x={left - 6} y={y(most > 1 ? 1 : day.highest) + 4} textAnchor="end">
          {percentOf(most > 1 ? 1 : day.highest)}
        </text>
        {[0, 0.25, 0.5, 0.75].map((share) => (
          <text key={share} x={left + share * (width - left)} y={height - 4} textAnchor="middle">
            {clock(new Date(fromMs + share * (toMs - fromMs)).toISOString(), zone)}
          </text>
        ))}
      </g>
    </svg>
  );
}
