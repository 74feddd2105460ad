-- +goose Up

-- What the log comes to, kept with every event, so that a board costs the same
-- whatever lies in the log. A row is a core's sum (evidence.Sum); masses are of the
-- half-life that the program's ledger names. The newest_ columns are the share of the
-- practice or game of the newest rep.
CREATE TABLE sums (
    program_id        uuid NOT NULL,
    player_id         uuid NOT NULL,
    role              text NOT NULL,
    expected          text NOT NULL,
    rung              text NOT NULL,
    side              text NOT NULL,
    reps              integer NOT NULL,
    is_right          integer NOT NULL,
    mass              double precision NOT NULL,
    right_mass        double precision NOT NULL,
    last_at           timestamptz NOT NULL,
    practice_id       uuid NOT NULL,
    newest_reps       integer NOT NULL,
    newest_right      integer NOT NULL,
    newest_mass       double precision NOT NULL,
    newest_right_mass double precision NOT NULL,
    PRIMARY KEY (program_id, player_id, role, expected, rung, side),
    FOREIGN KEY (program_id, player_id) REFERENCES players (program_id, id) ON DELETE CASCADE
);

-- What was made in place of what was asked for.
CREATE TABLE mistakes (
    program_id uuid NOT NULL,
    player_id  uuid NOT NULL,
    role       text NOT NULL,
    expected   text NOT NULL,
    made       text NOT NULL,
    reps       integer NOT NULL,
    PRIMARY KEY (program_id, player_id, role, expected, made),
    FOREIGN KEY (program_id, player_id) REFERENCES players (program_id, id) ON DELETE CASCADE
);

-- Which situations a player has reps of, taken-back ones not counted.
CREATE TABLE practised (
    program_id uuid NOT NULL,
    player_id  uuid NOT NULL,
    screen     text NOT NULL,
    reps       integer NOT NULL,
    PRIMARY KEY (program_id, player_id, screen),
    FOREIGN KEY (program_id, player_id) REFERENCES players (program_id, id) ON DELETE CASCADE
);

-- Programs whose sums are whole. One that is not here is counted from the log when
-- the server starts.
CREATE TABLE ledgers (
    program_id  uuid PRIMARY KEY REFERENCES programs ON DELETE CASCADE,
    half_life_s double precision NOT NULL
);

-- The observations of one rep.
CREATE INDEX rep_events_rep ON rep_events (block_id, rep_no);

-- +goose Down
DROP INDEX rep_events_rep;
DROP TABLE ledgers, practised, mistakes, sums;
