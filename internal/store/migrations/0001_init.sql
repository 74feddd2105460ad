-- +goose Up

-- A program owns everything; every other table carries its id, and keys that
-- cross tables include it, so that no row can point into another program.
CREATE TABLE programs (
    id         uuid PRIMARY KEY,
    name       text NOT NULL,
    demo       boolean NOT NULL DEFAULT false,
    created_at timestamptz NOT NULL DEFAULT now()
);

CREATE TABLE staff (
    id            uuid PRIMARY KEY,
    program_id    uuid NOT NULL REFERENCES programs ON DELETE CASCADE,
    name          text NOT NULL,
    email         text NOT NULL,
    role          text NOT NULL CHECK (role IN ('head', 'assistant')),
    password_hash text NOT NULL,
    -- Sessions carry the epoch they began in; raising it ends them all.
    session_epoch integer NOT NULL DEFAULT 0,
    created_at    timestamptz NOT NULL DEFAULT now(),
    UNIQUE (program_id, id)
);
CREATE UNIQUE INDEX staff_email ON staff (lower(email));

CREATE TABLE sessions (
    token  text PRIMARY KEY,
    data   bytea NOT NULL,
    expiry timestamptz NOT NULL
);
CREATE INDEX sessions_expiry ON sessions (expiry);

