-- +goose Up

-- A player's private link to the trainer: one at a time, shown once, kept as a hash.
CREATE TABLE trainer_links (
    program_id uuid NOT NULL,
    player_id  uuid NOT NULL,
    key_hash   bytea NOT NULL UNIQUE,
    made_at    timestamptz NOT NULL,
    PRIMARY KEY (program_id, player_id),
    FOREIGN KEY (program_id, player_id) REFERENCES players (program_id, id) ON DELETE CASCADE
);

-- What players answered away from the floor; it never counts as a rep. The id is
-- made on the phone, so that an answer which is sent twice is stored once. The item
-- follows from screen, cue, step and seed.
CREATE TABLE trainer_answers (
    program_id uuid NOT NULL,
    player_id  uuid NOT NULL,
    id         uuid NOT NULL,
    screen     text NOT NULL,
    cue        text NOT NULL,
    step       integer NOT NULL,
    seed       bigint NOT NULL,
    expected   text NOT NULL,
    choice     text NOT NULL,
    is_right   boolean NOT NULL,
    is_late    boolean NOT NULL,
    seconds    double precision NOT NULL,
    at         timestamptz NOT NULL,
    PRIMARY KEY (program_id, player_id, id),
    UNIQUE (program_id, player_id, screen, cue, step, seed), -- an item counts once
    FOREIGN KEY (program_id, player_id) REFERENCES players (program_id, id) ON DELETE CASCADE
);
CREATE INDEX trainer_answers_player ON trainer_answers (program_id, player_id, at);

-- +goose Down
DROP TABLE trainer_answers, trainer_links;
