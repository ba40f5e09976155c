import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { airQuery } from '../api/queries';
import { percentOf } from '../measures/percent';
import { clock } from '../measures/time';
import { useZone } from '../shop/zone';
import { Notice } from '../ui/Notice';
import { say } from '../words/say';

/** From here on the air is said at the bench: a quarter of the limit is no longer nothing. */
const saidFrom = 0.25;

/** The air of the room now, where it matters. */
export function AirNow() {
  const zone = useZone();
  const { data } = useQuery(airQuery);
  const day = data?.day;
  if (!day || (day.now < saidFrom && day.worstMean <= 1)) return null;
  return (
    <Notice tone={day.now > 1 || day.worstMean > 1 ? 'late' : 'early'} word={say`Air:`}>
      {say`vapour at ${percentOf(day.now)} of the 8-hour limit, by estimate.`} {day.clearAt ? say`Clear again at ${clock(day.clearAt, zone)}.` : ''}{' '}
      {day.worstMean > 1 ? say`Today’s mean comes to ${percentOf(day.worstMean)}: more air, a fan that blows out, or outdoors.` : ''}{' '}
      <Link to="/days" hash="air" className="underline underline-offset-4">{say`The day’s air`}</Link>
    </Notice>
  );
}
