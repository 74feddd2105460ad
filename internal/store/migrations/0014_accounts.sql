-- +goose Up

-- When a session was last used, to the minute; it ends when it was idle for too long.
ALTER TABLE sessions ADD COLUMN seen_at timestamptz NOT NULL DEFAULT now();

-- A try is counted before it is checked, and taken back when it was right.
ALTER TABLE sign_in_failures RENAME TO sign_in_tries;
ALTER TABLE sign_in_tries ADD COLUMN try uuid;
ALTER INDEX sign_in_failures_key RENAME TO sign_in_tries_key;
CREATE INDEX sign_in_tries_try ON sign_in_tries (try);

-- Devices on which somebody has signed in: somebody else's wrong passwords do not lock them out.
CREATE TABLE known_devices (
    key_hash   bytea PRIMARY KEY,
    program_id uuid NOT NULL,
    staff_id   uuid NOT NULL,
    until      timestamptz NOT NULL,
    FOREIGN KEY (program_id, staff_id) REFERENCES staff (program_id, id) ON DELETE CASCADE
);
CREATE INDEX known_devices_staff ON known_devices (program_id, staff_id);

-- One-time links to a new password; only a hash of the link is kept.
CREATE TABLE password_resets (
    key_hash   bytea PRIMARY KEY,
    program_id uuid NOT NULL,
    staff_id   uuid NOT NULL,
    until      timestamptz NOT NULL,
    FOREIGN KEY (program_id, staff_id) REFERENCES staff (program_id, id) ON DELETE CASCADE
);
CREATE INDEX password_resets_staff ON password_resets (program_id, staff_id);

-- A team that plays no more is put away with everything it has.
ALTER TABLE teams ADD COLUMN archived boolean NOT NULL DEFAULT false;

-- What an archive has added, so that it can be taken back as a whole.
CREATE TABLE imports (
    id         uuid PRIMARY KEY,
    program_id uuid NOT NULL REFERENCES programs ON DELETE CASCADE,
    at         timestamptz NOT NULL,
    who        text NOT NULL,
    teams      uuid[] NOT NULL,
    drills     uuid[] NOT NULL,
    templates  uuid[] NOT NULL,
    players    integer NOT NULL,
    practices  integer NOT NULL,
    games      integer NOT NULL,
    events     integer NOT NULL,
    UNIQUE (program_id, id)
);

-- +goose Down
DROP TABLE imports, password_resets, known_devices;
ALTER TABLE teams DROP COLUMN archived;
DROP INDEX sign_in_tries_try;
ALTER TABLE sign_in_tries DROP COLUMN try;
ALTER INDEX sign_in_tries_key RENAME TO sign_in_failures_key;
ALTER TABLE sign_in_tries RENAME TO sign_in_failures;
ALTER TABLE sessions DROP COLUMN seen_at;
