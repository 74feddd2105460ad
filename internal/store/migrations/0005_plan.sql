-- +goose Up

-- What the planner works with: what a practice has and is for, blocks at one end
-- of the floor, groups, pins, and who keeps out of live blocks.
ALTER TABLE practices ADD COLUMN terms jsonb;
ALTER TABLE blocks
    ADD COLUMN floor_end integer NOT NULL DEFAULT 0 CHECK (floor_end BETWEEN 0 AND 2),
    ADD COLUMN players uuid[] NOT NULL DEFAULT '{}',
    ADD COLUMN pin boolean NOT NULL DEFAULT false,
    ADD COLUMN no_helpers boolean NOT NULL DEFAULT false;
ALTER TABLE attendance ADD COLUMN limited boolean NOT NULL DEFAULT false;

-- A team's own time zone, its local rule in place of the guideline, what the
-- weeks ahead are for, and the hash of the calendar address it has given out.
ALTER TABLE teams
    ADD COLUMN zone text NOT NULL DEFAULT 'UTC',
    ADD COLUMN local_rule jsonb,
    ADD COLUMN season_aim jsonb,
    ADD COLUMN feed_hash bytea;
CREATE UNIQUE INDEX teams_feed ON teams (feed_hash) WHERE feed_hash IS NOT NULL;

-- Plans kept for another evening.
CREATE TABLE templates (
    id         uuid PRIMARY KEY,
    program_id uuid NOT NULL REFERENCES programs ON DELETE CASCADE,
    name       text NOT NULL CHECK (name <> '' AND length(name) <= 60),
    minutes    integer NOT NULL CHECK (minutes BETWEEN 1 AND 240),
    blocks     jsonb NOT NULL,
    changed_at timestamptz NOT NULL DEFAULT now(),
    UNIQUE (program_id, id)
);

-- +goose Down
DROP TABLE templates;
ALTER TABLE teams DROP COLUMN zone, DROP COLUMN local_rule, DROP COLUMN season_aim, DROP COLUMN feed_hash;
ALTER TABLE attendance DROP COLUMN limited;
ALTER TABLE blocks DROP COLUMN floor_end, DROP COLUMN players, DROP COLUMN pin, DROP COLUMN no_helpers;
ALTER TABLE practices DROP COLUMN terms;
