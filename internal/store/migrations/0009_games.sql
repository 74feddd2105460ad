-- +goose Up

-- Games: what the opponent is expected to do, who may play, and what was wanted of the
-- line-ups. What was seen on the bench is in rep_events, on the rung "game", with the
-- game's id as the practice's.
CREATE TABLE games (
    id         uuid PRIMARY KEY,
    program_id uuid NOT NULL,
    team_id    uuid NOT NULL,
    starts_at  timestamptz NOT NULL,
    opponent   text NOT NULL CHECK (opponent <> '' AND length(opponent) <= 60),
    away       boolean NOT NULL DEFAULT false,
    note       text NOT NULL DEFAULT '',
    mixes      jsonb NOT NULL DEFAULT '[]',
    terms      jsonb NOT NULL DEFAULT '{}',
    version    integer NOT NULL DEFAULT 1,
    UNIQUE (program_id, id),
    FOREIGN KEY (program_id, team_id) REFERENCES teams (program_id, id) ON DELETE CASCADE
);
CREATE INDEX games_team ON games (program_id, team_id, starts_at);

-- What a bench counts for the team; rows are only ever added, and one takes another
-- back by counting -1. The id is made on the device.
CREATE TABLE game_counts (
    id          uuid PRIMARY KEY,
    program_id  uuid NOT NULL,
    game_id     uuid NOT NULL,
    at          timestamptz NOT NULL,
    what        text NOT NULL,
    by          integer NOT NULL CHECK (by IN (1, -1)),
    observer_id uuid NOT NULL,
    device      text NOT NULL,
    FOREIGN KEY (program_id, game_id) REFERENCES games (program_id, id) ON DELETE CASCADE
);
CREATE INDEX game_counts_game ON game_counts (program_id, game_id);

-- On the bench nobody notes the side.
ALTER TABLE rep_events DROP CONSTRAINT rep_events_side_check;
ALTER TABLE rep_events ADD CONSTRAINT rep_events_side_check CHECK (side IN ('left', 'right') OR rung = 'game' AND side = '');

-- +goose Down
ALTER TABLE rep_events DROP CONSTRAINT rep_events_side_check;
ALTER TABLE rep_events ADD CONSTRAINT rep_events_side_check CHECK (side IN ('left', 'right'));
DROP TABLE game_counts, games;
