import { api, ask, type Schemas } from '$lib/api/client';
import { datedOrKept, forget, keep, orKept } from './device';

type Catalogue = Schemas['Catalogue'];

/** Who is signed in, and what the product knows. One per page. */
class Session {
  view = $state<Schemas['Session'] | null>(null);
  catalogue = $state<Catalogue | null>(null);
  /** The program's own drills. */
  own = $state.raw<Schemas['OwnDrill'][]>([]);

  async load() {
    this.take(await orKept('session', ask(api.GET('/api/session'))));
    await this.know();
  }

  /** Since when drills and catalogue are on this device, where the server did not answer. */
  since = $state<number>();

  async signIn(body: Schemas['SignIn']) {
    this.take(await ask(api.POST('/api/session', { body })));
    await this.know();
  }

  async setUp(body: Schemas['SetUp']) {
    this.take(await ask(api.POST('/api/setup', { body })));
    await this.know();
  }

  async signOut(everywhere: boolean) {
    await ask(api.DELETE('/api/session', { params: { query: { everywhere } } }));
    await forget();
    await this.load();
  }

  read(id: string) {
    return this.catalogue?.reads.find((r) => r.id === id);
  }

  readName(id: string) {
    return id === '' ? 'no read' : (this.read(id)?.name ?? id);
  }

  actionName(id: string) {
    return this.catalogue?.actions.find((s) => s.id === id)?.name ?? id;
  }

  cueName(id: string) {
    return this.catalogue?.cues.find((c) => c.id === id)?.name ?? id;
  }

  rung(id: string) {
    return this.catalogue?.ladder.find((r) => r.id === id);
  }

  rungName(number: number) {
    return this.catalogue?.ladder.find((r) => r.number === number)?.name ?? '';
  }

  drill(id: string) {
    return this.own.find((o) => o.drill.id === id)?.drill ?? this.catalogue?.drills.find((d) => d.id === id);
  }

  /** What can be run: the program's own drills, then the catalogue's. */
  get drills() {
    const own = this.own.filter((o) => !o.archived).map((o) => o.drill);
    return [...own, ...(this.catalogue?.drills ?? [])];
  }

  async loadOwn() {
    this.own = await orKept('drills', ask(api.GET('/api/drills')));
  }

  /** What a team's age leaves out; undefined where it leaves out nothing. */
  leftOut(team: string) {
    return this.view?.teams.find((t) => t.id === team)?.leftOut;
  }

  /** The longest practice for a team's age in minutes; undefined where there is no limit. */
  longestPractice(team: string) {
    return this.view?.teams.find((t) => t.id === team)?.longest;
  }

  tag(id: string) {
    return this.catalogue?.tags.find((c) => c.id === id)?.name ?? id;
  }

  get head() {
    return this.view?.me?.role === 'head';
  }

  /** May change something: a viewer looks on. */
  get coach() {
    return this.view?.me?.role !== 'viewer';
  }

  private take(view: Schemas['Session']) {
    this.view = view;
    void keep('session', view);
  }

  private async know() {
    if (this.view?.state === 'in' && !this.catalogue) {
      const [catalogue] = await Promise.all([
        datedOrKept('catalogue', ask(api.GET('/api/catalogue'))),
        this.loadOwn()
      ]);
      this.catalogue = catalogue.value;
      this.since = catalogue.since;
    }
  }
}

export const session = new Session();

const lastTeamKey = 'evrik.team';

/** The team to open: the one used last on this device, or the first. */
export function lastTeam(teams: { id: string }[]): string | undefined {
  const last = localStorage.getItem(lastTeamKey);
  return teams.find((t) => t.id === last)?.id ?? teams[0]?.id;
}

export function rememberTeam(id: string) {
  localStorage.setItem(lastTeamKey, id);
}
