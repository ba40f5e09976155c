import { locale, say } from '../words/say';

/** What a machine reads keeps one shape in every language. */
const styles = {
  clock: ['reader', { hour: '2-digit', minute: '2-digit' }],
  dayAndClock: ['reader', { weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' }],
  date: ['en-CA', {}],
  day: ['reader', { weekday: 'short', day: 'numeric', month: 'short' }],
  field: ['en-GB', { year: 'numeric', month: '2-digit', day: '2-digit', hour: '2-digit', minute: '2-digit' }],
} as const satisfies Record<string, readonly [string, Intl.DateTimeFormatOptions]>;

const formats = new Map<string, Intl.DateTimeFormat>();

/** A formatter is kept once made: making one costs more than everything else in drawing a plan. */
function format(style: keyof typeof styles, zone: string): Intl.DateTimeFormat {
  const key = `${style} ${zone}`;
  const known = formats.get(key);
  if (known) return known;
  const [of, options] = styles[style];
  const made = new Intl.DateTimeFormat(of === 'reader' ? locale() : of, { ...options, timeZone: zone });
  formats.set(key, made);
  return made;
}

/** Clock times in the shop's zone, and spans in words. */
export function clock(iso: string | null | undefined, zone: string): string {
  return iso ? format('clock', zone).format(new Date(iso)) : say`never at this bench`;
}

export function dayAndClock(iso: string | null | undefined, zone: string): string {
  return iso ? format('dayAndClock', zone).format(new Date(iso)).replace(',', '') : say`never at this bench`;
}

/** A day, where the hour would say more than anybody knows. */
export function day(iso: string | null | undefined, zone: string): string {
  return iso ? format('day', zone).format(new Date(iso)).replace(',', '') : say`no date`;
}

/** Today's times as a clock, others with their day. */
export function when(iso: string | null | undefined, now: number, zone: string): string {
  if (!iso) return say`never at this bench`;
  const days = format('date', zone);
  return days.format(Date.parse(iso)) === days.format(now) ? clock(iso, zone) : dayAndClock(iso, zone);
}

/** The day of the shop on which an instant lies, as "2026-05-06". */
export function localDay(iso: string, zone: string): string {
  return format('date', zone).format(new Date(iso));
}

/** A span in two units at most: "2 d 4 h", "3 h 05", "12 min", "40 s". */
export function span(milliseconds: number): string {
  const seconds = Math.max(0, Math.round(milliseconds / 1000));
  if (seconds < 90) return say`${seconds} s`;
  const minutes = Math.round(seconds / 60);
  if (minutes < 90) return say`${minutes} min`;
  const hours = Math.floor(minutes / 60);
  if (hours < 48) return say`${hours} h ${two(minutes % 60)}`;
  return say`${Math.floor(hours / 24)} d ${hours % 24} h`;
}

const two = (value: number) => String(value).padStart(2, '0');

/** Minutes and seconds for a running countdown: "4:09", or "1:02:09". */
export function countdown(milliseconds: number): string {
  const seconds = Math.max(0, Math.floor(milliseconds / 1000));
  const hours = Math.floor(seconds / 3600);
  const minutes = Math.floor(seconds / 60) % 60;
  return hours > 0 ? `${hours}:${two(minutes)}:${two(seconds % 60)}` : `${minutes}:${two(seconds % 60)}`;
}

/** The value of a datetime-local field for an instant, in a zone; and back. */
export function toLocalField(iso: string, zone: string): string {
  const parts = Object.fromEntries(
    format('field', zone)
      .formatToParts(new Date(iso))
      .map((part) => [part.type, part.value]),
  );
  return `${parts.year}-${parts.month}-${parts.day}T${parts.hour}:${parts.minute}`;
}

export function fromLocalField(text: string, zone: string): string | null {
  // An engine may read a date into almost any text, so the shape is asked for first.
  const asUtc = /^\d{4}-\d\d-\d\dT\d\d:\d\d$/.test(text) ? Date.parse(`${text}:00Z`) : Number.NaN;
  if (Number.isNaN(asUtc)) return null;
  // The zone's offset is read twice: once near the instant, once at it, which settles the hours round a clock change.
  const offset = (instant: number) => Date.parse(`${toLocalField(new Date(instant).toISOString(), zone)}:00Z`) - instant;
  const first = asUtc - offset(asUtc);
  return new Date(asUtc - offset(first)).toISOString();
}

/** How long something has served, as roughly as anybody knows it: days at first, then months. */
export function served(years: number): string {
  const days = Math.round(years * 365.25);
  if (days < 61) return days === 1 ? say`1 day` : say`${days} days`;
  return say`${Math.round(years * 12)} months`;
}