-- Failed sign-ins, for the rate limit. The key is a hash of an address or a
-- network place, never the thing itself.
CREATE TABLE sign_in_failures (
    key text NOT NULL,
    at  timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX sign_in_failures_key ON sign_in_failures (key, at);

CREATE TABLE teams (
    id             uuid PRIMARY KEY,
    program_id     uuid NOT NULL REFERENCES programs ON DELETE CASCADE,
    name           text NOT NULL,
    season         text NOT NULL,
    ages           text NOT NULL,
    court          jsonb NOT NULL,
    metric         boolean NOT NULL DEFAULT false,
    fade_to_corner boolean NOT NULL DEFAULT false,
    flare_first    boolean NOT NULL DEFAULT false,
    position       integer NOT NULL DEFAULT 0,
    UNIQUE (program_id, id)
);

-- Children's data: a jersey and a short display name are all that is kept.
CREATE TABLE players (
    id         uuid PRIMARY KEY,
    program_id uuid NOT NULL,
    team_id    uuid NOT NULL,
    jersey     text NOT NULL CHECK (jersey ~ '^[0-9]{1,2}$'),
    name       text NOT NULL CHECK (name <> '' AND length(name) <= 24),
    handler    boolean NOT NULL DEFAULT false,
    wing       boolean NOT NULL DEFAULT false,
    big        boolean NOT NULL DEFAULT false,
    shooter    boolean NOT NULL DEFAULT false,
    created_at timestamptz NOT NULL DEFAULT now(),
    UNIQUE (program_id, id),
    UNIQUE (program_id, team_id, jersey) DEFERRABLE INITIALLY IMMEDIATE,
    FOREIGN KEY (program_id, team_id) REFERENCES teams (program_id, id) ON DELETE CASCADE
);

CREATE TABLE practices (
    id         uuid PRIMARY KEY,
    program_id uuid NOT NULL,
    team_id    uuid NOT NULL,
    starts_at  timestamptz NOT NULL,
    minutes    integer NOT NULL CHECK (minutes BETWEEN 1 AND 240),
    note       text NOT NULL DEFAULT '',
    version    integer NOT NULL DEFAULT 1,
    -- The clock: which block runs, how much of it had passed when it was last
    -- started or stopped, and since when it runs (null while it stands).
    status        text NOT NULL DEFAULT 'planned' CHECK (status IN ('planned', 'open', 'done')),
    block_id      uuid,
    block_ms      bigint NOT NULL DEFAULT 0,
    running_since timestamptz,
    UNIQUE (program_id, id),
    FOREIGN KEY (program_id, team_id) REFERENCES teams (program_id, id) ON DELETE CASCADE
);
CREATE INDEX practices_team ON practices (program_id, team_id, starts_at);

CREATE TABLE attendance (
    program_id  uuid NOT NULL,
    practice_id uuid NOT NULL,
    player_id   uuid NOT NULL,
    PRIMARY KEY (practice_id, player_id),
    FOREIGN KEY (program_id, practice_id) REFERENCES practices (program_id, id) ON DELETE CASCADE,
    FOREIGN KEY (program_id, player_id) REFERENCES players (program_id, id) ON DELETE CASCADE
);

CREATE TABLE blocks (
    id          uuid PRIMARY KEY,
    program_id  uuid NOT NULL,
    practice_id uuid NOT NULL,
    position    integer NOT NULL,
    kind        text NOT NULL CHECK (kind IN ('drill', 'own', 'water')),
    title       text NOT NULL,
    drill       text NOT NULL DEFAULT '',
    stage       text NOT NULL DEFAULT '',
    minutes     double precision NOT NULL,
    baskets     integer NOT NULL DEFAULT 1,
    seconds     double precision NOT NULL DEFAULT 0,
    seed        bigint NOT NULL DEFAULT 0,
    UNIQUE (program_id, id),
    FOREIGN KEY (program_id, practice_id) REFERENCES practices (program_id, id) ON DELETE CASCADE
);
CREATE INDEX blocks_practice ON blocks (program_id, practice_id, position);

-- What was seen on the floor. Rows are only ever added: a mistake is voided by
-- another row. The id is made on the device, so that sending twice stores once.
-- Block and practice are kept as plain ids: a rep outlives a plan that changes.
CREATE TABLE rep_events (
    id          uuid PRIMARY KEY,
    program_id  uuid NOT NULL,
    team_id     uuid NOT NULL,
    practice_id uuid NOT NULL,
    block_id    uuid NOT NULL,
    kind        text NOT NULL CHECK (kind IN ('rep', 'void')),
    voids       uuid,
    rep_no      integer NOT NULL,
    at          timestamptz NOT NULL,
    recorded_at timestamptz NOT NULL DEFAULT now(),
    player_id   uuid NOT NULL,
    role        text NOT NULL,
    drill       text NOT NULL,
    rung        text NOT NULL,
    screen      text NOT NULL,
    side        text NOT NULL CHECK (side IN ('left', 'right')),
    cue         text NOT NULL,
    expected    text NOT NULL,
    made        text NOT NULL,
    is_right    boolean NOT NULL,
    late        boolean NOT NULL DEFAULT false,
    outcome     text NOT NULL DEFAULT '',
    corrections text[] NOT NULL DEFAULT '{}',
    observer_id uuid NOT NULL,
    device      text NOT NULL,
    CHECK ((kind = 'void') = (voids IS NOT NULL)),
    FOREIGN KEY (program_id, team_id) REFERENCES teams (program_id, id) ON DELETE CASCADE,
    FOREIGN KEY (program_id, player_id) REFERENCES players (program_id, id) ON DELETE CASCADE
);
CREATE INDEX rep_events_player ON rep_events (program_id, player_id, at);
CREATE INDEX rep_events_team ON rep_events (program_id, team_id, at);
CREATE INDEX rep_events_practice ON rep_events (program_id, practice_id);
CREATE INDEX rep_events_voids ON rep_events (voids) WHERE voids IS NOT NULL;

-- +goose StatementBegin
CREATE FUNCTION rep_events_are_final() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    RAISE EXCEPTION 'a logged rep never changes; void it with another event';
END $$;
-- +goose StatementEnd
-- Deleting happens only by cascade, when a player's data is deleted on request.
CREATE TRIGGER rep_events_final BEFORE UPDATE ON rep_events
    FOR EACH ROW EXECUTE FUNCTION rep_events_are_final();

-- +goose Down
DROP TABLE rep_events, blocks, attendance, practices, players, teams, sign_in_failures, sessions, staff, programs;
DROP FUNCTION rep_events_are_final;
