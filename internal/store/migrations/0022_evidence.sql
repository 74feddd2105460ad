-- +goose Up

-- Boards are computed from the log. What closed weeks came to is remembered by every process for
-- as long as the version stands; the version counts what changes closed weeks: reps that come late,
-- reps taken back late, and whatever is deleted. Changes are rows of their own and are counted, so
-- that nobody who writes waits for another.
DROP TABLE ledgers, practiced, mistakes, sums;

CREATE TABLE log_changes (
    program_id uuid NOT NULL REFERENCES programs ON DELETE CASCADE,
    at         timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX log_changes_program ON log_changes (program_id);

ALTER TABLE rep_events RENAME COLUMN is_right TO is_correct;
ALTER TABLE rep_events RENAME COLUMN screen TO action;
-- A tag is its name or, where it belongs to somebody else than the player of the rep, its
-- name, a colon and that player.
ALTER TABLE rep_events RENAME COLUMN corrections TO tags;
DROP INDEX rep_events_rep;
ALTER TABLE kept_counts RENAME COLUMN is_right TO is_correct;

-- closed_before is the moment before which weeks may be closed: with a patience of two days the week
-- before is closed on Wednesday. 16 hours later than a Monday begins in UTC it is four in the morning
-- of it everywhere on earth. Who closes weeks has an hour more of patience than who writes, so that a
-- write under way is not missed.
-- +goose StatementBegin
CREATE FUNCTION closed_before(patience interval) RETURNS timestamptz LANGUAGE sql STABLE AS $$
    SELECT date_trunc('week', now() - patience, 'UTC') + interval '16 hours'
$$;
-- +goose StatementEnd

-- +goose StatementBegin
CREATE FUNCTION count_log_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF TG_OP = 'DELETE' THEN
        INSERT INTO log_changes (program_id)
        SELECT DISTINCT c.program_id FROM changed c JOIN programs p ON p.id = c.program_id;
    ELSE
        INSERT INTO log_changes (program_id)
        SELECT DISTINCT c.program_id FROM changed c WHERE c.at < closed_before('48 hours')
            OR c.voids IS NOT NULL AND EXISTS (SELECT 1 FROM rep_events r WHERE r.id = c.voids AND r.at < closed_before('48 hours'));
    END IF;
    RETURN NULL;
END
$$;
-- +goose StatementEnd

CREATE TRIGGER rep_events_added AFTER INSERT ON rep_events
    REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION count_log_change();
CREATE TRIGGER rep_events_deleted AFTER DELETE ON rep_events
    REFERENCING OLD TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION count_log_change();

-- +goose Down
DROP TRIGGER rep_events_added ON rep_events;
DROP TRIGGER rep_events_deleted ON rep_events;
DROP FUNCTION count_log_change;
DROP FUNCTION closed_before(interval);
DROP TABLE log_changes;
ALTER TABLE rep_events RENAME COLUMN is_correct TO is_right;
ALTER TABLE rep_events RENAME COLUMN action TO screen;
ALTER TABLE rep_events RENAME COLUMN tags TO corrections;
ALTER TABLE kept_counts RENAME COLUMN is_correct TO is_right;
CREATE INDEX rep_events_rep ON rep_events (block_id, rep_no);
-- The sums are counted from the log where none are there.
CREATE TABLE sums (
    program_id uuid NOT NULL, player_id uuid NOT NULL, role text NOT NULL, expected text NOT NULL, rung text NOT NULL, side text NOT NULL,
    reps integer NOT NULL, is_right integer NOT NULL, mass double precision NOT NULL, right_mass double precision NOT NULL,
    last_at timestamptz NOT NULL, practice_id uuid NOT NULL, newest_reps integer NOT NULL, newest_right integer NOT NULL,
    newest_mass double precision NOT NULL, newest_right_mass double precision NOT NULL,
    PRIMARY KEY (program_id, player_id, role, expected, rung, side),
    FOREIGN KEY (program_id, player_id) REFERENCES players (program_id, id) ON DELETE CASCADE
);
CREATE TABLE mistakes (
    program_id uuid NOT NULL, player_id uuid NOT NULL, role text NOT NULL, expected text NOT NULL, made text NOT NULL, reps integer NOT NULL,
    PRIMARY KEY (program_id, player_id, role, expected, made),
    FOREIGN KEY (program_id, player_id) REFERENCES players (program_id, id) ON DELETE CASCADE
);
CREATE TABLE practiced (
    program_id uuid NOT NULL, player_id uuid NOT NULL, screen text NOT NULL, reps integer NOT NULL,
    CONSTRAINT practised_pkey PRIMARY KEY (program_id, player_id, screen),
    CONSTRAINT practised_program_id_player_id_fkey FOREIGN KEY (program_id, player_id) REFERENCES players (program_id, id) ON DELETE CASCADE
);
CREATE TABLE ledgers (
    program_id uuid PRIMARY KEY REFERENCES programs ON DELETE CASCADE,
    half_life_s double precision NOT NULL
);
