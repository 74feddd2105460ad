import { dateOf, dayAt, fieldOf, fromField, zoneOf } from '$lib/state/teamclock';
import { session } from '$lib/state/session.svelte';
import { page } from './page';
import { same, type Cases } from './tell';

const chicago = 'America/Chicago';

/** Whose page is open. */
function at(team: string, zone: string) {
  page.params.team = team;
  session.view = { state: 'in', teams: [{ id: team, name: 'U14', zone }] } as unknown as typeof session.view;
}

export const teamclock: Cases = {
  'a field means the clock of the team': () => {
    at('t', chicago);
    same(zoneOf(), chicago);
    same(fromField('2026-12-01T18:00'), '2026-12-02T00:00:00.000Z', 'winter');
    same(fromField('2026-07-01T18:00'), '2026-07-01T23:00:00.000Z', 'summer');
    same(fromField('2026-12-01T18:00', 'Asia/Kolkata'), '2026-12-01T12:30:00.000Z', 'half an hour');
    same([fromField(''), fromField('2026-12-01'), fromField('soon')], [undefined, undefined, undefined]);
  },
  'a field and its moment are the same, hour by hour through a year': () => {
    at('t', chicago);
    for (let t = Date.UTC(2026, 0, 1); t < Date.UTC(2027, 0, 1); t += 3600_000 * 7) {
      const iso = new Date(t).toISOString();
      // The hour that comes twice in November means its first round.
      if (fieldOf(iso).startsWith('2026-11-01T01')) continue;
      same(fromField(fieldOf(iso)), iso);
    }
  },
  'a day is the team\u2019s, not that of the device or of Greenwich': () => {
    at('t', chicago);
    same(dateOf('2026-12-01T05:59:00Z'), '2026-11-30');
    same(dateOf('2026-12-01T06:01:00Z'), '2026-12-01');
    same(dateOf('2026-12-01T12:00:00Z', 'Pacific/Auckland'), '2026-12-02');
    same(dayAt(2026, 2, 8 + 31).getMonth(), 3, 'days run on into the next month');
  }
};
