-- +goose Up

-- When the clock was last touched, by the server's time: what devices kept while
-- they had no network is told late, and must not undo what came after it. What is
-- written down after the practice, and the blocks that were given up on the way.
ALTER TABLE practices
    ADD COLUMN clock_at timestamptz,
    ADD COLUMN review text NOT NULL DEFAULT '',
    ADD COLUMN dropped jsonb;

-- Who is not on the floor any more.
ALTER TABLE attendance ADD COLUMN gone text NOT NULL DEFAULT '' CHECK (gone IN ('', 'left', 'hurt'));

-- What was done to the clock; rows are only ever added.
CREATE TABLE clock_events (
    program_id  uuid NOT NULL,
    practice_id uuid NOT NULL,
    at          timestamptz NOT NULL,
    action      text NOT NULL,
    block_id    uuid,
    PRIMARY KEY (practice_id, at, action),
    FOREIGN KEY (program_id, practice_id) REFERENCES practices (program_id, id) ON DELETE CASCADE
);

-- What changed the order of a block that was running: who came or went, and when
-- the sides were swapped. The id is made on the device.
CREATE TABLE floor_changes (
    id          uuid PRIMARY KEY,
    program_id  uuid NOT NULL,
    practice_id uuid NOT NULL,
    at          timestamptz NOT NULL,
    kind        text NOT NULL CHECK (kind IN ('swap', 'presence')),
    block_id    uuid,
    after_rep   integer NOT NULL,
    player_id   uuid,
    was         text NOT NULL DEFAULT '',
    state       text NOT NULL DEFAULT '',
    CHECK ((kind = 'presence') = (player_id IS NOT NULL)),
    FOREIGN KEY (program_id, practice_id) REFERENCES practices (program_id, id) ON DELETE CASCADE,
    FOREIGN KEY (program_id, player_id) REFERENCES players (program_id, id) ON DELETE CASCADE
);
CREATE INDEX floor_changes_practice ON floor_changes (program_id, practice_id, at);

-- Second screens: a short code pairs one once, a session then shows the practice.
CREATE TABLE screens (
    id          uuid PRIMARY KEY,
    program_id  uuid NOT NULL,
    team_id     uuid NOT NULL,
    practice_id uuid NOT NULL,
    code_hash   bytea NOT NULL UNIQUE,
    code_until  timestamptz NOT NULL,
    paired_at   timestamptz,
    until       timestamptz NOT NULL,
    FOREIGN KEY (program_id, team_id) REFERENCES teams (program_id, id) ON DELETE CASCADE,
    FOREIGN KEY (program_id, practice_id) REFERENCES practices (program_id, id) ON DELETE CASCADE
);
CREATE INDEX screens_practice ON screens (program_id, practice_id);

-- +goose Down
DROP TABLE screens, floor_changes, clock_events;
ALTER TABLE attendance DROP COLUMN gone;
ALTER TABLE practices DROP COLUMN clock_at, DROP COLUMN review, DROP COLUMN dropped;
