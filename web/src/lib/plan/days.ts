/** Days are written 2006-01-02 and mean no zone: they are read at noon of UTC. */
const at = (day: string) => new Date(`${day}T12:00:00Z`);

const short = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', timeZone: 'UTC' });
const weekday = new Intl.DateTimeFormat(undefined, { weekday: 'short', timeZone: 'UTC' });

export const dateName = (day: string) => short.format(at(day));
export const weekdayName = (day: string) => weekday.format(at(day));

/** The days of the week in the reader's words, 0 for Sunday. */
export const weekdayNames = Array.from({ length: 7 }, (_, i) =>
  weekday.format(new Date(Date.UTC(2023, 0, 1 + i, 12)))
);

/** A day some days later. */
export function plus(day: string, days: number): string {
  const d = at(day);
  d.setUTCDate(d.getUTCDate() + days);
  return d.toISOString().slice(0, 10);
}
