import { TZDate } from '@date-fns/tz';
import { page } from '$app/state';
import { session } from './session.svelte';

/** The time zone of a team, or of the one whose page is open; of the device where there is no team. */
export function zoneOf(team = page.params.team): string {
  return (
    session.view?.teams.find((t) => t.id === team)?.zone ?? Intl.DateTimeFormat().resolvedOptions().timeZone
  );
}

/** A moment as the team's clock has it: its getters give the team's day and hour. */
export function at(time: string | number, zone = zoneOf()): TZDate {
  return new TZDate(new Date(time), zone);
}

/** Now, as the team's clock has it. */
export function now(zone = zoneOf()): TZDate {
  return new TZDate(Date.now(), zone);
}

/** A day of a month, 0 for January, on the team's calendar. */
export function dayAt(year: number, month: number, day: number, zone = zoneOf()): TZDate {
  return new TZDate(year, month, day, zone);
}

const pad = (n: number) => String(n).padStart(2, '0');

/** The team's day of a moment, as 2006-01-02. */
export function dateOf(time: string | number, zone = zoneOf()): string {
  const d = at(time, zone);
  return `${d.getFullYear()}-${pad(d.getMonth() + 1)}-${pad(d.getDate())}`;
}

/** A moment as a field for a date and a time has it, which knows no zone: 2006-01-02T15:04. */
export function fieldOf(time: string): string {
  const d = at(time);
  return `${dateOf(time)}T${pad(d.getHours())}:${pad(d.getMinutes())}`;
}

/** The moment that such a field means; undefined where it is not filled in. */
export function fromField(text: string, zone = zoneOf()): string | undefined {
  const [year, month, day, hour, minute] = text.split(/[-T:]/).map(Number);
  if (!year || !month || !day || hour === undefined || minute === undefined) return undefined;
  return new Date(+new TZDate(year, month - 1, day, hour, minute, zone)).toISOString();
}

const formats = new Map<string, Intl.DateTimeFormat>();

function format(time: string | number, options: Intl.DateTimeFormatOptions): string {
  const timeZone = zoneOf();
  const key = timeZone + JSON.stringify(options);
  let f = formats.get(key);
  if (!f) formats.set(key, (f = new Intl.DateTimeFormat(undefined, { ...options, timeZone })));
  return f.format(new Date(time));
}

/** "Sat, Nov 28". */
export const dayOf = (time: string | number) =>
  format(time, { weekday: 'short', day: 'numeric', month: 'short' });
/** "Nov 28". */
export const monthDayOf = (time: string | number) => format(time, { day: 'numeric', month: 'short' });
/** "Saturday, November 28". */
export const longDayOf = (time: string | number) =>
  format(time, { weekday: 'long', day: 'numeric', month: 'long' });
/** "November 28, 2026". */
export const fullDayOf = (time: string | number) => format(time, { dateStyle: 'long' });
/** "6:00 PM". */
export const hourOf = (time: string | number) => format(time, { hour: 'numeric', minute: '2-digit' });
